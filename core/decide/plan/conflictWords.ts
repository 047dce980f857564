import { optionRow, type Site } from '#core/model/site';
import type { Highs } from 'highs';
import { smallestConflict, solve, without, withoutCosts, type Programme } from '#core/solver';
import { formatQuantity } from '#core/shared/units';
import { demandKey, ofEvery, type DemandRef } from './demandRef';
import type { PlanModel, PlanningInput } from './types';
import { policyOptionOf } from './policies';

/** Demands that exclude each other, in words; for each that would free the rest by itself the way out, and for a wish that is given up what the best plan costs then. */
export interface Conflict {
  demands: { demand: DemandRef; message: string; wayOut: string | null; costThen: number | null }[];
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

/** Of whom something is asked. */
const whose = ({ camera }: Site, cameraId: string | null): string =>
  cameraId === null ? '' : ` at camera ${camera[cameraId]!.number}`;

function demandWords({ site, demands }: PlanningInput, demand: DemandRef): string {
  switch (demand.kind) {
    case 'goal':
      return `the goal: ${goalWords[demands.goal]}`;
    case 'spare':
      return `${demands.sparePercent} % of every limit is left over${whose(site, demand.cameraId)}`;
    case 'listed':
      return `listed places: ${policyOptionOf('listed', demands.policies.listed).label.toLowerCase()}${whose(site, demand.cameraId)}`;
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
    case 'stays':
      return `camera ${site.camera[demand.cameraId]!.number} stays as it hangs, since no option of it holds`;
    case 'lock':
      return lockWords(site, demand.cameraId);
  }
}

/** What has to be changed on the site before it is more: nobody knows here what that costs. */
const isOfSite = ({ kind }: DemandRef): boolean =>
  ['fuse', 'supply', 'start-up', 'recorder', 'rack', 'stays'].includes(kind);

/** What would free the rest: a wish is given up, but what bears amps or holds gear is changed first, by whoever may. */
function wayOutOf({ site }: PlanningInput, demand: DemandRef, message: string): string {
  switch (demand.kind) {
    case 'fuse':
      return `Another output for some of these cameras, or a larger fuse where the cores and ${site.supply[demand.supplyId]!.name} bear it: never a fuse above what the cores bear.`;
    case 'supply':
    case 'start-up':
      return `A second supply box beside ${site.supply[demand.supplyId]!.name}, or one that gives more.`;
    case 'recorder':
      return `Another recorder beside ${site.recorder[demand.recorderId]!.name}, or one that takes more.`;
    case 'rack':
      return `A larger rack, or a second one, at ${site.place[demand.placeId]!.name}.`;
    case 'stays':
      return `Camera ${site.camera[demand.cameraId]!.number} first: what its run lacks is said with it, and who may put it right.`;
    default:
      return `Relaxing this one requirement is enough: ${message}.`;
  }
}

/** A conflict with more cameras in it than these is told of all of them: a list of so many names none. */
const mostNamed = 4;
/** So many conflicts that have nothing in common are told at once. */
const mostConflicts = 6;
/** So long a search looks for what a plan costs without one of the demands. */
const secondsToPrice = 5;

/** The same programme with what is asked of every camera as one demand. */
function ofEveryCamera({ programme, demands }: PlanModel): Programme {
  return {
    variables: programme.variables,
    rows: programme.rows.map((row) => ({
      ...row,
      demand: row.demand && demandKey(ofEvery(demands.get(row.demand)!)),
    })),
  };
}

/** The programme without what some demands stand for; one that is of every camera takes all of them along. */
function freedOf({ programme, demands }: PlanModel, given: readonly DemandRef[]): Programme {
  const keys = new Set(given.map(demandKey));
  const gone = [...demands].filter(([key, demand]) => keys.has(key) || keys.has(demandKey(ofEvery(demand))));
  return without(programme, new Set(gone.map(([key]) => key)));
}

/** The smallest conflict of a programme that has no solution, with cameras by name where few of them are in it. */
function smallestOf(highs: Highs, model: PlanModel): DemandRef[] {
  const everyDemand = new Map(
    [...model.demands.values()].flatMap((demand) =>
      [demand, ofEvery(demand)].map((one) => [demandKey(one), one] as const),
    ),
  );
  const refs = (keys: readonly string[]): DemandRef[] => keys.map((key) => everyDemand.get(key)!);
  const together = smallestConflict(highs, ofEveryCamera(model));
  const inIt = new Set(together);
  if (refs(together).every((demand) => !('cameraId' in demand) || demand.cameraId !== null))
    return refs(together);
  // Only what is in conflict stays, camera by camera.
  const kept = [...model.demands.values()].filter((demand) => inIt.has(demandKey(ofEvery(demand))));
  const gone = [...model.demands.values()].filter((demand) => !kept.includes(demand));
  const byCamera = smallestConflict(highs, freedOf(model, gone));
  return refs(byCamera.length > 0 && byCamera.length <= mostNamed ? byCamera : together);
}

/** Conflicts that have no demand in common, the smallest of each: as long as any is left, nothing can be planned. */
function conflictsOf(highs: Highs, model: PlanModel): DemandRef[][] {
  const conflicts: DemandRef[][] = [];
  let left = model;
  while (conflicts.length < mostConflicts) {
    const found = smallestOf(highs, left);
    conflicts.push(found);
    if (found.length === 0) break;
    const programme = freedOf(left, found);
    const inRows = new Set(programme.rows.map(({ demand }) => demand));
    left = {
      ...left,
      programme,
      demands: new Map([...left.demands].filter(([key]) => inRows.has(key))),
    };
    if (solve(highs, withoutCosts(programme)).kind !== 'infeasible') break;
  }
  return conflicts;
}

function inWords(messages: readonly string[]): string {
  if (messages.length === 0)
    return 'The recorders, supplies and racks that are noted cannot take these cameras, whatever is demanded.';
  if (messages.length === 1) return `This cannot be met: ${messages[0]}.`;
  return `These cannot all be met: ${messages.slice(0, -1).join('; ')}; and ${messages.at(-1)}.`;
}

/**
 * The smallest sets of demands in conflict, in words, and for each demand that would free the rest by itself what the best plan costs
 * then, the cheapest first.
 * @param priceOf what a programme's solution comes to, in the site's currency
 */
export function conflictOf(
  highs: Highs,
  input: PlanningInput,
  priceOf: (values: readonly number[]) => number,
): Conflict {
  const conflicts = conflictsOf(highs, input.model);
  const demands = conflicts.flat().map((demand) => {
    const message = demandWords(input, demand);
    // Of several conflicts none is freed by giving up one demand.
    if (conflicts.length > 1) return { demand, message, wayOut: null, costThen: null };
    const solved = solve(highs, freedOf(input.model, [demand]), { secondsMost: secondsToPrice });
    return solved.kind === 'proven' || solved.kind === 'stopped'
      ? {
          demand,
          message,
          wayOut: wayOutOf(input, demand, message),
          costThen: isOfSite(demand) ? null : priceOf(solved.values),
        }
      : { demand, message, wayOut: null, costThen: null };
  });
  const message = conflicts
    .map((conflict) => inWords(conflict.map((demand) => demandWords(input, demand))))
    .join(' ');
  return { demands: demands.sort((a, b) => (a.costThen ?? Infinity) - (b.costThen ?? Infinity)), message };
}
