import { optionRow, type Site } from '#core/model/site';
import type { Highs } from 'highs';
import { eachFrees, smallestConflict } from '#core/solver';
import { formatQuantity } from '#core/shared/units';
import type { DemandRef } from './demandRef';
import type { PlanningInput } from './types';
import { policyOptionOf } from './policies';

/** Demands that exclude each other, in words, and which of them would free the rest by itself. */
export interface Conflict {
  demands: { demand: DemandRef; message: string; frees: boolean }[];
  message: string;
}

const goalWords = {
  mend: 'what does not hold is mended',
  view: 'each view gets what it needs',
  ip: 'every camera goes IP that can',
} as const;

const capWords = {
  cost: ['it costs at most', '', 'money'],
  darkHours: ['views are dark for at most', ' in all', 'h'],
  hours: ['it takes at most', ' of labour', 'h'],
} as const;

function lockWords({ camera, choice }: Site, cameraId: string): string {
  const locked = choice[cameraId];
  return `camera ${camera[cameraId]!.number} is locked on “${locked ? optionRow(locked.option).label : ''}”`;
}

function demandWords({ site, demands }: PlanningInput, demand: DemandRef): string {
  switch (demand.kind) {
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
    case 'cap': {
      const [before, after, unit] = capWords[demand.of];
      return `${before} ${formatQuantity(demands.caps[demand.of] ?? 0, unit)}${after}`;
    }
    case 'recorder':
      return `the slots and limits of ${site.recorder[demand.recorderId]!.name}`;
    case 'supply':
      return `80 % of what ${site.supply[demand.supplyId]!.name} can give`;
    case 'start-up':
      return `what ${site.supply[demand.supplyId]!.name} can give while all its cameras start`;
    case 'fuse':
      return `the fuse of output ${demand.output} of ${site.supply[demand.supplyId]!.name}`;
    case 'rack':
      return `the room in the rack at ${site.place[demand.placeId]!.name}`;
    case 'lock':
      return lockWords(site, demand.cameraId);
  }
}

/** The smallest set of demands in conflict, in words. */
export function conflictOf(highs: Highs, input: PlanningInput): Conflict {
  const { programme, demands: demandOf } = input.model;
  const keys = smallestConflict(highs, programme);
  const freeing = new Set(eachFrees(highs, programme, keys));
  const demands = keys.map((key) => {
    const demand = demandOf.get(key)!;
    return { demand, message: demandWords(input, demand), frees: freeing.has(key) };
  });
  const listed = demands.map(({ message }) => message);
  const message =
    demands.length === 0
      ? 'The recorders, supplies and racks that are noted cannot take these cameras, whatever is demanded.'
      : demands.length === 1
        ? `This cannot be met: ${listed[0]}.`
        : `These cannot all be met: ${listed.slice(0, -1).join('; ')}; and ${listed.at(-1)}.`;
  return { demands, message };
}
