import { useLocalStorage } from '@vueuse/core';
import { defineStore } from 'pinia';
import { computed } from 'vue';
import { z } from 'zod';
import {
  authoredDrills,
  checkDrill,
  drillMoveSchema,
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

/** Drills that were left in the middle. What cannot be read again was never played. */
const keptSchema = z
  .record(z.string(), z.object({ moves: z.array(drillMoveSchema) }).catch({ moves: [] }))
  .catch({});
const listSchema = z.array(z.unknown()).catch([]);
const resultsSchema = z.array(drillResultSchema.nullable().catch(null)).catch([]);

/** Drills of this device: those that were written here, and how far each is; and how each ended, with what the server keeps of others. */
export const useDrills = defineStore('drills', () => {
  const person = useCurrentUser();
  const signedInAs = useSignedInAs();
  const shared = useSharedResults();
  const ownText = useLocalStorage<unknown[]>('neotrope-own-drills', []);
  const resultText = useLocalStorage<unknown[]>('neotrope-drill-results', []);
  const movesText = useLocalStorage<Record<string, { moves: DrillMove[] }>>('neotrope-drill-moves', {});
  // What was kept by another version, or changed by hand, is passed over rather than shown wrong.
  const own = computed(() =>
    listSchema.parse(ownText.value).flatMap((one) => {
      const read = checkDrill(one);
      return read.kind === 'sound' ? [read.value] : [];
    }),
  );
  const results = computed(() => resultsSchema.parse(resultText.value));
  const keptMoves = computed(() => keptSchema.parse(movesText.value));
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
  const without = (id: string): unknown[] =>
    listSchema.parse(ownText.value).filter((one) => (one as Partial<Drill> | null)?.id !== id);
  /** Keeps a drill in place of the one of the same id. One that comes with the id of a shipped or a drawn drill would never be opened: it gets its own. */
  const keep = (drill: Drill) => {
    const isTaken = authoredDrills.some(({ id }) => id === drill.id) || readDrillCode(drill.id) !== null;
    const kept = isTaken ? { ...drill, id: `own-${drill.id}`.toLowerCase() } : drill;
    ownText.value = [...without(kept.id), kept];
  };
  const remove = (id: string) => {
    ownText.value = without(id);
  };
  const movesOf = (id: string): DrillMove[] => keptMoves.value[id]?.moves ?? [];
  const keepMoves = (id: string, moves: DrillMove[]) => {
    movesText.value = { ...keptMoves.value, [id]: { moves } };
  };
  const forget = (id: string) => {
    const { [id]: _, ...rest } = keptMoves.value;
    movesText.value = rest;
  };
  const end = (result: DrillResult) => {
    resultText.value = [...listSchema.parse(resultText.value), result];
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
