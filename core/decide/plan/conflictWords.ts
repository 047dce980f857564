import type { Highs } from 'highs';
import { eachFrees, smallestConflict } from '#core/solver';
import { optionLabels } from '#core/decide/options';
import type { Site } from '#core/model/site';
import { formatQuantity } from '#core/shared/units';
import type { PlanningInput } from './types';
import { policyOptionOf } from './policies';

/** Demands that exclude each other, in words, and which of them would free the rest by itself. */
export interface Conflict {
  demands: { id: string; message: string; frees: boolean }[];
  message: string;
}

const goalWords = {
  mend: 'what does not hold is mended',
  view: 'each view gets what it needs',
  ip: 'every camera goes IP that can',
} as const;

function demandWords({ site, demands }: PlanningInput, id: string): string {
  const [kind, of = ''] = id.split(/ (.*)/);
  const name = (facts: Readonly<Record<string, { name: string }>>): string => facts[of]?.name ?? of;
  switch (kind) {
    case 'goal':
      return `the goal: ${goalWords[demands.goal]}`;
    case 'spare':
      return `${demands.sparePercent} % of every limit is left over`;
    case 'listed':
      return `listed places: ${policyOptionOf('listed', demands.policies.listed).label.toLowerCase()}`;
    case 'blocks':
      return 'composite, HD and IP stand in blocks of four';
    case 'spare-slots':
      return `${demands.spareSlots} recorder slots stay free`;
    case 'cap-cost':
      return `it costs at most ${formatQuantity(demands.caps.cost ?? 0, 'money')}`;
    case 'cap-dark':
      return `views are dark for at most ${formatQuantity(demands.caps.darkHours ?? 0, 'h')} in all`;
    case 'cap-hours':
      return `it takes at most ${formatQuantity(demands.caps.hours ?? 0, 'h')} of labour`;
    case 'recorder':
      return `the slots and limits of ${name(site.recorder)}`;
    case 'supply':
      return `80 % of what ${name(site.supply)} can give`;
    case 'rack':
      return `the room in the rack at ${name(site.place)}`;
    case 'lock':
      return lockWords(site, Number(of));
    default:
      return id;
  }
}

function lockWords(site: Site, number: number): string {
  const camera = Object.values(site.camera).find((one) => one.number === number);
  const choice = camera && site.choice[camera.id];
  return `camera ${number} is locked on “${choice ? optionLabels[choice.option].label : ''}”`;
}

/** The smallest set of demands in conflict, in words. */
export function conflictOf(highs: Highs, ground: PlanningInput): Conflict {
  const ids = smallestConflict(highs, ground.model.programme);
  const freeing = new Set(eachFrees(highs, ground.model.programme, ids));
  const demands = ids.map((id) => ({ id, message: demandWords(ground, id), frees: freeing.has(id) }));
  const listed = demands.map(({ message }) => message);
  const message =
    demands.length === 0
      ? 'The recorders, supplies and racks that are noted cannot take these cameras, whatever is demanded.'
      : demands.length === 1
        ? `This cannot be met: ${listed[0]}.`
        : `These cannot all be met: ${listed.slice(0, -1).join('; ')}; and ${listed.at(-1)}.`;
  return { demands, message };
}
