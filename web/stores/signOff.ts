import { defineStore } from 'pinia';
import { computed, shallowRef } from 'vue';
import type { SignOff } from '#core/evaluate';
import { thingKey, type ThingState } from '#core/signoff/acceptance';
import type { TesterResult } from '#core/signoff/tester';
import {
  readForAcceptance,
  type AcceptanceFound,
  type AcceptanceCheckId,
  acceptanceCheckOf,
  type Occasion,
} from '#core/model/site';
import { useEvaluation } from './evaluation';
import { idMark } from './idMark';
import { useSite } from './site';

/** A thing as it is named in lists: `8 Weighbridge`, `Hall recorder`. */
export const thingLabel = ({ number, name }: Pick<ThingState, 'number' | 'name'>): string =>
  number === null ? name : `${number} ${name}`;

/** What tells readings of one thing apart: the moment, and the window that they were taken in. */
const markNow = (): string => `${Date.now().toString(36)}${idMark}`;

/** The sign-off of the open site: what is asked, what was read, what is accepted. */
export const useSignOff = defineStore('signOff', () => {
  const store = useSite();
  const evaluation = useEvaluation();
  const now = shallowRef<SignOff | null>(null);
  const byKey = computed(
    () => new Map(now.value?.things.map((thing): [string, ThingState] => [thingKey(thing.of), thing]) ?? []),
  );

  let asked = 0;
  /** Works it out anew; what is asked for later is shown, whichever answer comes first. */
  async function look(): Promise<void> {
    if (!evaluation.result) return;
    const mine = (asked += 1);
    const told = await evaluation.signOff();
    if (told && mine === asked) now.value = told;
  }

  const doing = () => ({ at: new Date().toISOString(), by: store.signedBy('Surveyor') });

  /** Adds a reading of a thing; what does not fit is told. */
  function read(
    thing: Pick<ThingState, 'of' | 'name' | 'number'>,
    check: AcceptanceCheckId,
    found: AcceptanceFound,
    more: { instrument?: string; serial?: string; conditions?: string; occasion?: Occasion } = {},
  ): string {
    const { label, instrument } = acceptanceCheckOf(check);
    const change = readForAcceptance(
      { of: thing.of, check, found, ...more, instrument: more.instrument ?? instrument },
      doing(),
      markNow(),
    );
    return store
      .change(`${label}: ${thingLabel(thing)}`, [change])
      .map(({ allowed }) => allowed)
      .join('; ');
  }

  /** Adds what a device said of several checks of a thing, all in one step; what does not fit is told. */
  function readAll(
    thing: Pick<ThingState, 'of' | 'name' | 'number'>,
    told: readonly { check: AcceptanceCheckId; found: AcceptanceFound }[],
    more: { instrument: string; conditions?: string },
  ): string {
    const changes = told.map((one) =>
      readForAcceptance({ of: thing.of, ...one, ...more }, doing(), markNow()),
    );
    return store
      .change(`Readings of the ${more.instrument}: ${thingLabel(thing)}`, changes)
      .map(({ allowed }) => allowed)
      .join('; ');
  }

  /** Takes what a cable tester said of several cables, all in one step; what does not fit is told. */
  function takeTester(results: readonly TesterResult[], instrument: string): string {
    const changes = results.map(({ of, passed, isMarginal }) =>
      readForAcceptance(
        {
          of,
          check: 'cable-tester',
          found: { kind: 'seen', isSo: passed },
          instrument,
          ...(isMarginal ? { conditions: 'by less than the tester is sure of' } : {}),
        },
        doing(),
        markNow(),
      ),
    );
    return store
      .change(`Results of a cable tester: ${results.length}`, changes)
      .map(({ allowed }) => allowed)
      .join('; ');
  }

  return { now, byKey, look, read, readAll, takeTester, doing };
});
