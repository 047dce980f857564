import type { Trouble } from '#core/model/site';

type Swap = 'camera-at-head-end' | 'camera-on-local-supply';

/** Troubles under which a camera fails beside the recorder on a short lead; all else is left behind on the run. */
const failsBeside: ReadonlySet<Trouble> = new Set(['camera', 'format', 'line-standard']);
/** Troubles that a supply known to be good takes away. */
const curedBySupply: ReadonlySet<Trouble> = new Set([
  'supply',
  'power-drop',
  'power-construction',
  'power-joint',
  'coax-construction',
  'water',
  'tap',
]);

/** Whether a camera fails on a substitution, by what is wrong. */
export const failsSwap = (swap: Swap, troubles: readonly Trouble[]): boolean =>
  troubles.some((trouble) =>
    swap === 'camera-at-head-end' ? failsBeside.has(trouble) : !curedBySupply.has(trouble),
  );
