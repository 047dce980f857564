import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import { agreePlan, planFrom, type NightsFound, type NightsNow, type WantedPlace } from '#core/evaluate';
import { clockAt, objectionInWords, taskTitle } from '#core/cutover/words';
import { cutoverSettingsOf } from '#core/model/site';
import { dateWords } from '../parts/dateWords';
import { dateOf, nightClock } from '../workers/nightClock';
import type { NightsAnswer } from '../workers/planner.worker';
import { useEvaluation } from './evaluation';
import { useOpenSite } from './openSite';
import { usePlanner } from './planner';
import { useSite } from './site';

/** So long fewer nights are sought, unless somebody has enough before. */
const secondsMost = 60;

/** Why there are no nights, and in which task’s name where it is one’s. */
export interface NoNights {
  message: string;
  tasks: { id: string; title: string; why: string }[];
}

/** The nights of the open site as they were agreed, and their planning. */
export const useNights = defineStore('nights', () => {
  const store = useSite();
  const openSite = useOpenSite();
  const evaluation = useEvaluation();
  const planner = usePlanner();

  const now = shallowRef<NightsNow | null>(null);
  const moment = ref(Date.now());
  /** What came of planning last: how sure it is that no fewer nights do. It is of the nights that were agreed then. */
  const proof = shallowRef<{
    of: string;
    proof: Extract<NightsAnswer, { kind: 'found' }>['proof'];
  } | null>(null);
  /** The nights that are agreed, as text: what the server confirms is the same in other objects. */
  const agreedNow = () =>
    JSON.stringify(
      Object.values(openSite.value.plannedNight)
        .map(({ date, jobs }) => [date, jobs])
        .sort(),
    );
  const failure = shallowRef<NoNights | null>(null);
  const best = shallowRef<NightsFound | null>(null);

  let asked = 0;
  async function look(): Promise<void> {
    if (!evaluation.result) return;
    moment.value = Date.now();
    const mine = (asked += 1);
    const told = await evaluation.nights(moment.value);
    if (told && mine === asked) now.value = told;
  }
  const titles = computed(() => new Map(now.value?.tasks.map((task) => [task.id, taskTitle(task)]) ?? []));
  const titleOf = (id: string): string => titles.value.get(id) ?? id;
  const clock = (minutes: number): string => clockAt(now.value?.settings.shift.start ?? '00:00', minutes);
  const names = {
    task: titleOf,
    person: (id: string) => openSite.value.crewMember[id]?.name ?? id,
    thing: (id: string) => openSite.value.recorder[id]?.name ?? id,
    night: (night: number) => dateWords(now.value?.dates[night] ?? ''),
    clock,
  };
  const inWords = (objection: Parameters<typeof objectionInWords>[0]): string =>
    objectionInWords(objection, names);

  function agree(found: NightsFound, settings: NightsNow['settings']): void {
    const changes = agreePlan(openSite.value, found, settings);
    if (changes.length > 0) store.change(`Agree on ${found.nights.length} nights`, changes);
  }

  /** Plans what is still to be done, and agrees on it. The best so far is kept where it is stopped. */
  async function plan(): Promise<void> {
    const today = dateOf(Date.now());
    const settings = cutoverSettingsOf(openSite.value, today);
    [failure.value, best.value, proof.value] = [null, null, null];
    const from = planFrom(openSite.value, settings, today, nightClock(Date.now()));
    const answer = await planner.nights({ ...settings, from }, secondsMost, (found) => {
      best.value = found;
    });
    const { value: soFar } = best;
    best.value = null;
    if (answer?.kind === 'found') {
      agree(answer.found, settings);
      proof.value = { of: agreedNow(), proof: answer.proof };
    } else if (!answer && soFar) agree(soFar, settings);
    else if (answer?.kind === 'impossible')
      failure.value = {
        message: 'This cannot be done in any night:',
        tasks: answer.jobs.map(({ id, why }) => ({ id, title: titleOf(id), why })),
      };
    else if (answer?.kind === 'conflict') failure.value = { message: answer.message, tasks: [] };
    else if (answer?.kind === 'nothing')
      failure.value = { message: 'Nothing that is decided is left to be done in a night.', tasks: [] };
  }

  /** Puts a task elsewhere; what stands against it comes back in words. */
  async function move(taskId: string, wanted: WantedPlace): Promise<string[]> {
    const moved = await evaluation.moveTask(Date.now(), taskId, wanted);
    if (!moved) return ['The site is still being worked out. Try again.'];
    if (moved.kind === 'refused') return [...new Set(moved.objections.map(inWords))];
    const problems = store.change(`${titleOf(taskId)} to ${dateWords(wanted.date)}`, moved.changes);
    return problems.map(({ allowed }) => allowed);
  }

  watch(
    () => store.id,
    () => {
      [now.value, proof.value, failure.value, best.value] = [null, null, null, null];
    },
  );

  /** How sure it is that no fewer nights do; nothing once they are others. */
  const proven = computed(() => (proof.value?.of === agreedNow() ? proof.value.proof : null));

  return { now, moment, look, plan, move, failure, best, proven, titleOf, inWords, clock };
});
