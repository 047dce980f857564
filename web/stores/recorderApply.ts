import { defineStore } from 'pinia';
import { computed, reactive, ref, shallowRef } from 'vue';
import type { Applying, DeviceGoal, FoundCamera, Report } from '#core/allocate/device';
import { api, type Answer } from './api';
import { useSite } from './site';

/** Between one look at how far a plan is and the next. */
const lookMs = 400;

/** A recorder that is reached over the network: what it holds, and a plan on its way into it. */
export const useRecorderApply = defineStore('recorder-apply', () => {
  const site = useSite();
  const recorderId = ref('');
  /** Where each recorder is reached. It may be a stand-in that listens elsewhere after every start, so it is not kept. */
  const addresses = reactive<Record<string, string>>({});
  const addressName = () => `${site.id}/${recorderId.value}`;
  /**
   * The key of each recorder of the open site, as it was typed. It goes to that recorder alone, is stored nowhere, and is
   * forgotten when the view is left or another site is opened.
   */
  const keys = reactive(new Map<string, string>());
  const keyName = () => `${site.id}/${recorderId.value}`;
  const key = computed({
    get: () => keys.get(keyName()) ?? '',
    set: (value) => {
      keys.set(keyName(), value);
    },
  });
  const report = shallowRef<Report | null>(null);
  const cameras = shallowRef<FoundCamera[]>([]);
  const applying = shallowRef<Applying | null>(null);
  /** Whether the record of an earlier plan cannot be read any more. */
  const isDamaged = ref(false);
  const problem = ref('');
  /** The host that has to be allowed for the site before it is asked. */
  const closedHost = ref<string | null>(null);
  const busy = ref(false);
  /** How much of the plan is pushed. */
  const upTo = ref<DeviceGoal>('end');
  /** The demo's own recorders, as far as they came up. */
  const standIns = shallowRef<Record<string, string>>({});
  const isStandIn = computed(
    () => address.value !== '' && standIns.value[recorderId.value] === address.value,
  );
  const address = computed({
    get: () => addresses[addressName()] ?? '',
    set: (value) => {
      if (value.trim() !== (addresses[addressName()] ?? '').trim()) keys.delete(keyName());
      addresses[addressName()] = value;
    },
  });

  let timer: ReturnType<typeof setTimeout> | undefined;

  async function ask<T>(what: () => Promise<Answer<T>>): Promise<{ value: T } | null> {
    busy.value = true;
    const answer = await what();
    busy.value = false;
    if (answer.kind === 'answer') {
      problem.value = '';
      closedHost.value = null;
      return answer;
    }
    closedHost.value = answer.kind === 'refusal' ? answer.refusal.host : null;
    problem.value =
      answer.kind === 'refusal'
        ? answer.refusal.detail
        : 'The server cannot be reached. Whatever is under way goes on without this page.';
    return null;
  }

  async function discover(): Promise<void> {
    const answer = await api.recorders();
    if (answer.kind !== 'answer') return;
    standIns.value = answer.value.standIns;
    for (const [id, at] of Object.entries(standIns.value)) addresses[`${site.id}/${id}`] ||= at;
  }
  async function read(): Promise<void> {
    const id = recorderId.value;
    const answer = await ask(() => api.readRecorder(site.id, address.value.trim()));
    if (id !== recorderId.value) return;
    report.value = answer?.value.report ?? null;
    cameras.value = answer?.value.cameras ?? [];
  }
  /** Looks how far it is, again and again while it is under way. */
  async function look(): Promise<void> {
    clearTimeout(timer);
    const id = recorderId.value;
    if (!id) return;
    const answer = await api.applying(site.id, id);
    if (id !== recorderId.value) return;
    const was = applying.value?.state;
    if (answer.kind === 'answer') {
      applying.value = answer.value.applying;
      isDamaged.value = answer.value.damaged;
    }
    if (applying.value?.state === 'running') timer = setTimeout(() => void look(), lookMs);
    else if (was === 'running' && address.value) await read();
  }
  async function begin(what: () => Promise<Answer<Applying>>): Promise<void> {
    const answer = await ask(what);
    if (answer) applying.value = answer.value;
    await look();
  }
  const apply = () =>
    begin(() =>
      api.apply(site.id, recorderId.value, {
        address: address.value.trim(),
        key: key.value,
        by: site.signedBy('Planner'),
        upTo: upTo.value,
      }),
    );
  const goOn = (goal: Applying['goal']) =>
    begin(() =>
      api.goOnApplying(site.id, recorderId.value, {
        address: address.value.trim(),
        key: key.value,
        by: site.signedBy('Planner'),
        goal,
      }),
    );
  async function stop(): Promise<void> {
    await ask(() => api.stopApplying(site.id, recorderId.value));
    await look();
  }
  async function forget(): Promise<void> {
    await ask(() => api.forgetApplying(site.id, recorderId.value));
    await look();
  }
  /** Turns to another recorder; what is under way with the one before goes on. */
  async function turnTo(id: string): Promise<void> {
    recorderId.value = id;
    [report.value, cameras.value, applying.value, problem.value] = [null, [], null, ''];
    await look();
  }
  function leave(): void {
    clearTimeout(timer);
    keys.clear();
  }

  return {
    recorderId,
    address,
    isStandIn,
    key,
    report,
    cameras,
    applying,
    isDamaged,
    problem,
    closedHost,
    busy,
    upTo,
    discover,
    read,
    look,
    apply,
    goOn,
    stop,
    forget,
    turnTo,
    leave,
  };
});
