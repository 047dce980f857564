import { troubles, type Trouble } from './causes';

/** Troubles that stand together, one bit each; none is a sound run. */
export type TroubleSet = number;

const bits = new Map(troubles.map((trouble, index) => [trouble, 1 << index]));
export const bitOf = (trouble: Trouble): TroubleSet => bits.get(trouble)!;
export const setOf = (...of: readonly Trouble[]): TroubleSet =>
  of.reduce((set, trouble) => set | bitOf(trouble), 0);
export const has = (set: TroubleSet, trouble: Trouble): boolean => (set & bitOf(trouble)) !== 0;
export const troublesIn = (set: TroubleSet): Trouble[] =>
  troubles.filter((_, index) => (set & (1 << index)) !== 0);

/** The place in the list of troubles of the first one in a set that is not empty. */
export const placeOf = (set: TroubleSet): number => 31 - Math.clz32(set & -set);

/** Whether just two troubles stand together. */
export function isPair(set: TroubleSet): boolean {
  const further = set & (set - 1);
  return further !== 0 && (further & (further - 1)) === 0;
}

/** Every set of none, one or two of these troubles, the empty one first. What is not listed stands by itself. */
export function setsOf(of: readonly Trouble[]): TroubleSet[] {
  const listed = of.filter((trouble) => trouble !== 'unlisted').map(bitOf);
  const pairs = listed.flatMap((one, index) => listed.slice(index + 1).map((other) => one | other));
  const alone = of.includes('unlisted') ? [bitOf('unlisted')] : [];
  return [0, ...listed, ...pairs, ...alone];
}

/** These sets with one more of the known troubles each, every set once. */
export function widened(sets: readonly TroubleSet[], known: TroubleSet): TroubleSet[] {
  const wider = new Set<TroubleSet>();
  const more = known & ~bitOf('unlisted');
  for (const set of sets) {
    for (let left = more & ~set; left !== 0; left &= left - 1) wider.add(set | (left & -left));
  }
  return [...wider];
}

/** What readings of one kind tell of troubles that stand together: the log of their chance. It depends on some troubles only. */
export interface Story {
  tells: (set: TroubleSet) => number;
}

/** A story that is worked out once for each choice of the troubles that it depends on. */
export function story(of: readonly Trouble[], tells: (set: TroubleSet) => number): Story {
  const known = new Map<TroubleSet, number>();
  const mask = setOf(...of);
  return {
    tells: (set) => {
      const key = set & mask;
      let log = known.get(key);
      if (log === undefined) known.set(key, (log = tells(key)));
      return log;
    },
  };
}
