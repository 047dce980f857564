import type { CoaxCable, PairCable, PowerCable, SignalCable, Tables } from './tableSchemas';
import figures from './typicalFigures.json';

/** Typical published figures of generic constructions; a data sheet or a reading overrides them. */
const tables = figures as Tables;

export const { materials } = tables;
export const coaxCables: CoaxCable[] = tables.coax.map((cable) => ({ kind: 'coax', ...cable }));
export const pairCables: PairCable[] = tables.pair.map((cable) => ({ kind: 'pair', ...cable }));
export const powerCables: PowerCable[] = tables.power;

const signalById = new Map<string, SignalCable>(
  [...coaxCables, ...pairCables].map((cable) => [cable.id, cable]),
);
const powerById = new Map(powerCables.map((cable) => [cable.id, cable]));

export const coaxCableIds = coaxCables.map((cable) => cable.id);
export const signalCableIds = [...signalById.keys()];
export const powerCableIds = [...powerById.keys()];

/** The construction with this id. Throws on an id that no schema would have let through. */
export function signalCable(id: string): SignalCable {
  const cable = signalById.get(id);
  if (!cable) throw new Error(`unknown cable ${id}`);
  return cable;
}

/** The power cores with this id. Throws on an id that no schema would have let through. */
export function powerCable(id: string): PowerCable {
  const cable = powerById.get(id);
  if (!cable) throw new Error(`unknown power cable ${id}`);
  return cable;
}
