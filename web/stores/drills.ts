import { useLocalStorage } from '@vueuse/core';
import { defineStore } from 'pinia';
import { computed } from 'vue';
import { z } from 'zod';
import {
  authoredDrills,
  checkDrill,
  drillResultSchema,
  generateDrill,
  joinedResults,
  levelReached,
  readDrillCode,
  type Drill,
  type DrillMove,
  type DrillResult,
} from '#core/test/drills';
import { isMine, useCurrentUser, useSignedInAs } from './currentUser';
import { useSharedResults } from './sharedResults';

/** A drill that was left in the middle. */
interface Kept {
  moves: DrillMove[];
}

/** Drills of this device: those that were written here, and how far each is; and how each ended, with what the server keeps of others. */
export const useDrills = defineStore('drills', () => {
  const person = useCurrentUser();
  const signedInAs = useSignedInAs();
  const shared = useSharedResults();
  const ownText = useLocalStorage<unknown[]>('neotrope-own-drills', []);
  const resultText = useLocalStorage<unknown[]>('neotrope-drill-results', []);
  const keptMoves = useLocalStorage<Record<string, Kept>>('neotrope-drill-moves', {});
  // What was kept by another version, or changed by hand, is passed over rather than shown wrong.
  const own = computed(() =>
    ownText.value.flatMap((one) => {
      const read = checkDrill(one);
      return read.kind === 'sound' ? [read.value] : [];
    }),
  );
  const results = computed(() => z.array(drillResultSchema.nullable().catch(null)).parse(resultText.value));
  /** Ended on this device; under an account only one's own. */
  const here = computed<DrillResult[]>(() =>
    results.value.filter((one) => one !== null).filter(({ by }) => isMine(signedInAs.value, by)),
  );
  const all = computed(() => joinedResults(here.value, shared.kept.value));
  const mine = computed(() => all.value.filter(({ by }) => by === person.value));
  const level = computed(() => levelReached(mine.value));

  /** The drill of an id or a code; `null` where there is none. */
  function drillOf(id: string): Drill | null {
    const known = [...authoredDrills, ...own.value].find((one) => one.id === id);
    if (known) return known;
    const code = readDrillCode(id);
    return code ? generateDrill(code.level, code.seed) : null;
  }
  const keep = (drill: Drill) => {
    ownText.value = [...ownText.value.filter((one) => (one as Drill).id !== drill.id), drill];
  };
  const remove = (id: string) => {
    ownText.value = ownText.value.filter((one) => (one as Drill).id !== id);
  };
  const movesOf = (id: string): DrillMove[] => keptMoves.value[id]?.moves ?? [];
  const keepMoves = (id: string, moves: DrillMove[]) => {
    keptMoves.value = { ...keptMoves.value, [id]: { moves } };
  };
  const forget = (id: string) => {
    const { [id]: _, ...rest } = keptMoves.value;
    keptMoves.value = rest;
  };
  const end = (result: DrillResult) => {
    resultText.value = [...resultText.value, result];
    void share();
  };
  const share = (): Promise<void> => shared.share(here.value);
  return {
    person,
    signedInAs,
    own,
    all,
    mine,
    level,
    drillOf,
    keep,
    remove,
    movesOf,
    keepMoves,
    forget,
    end,
    share,
  };
});
