import { computed, reactive, ref, shallowRef, watch, type Ref } from 'vue';
import type { SwitchReport } from '#core/connect/switchReport';
import { api, type Answer } from './api';
import { useSite } from './site';

/** Where switches answer, as typed. A stand-in listens elsewhere after every start, so it is kept no longer than the page. */
const addresses = reactive(new Map<string, string>());

/** A conversation with a switch of the open site. Its key is kept no longer than whatever shows it. */
export function useSwitchLine(deviceId: Readonly<Ref<string | null>>) {
  const site = useSite();
  const name = () => `${site.id}/${deviceId.value ?? ''}`;
  const address = computed({
    get: () => addresses.get(name()) ?? '',
    set: (text) => {
      addresses.set(name(), text.trim());
      key.value = '';
    },
  });
  const key = ref('');
  const report = shallowRef<SwitchReport | null>(null);
  const problem = ref('');
  /** The host that has to be allowed for the site before it is asked. */
  const closedHost = ref<string | null>(null);
  const busy = ref(false);
  watch(deviceId, () => {
    [report.value, problem.value, closedHost.value, key.value] = [null, '', null, ''];
  });

  /** Fills in the demo's own switch, where nobody has typed another. */
  async function discover(): Promise<void> {
    const answer = await api.switches();
    const standIn = answer.kind === 'answer' ? answer.value.standIn : null;
    if (standIn && deviceId.value && !address.value) address.value = standIn;
  }
  async function ask<T>(what: () => Promise<Answer<T>>): Promise<{ value: T } | null> {
    busy.value = true;
    const answer = await what();
    busy.value = false;
    closedHost.value = answer.kind === 'refusal' ? answer.refusal.host : null;
    problem.value =
      answer.kind === 'answer'
        ? ''
        : answer.kind === 'refusal'
          ? answer.refusal.detail
          : 'The server cannot be reached. Nothing was read.';
    return answer.kind === 'answer' ? answer : null;
  }
  async function read(): Promise<void> {
    const id = deviceId.value;
    const answer = await ask(() => api.readSwitch(site.id, address.value));
    if (id === deviceId.value) report.value = answer?.value ?? null;
  }
  /** Takes the power off a port for some seconds, and reads the switch again. */
  async function restart(port: number): Promise<void> {
    const done = await ask(() =>
      api.restartPort({ site: site.id, address: address.value, key: key.value, port }),
    );
    if (done) await read();
  }
  return { address, key, report, problem, closedHost, busy, discover, read, restart };
}
