import { useLocalStorage } from '@vueuse/core';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import type { TestId } from '#core/model/site';
import type { AnswerOf, InstrumentAsked, InstrumentIdentity, instruments } from '#contract';
import { api, type Answer } from './api';
import { useSite } from './site';

/** The instrument that readings are taken with, where one is connected to this machine. */
export const useInstrument = defineStore('instrument', () => {
  const site = useSite();
  const address = useLocalStorage('neotrope-instrument-address', '');
  const identity = shallowRef<InstrumentIdentity | null>(null);
  const reads = shallowRef<readonly TestId[]>([]);
  /** Why it gave nothing, in its own words or the line's. */
  const problem = ref('');
  /** The host that has to be allowed for the site before it is asked. */
  const closedHost = ref<string | null>(null);
  /** The test that is being read now. */
  const busy = ref<TestId | 'connecting' | null>(null);
  const canRead = computed<ReadonlySet<TestId>>(() => new Set(identity.value ? reads.value : []));

  /** Finds out what can be read, and where the demo's stand-in is. */
  async function discover(): Promise<void> {
    if (reads.value.length > 0) return;
    const answer = await api.instruments();
    if (answer.kind !== 'answer') return;
    reads.value = answer.value.reads;
    // The stand-in listens somewhere else after every start.
    if (answer.value.standIn) address.value = answer.value.standIn;
  }

  async function asking<T>(what: TestId | 'connecting', ask: () => Promise<Answer<T>>): Promise<T | null> {
    busy.value = what;
    problem.value = '';
    closedHost.value = null;
    const answer = await ask();
    busy.value = null;
    if (answer.kind === 'answer') return answer.value;
    closedHost.value = answer.kind === 'refusal' ? answer.refusal.host : null;
    problem.value =
      answer.kind === 'refusal'
        ? [answer.refusal.detail, ...answer.refusal.problems.map(({ allowed }) => allowed)].join(' Allowed: ')
        : 'The server cannot be reached. Nothing was taken.';
    return null;
  }
  async function connect(): Promise<void> {
    identity.value = await asking('connecting', () => api.identifyInstrument(site.id, address.value.trim()));
  }
  function disconnect(): void {
    identity.value = null;
    problem.value = '';
  }
  const read = (asked: InstrumentAsked): Promise<AnswerOf<typeof instruments.read> | null> =>
    asking(asked.test, () => api.readInstrument(site.id, address.value.trim(), asked));

  return { address, identity, canRead, problem, closedHost, busy, discover, connect, disconnect, read };
});
