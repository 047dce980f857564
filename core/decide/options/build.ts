import { eachOf, labourId, labourRateOf, productOf, type Catalogue } from '#core/model/catalogue';
import { optionRow, type OptionKind } from '#core/model/site';
import { accessWork, liftHire, liftOf, noAccess } from './access';
import type { Context } from './context';
import { lineBinding, lineRemedy } from './lineMargins';
import type { NewCamera } from './newCamera';
import { newCableItems } from './newCable';
import { shareOf, unitCostOf, type SharedThing } from './sharing';
import type { InfeasibleOption, Margin, FeasibleOption, SharedPort } from './option';
import type { Part } from './part';
import { unitSizes, usualPortWatts } from './sharedUnits';
import { telemetryCautions } from './telemetryCautions';

export interface Draft {
  kind: OptionKind;
  margins: Margin[];
  parts: Part[];
  shared?: SharedPort | undefined;
  /** What it shares with other cameras beside ports. */
  sharing?: SharedThing[];
  /** Tasks by their ids, or with metres. */
  work: readonly (string | Part)[];
  /** Tasks of what it shares that leave its view dark as well. */
  alsoDark?: readonly Part[];
  onCoaxOf?: string;
  seenBy?: FeasibleOption['seenBy'];
  signal: FeasibleOption['signal'];
  megapixels: number;
  lifeYears: number;
  /** Whose turn it is at the end of its life, where that is not the same again; `null` where nothing is due. */
  successor?: Successor | null;
  draws?: FeasibleOption['draws'];
  fedLocally?: boolean;
  ownSupply?: FeasibleOption['ownSupply'];
  newCableM?: number;
  showsAt?: string[];
  message: string;
  cautions: readonly string[];
  remedy: (binding: Margin) => string;
}

/** What comes when a life ends: its parts, of which the way of the cable stays, and how long it lasts itself. */
export interface Successor {
  parts: Part[];
  lifeYears: number;
}

/** The least margin to spare decides; a margin past its limit beats any that is not. */
function bindingOf(margins: readonly Margin[]): Margin | null {
  const rank = { fails: 2, close: 1, holds: 0 } as const;
  return margins.reduce<Margin | null>(
    (a, b) =>
      !a ||
      rank[b.status] > rank[a.status] ||
      (rank[b.status] === rank[a.status] && b.utilisation > a.utilisation)
        ? b
        : a,
    null,
  );
}

/** Labour in whole units of the currency: what makes a view dark is done by night, the rest by day. */
export function labourCostOf(catalogue: Catalogue, hours: number, darkHours = 0): number {
  const { day, night } = labourRateOf(catalogue);
  return Math.round((hours - darkHours) * day + darkHours * night);
}

export function partsCostOf({ products }: Catalogue, parts: readonly Part[]): number {
  let sum = 0;
  for (const { item, count } of parts) sum += (eachOf(products.get(item)!) ?? 0) * count;
  return Math.round(sum);
}

/** Parts that stay when a camera is renewed: the way that its cable takes. */
const lasting = new Set([
  ...newCableItems,
  'fibre-splices',
  'fibre-attenuator',
  'containment-m',
  'making-good',
  'wall-cabinet',
  'category-ends',
  'power-pair-m',
  'surge-protector',
  'weatherproofing',
  'camera-mount',
  liftHire,
]);

const portCosts = new WeakMap<Catalogue, Map<string, number>>();

/** What one port of shared equipment that gives so many watts costs when its unit is full; the total counts whole units. */
function portCostOf(catalogue: Catalogue, of: SharedPort['of'], sourceWatts: number): number {
  let costs = portCosts.get(catalogue);
  if (!costs) portCosts.set(catalogue, (costs = new Map()));
  const key = `${of} ${sourceWatts > usualPortWatts ? sourceWatts : 0}`;
  let cost = costs.get(key);
  if (cost === undefined) {
    const each = unitSizes(catalogue, of)
      .filter(({ portWatts }) => portWatts >= sourceWatts)
      .map((size) => size.each / size.ports);
    costs.set(key, (cost = each.length > 0 ? Math.round(Math.min(...each)) : 0));
  }
  return cost;
}

/** Its own port, and its part of the one that a fibre or a radio takes for all that share it. */
function portShareOf(
  catalogue: Catalogue,
  shared: SharedPort | undefined,
  sharing: readonly SharedThing[],
): number {
  let cost = shared ? portCostOf(catalogue, shared.of, shared.sourceWatts) : 0;
  for (const thing of sharing)
    if (thing.port) cost += Math.round(shareOf(thing) * portCostOf(catalogue, 'poe-switch', 0));
  return cost;
}

const stopFirst =
  'Dangerous volts were read on this run: nobody touches it until a licensed person has made it safe.';

/** Hours of the tasks, one after the other; of them those at the camera, and those in which its view is dark. */
function labourOf(
  catalogue: Catalogue,
  tasks: readonly Part[],
): { hours: number; darkHours: number; cameraHours: number } {
  let [hours, darkHours, cameraHours] = [0, 0, 0];
  for (const { item, count } of tasks) {
    const task = productOf(catalogue, item, 'task');
    hours += task.hours * count;
    darkHours += task.darkHours * count;
    if (task.where === undefined) cameraHours += task.hours * count;
  }
  return { hours, darkHours, cameraHours };
}

/** What the camera's part of everything shared comes to, and what of it is due again. */
function sharesOf(
  catalogue: Catalogue,
  things: readonly SharedThing[],
): { cost: number; hours: number; dueAgain: number; unpriced: string[] } {
  let [cost, hours, dueAgain] = [0, 0, 0];
  let unpriced = none;
  for (const thing of things) {
    const share = shareOf(thing);
    const unit = unitCostOf(catalogue, thing);
    const bought = boughtOf(catalogue, thing.parts);
    cost += share * unit.cost;
    hours += share * unit.hours;
    dueAgain += share * bought.dueAgain;
    if (bought.unpriced.length > 0) unpriced = [...unpriced, ...bought.unpriced];
  }
  return { cost: Math.round(cost), hours, dueAgain: Math.round(dueAgain), unpriced };
}

/** What the parts cost, what of that is due again, and which have no price. One pass: a thousand cameras have eleven options each. */
function boughtOf(
  { products }: Catalogue,
  parts: readonly Part[],
): { cost: number; dueAgain: number; unpriced: string[] } {
  let [cost, dueAgain] = [0, 0];
  let unpriced: string[] = none;
  for (const { item, count } of parts) {
    const each = eachOf(products.get(item)!);
    if (each === null) unpriced = [...unpriced, item];
    else {
      cost += each * count;
      if (!lasting.has(item)) dueAgain += each * count;
    }
  }
  return { cost: Math.round(cost), dueAgain: Math.round(dueAgain), unpriced };
}
const none: string[] = [];

const onceEach = new Map<string, Part>();
/** A task as it was given; one that is named alone is done once, and is the same object for every option that has it. */
function asTask(given: string | Part): Part {
  if (typeof given !== 'string') return given;
  let task = onceEach.get(given);
  if (!task) onceEach.set(given, (task = { item: given, count: 1 }));
  return task;
}

/** Whether somebody has to reach the camera for a task; at the head end and on the bench nobody does. */
const isAtCamera = (catalogue: Catalogue, given: string | Part): boolean =>
  productOf(catalogue, typeof given === 'string' ? given : given.item, 'task').where === undefined;

const nothingShared: SharedThing[] = [];

/** Putting a new camera where one hangs: the work at it with its ladder or lift, in whole units of the currency, by what it sends. */
export function renewingCosts(
  context: Pick<Context, 'catalogue' | 'newCameras' | 'place' | 'around'>,
): Context['renewing'] {
  const { catalogue, newCameras } = context;
  const access = accessWork(context);
  const costOf = ({ work }: NewCamera): number => {
    const { hours, darkHours, cameraHours } = labourOf(catalogue, [...work, ...access.work].map(asTask));
    const lift = access.needsLift ? [liftOf(context, cameraHours)] : nothingShared;
    return labourCostOf(catalogue, hours, darkHours) + sharesOf(catalogue, lift).cost;
  };
  return { ip: costOf(newCameras.ip), hd: costOf(newCameras.hd) };
}

/** What is due when the life of an option ends: the same parts again or those of its successor, and putting it there. */
function renewalOf(
  { catalogue, renewing }: Context,
  { kind, successor, lifeYears }: Draft,
  dueAgain: number,
): Pick<FeasibleOption, 'renewCost' | 'successorYears'> {
  if (successor === null) return { renewCost: 0, successorYears: lifeYears };
  const parts = successor ? boughtOf(catalogue, successor.parts).dueAgain : dueAgain;
  return {
    renewCost: parts + renewing[optionRow(kind).slot === 'ip' ? 'ip' : 'hd'],
    successorYears: successor?.lifeYears ?? lifeYears,
  };
}

/** A list as long as it is. Lists that are made by spreading keep room to grow, which thousands of options would hold for nothing. */
const trimmed = <T>(list: readonly T[]): T[] => list.slice();

/** Turns margins, parts and tasks into an option with its cost and the way it stands. */
export function feasible(context: Context, draft: Draft): FeasibleOption {
  const { catalogue } = context;
  const line = lineBinding(context, draft.kind);
  const work = line.work.length > 0 ? [...draft.work, ...line.work] : draft.work;
  const access = work.some((one) => isAtCamera(catalogue, one)) ? accessWork(context) : noAccess;
  const tasks = (access.work.length > 0 ? [...work, ...access.work] : work).map(asTask);
  const parts = line.parts.length > 0 ? [...draft.parts, ...line.parts] : draft.parts;
  const margins = line.margins.length > 0 ? [...draft.margins, ...line.margins] : draft.margins;
  const labour = labourOf(catalogue, tasks);
  // Whose view is in another picture by then leaves nothing dark.
  const ownDarkHours = draft.seenBy ? 0 : labour.darkHours;
  const darkHours = draft.alsoDark
    ? ownDarkHours + labourOf(catalogue, draft.alsoDark).darkHours
    : ownDarkHours;
  const lift = access.needsLift ? [liftOf(context, labour.cameraHours)] : nothingShared;
  const sharing = draft.sharing ? [...draft.sharing, ...lift] : lift;
  const shares = sharesOf(catalogue, sharing);
  const { cost, dueAgain, unpriced } = boughtOf(catalogue, parts);
  const portCost = portShareOf(catalogue, draft.shared, sharing);
  const labourCost = labourCostOf(catalogue, labour.hours, ownDarkHours);
  const binding = bindingOf(margins);
  const state = binding?.status ?? 'holds';
  const steering = telemetryCautions(context.camera, draft.kind);
  const hasMoreCautions = line.cautions.length + access.cautions.length + steering.length > 0;
  const cautions = hasMoreCautions
    ? [...draft.cautions, ...steering, ...line.cautions, ...access.cautions]
    : draft.cautions;
  const isStopped = context.findings.state === 'stop' && tasks.length > 0;
  const hours = labour.hours + shares.hours;
  const missing = shares.unpriced.length > 0 ? [...unpriced, ...shares.unpriced] : unpriced;
  const ownCost = cost + labourCost;
  const renewal = renewalOf(context, draft, dueAgain + shares.dueAgain);
  // Written out, without spreading: a thousand cameras have seventeen of these each.
  return {
    kind: draft.kind,
    state,
    margins: trimmed(margins),
    binding,
    parts: trimmed(parts),
    tasks,
    sharing,
    hours,
    ownHours: labour.hours,
    darkHours,
    labourCost,
    portCost,
    shareCost: shares.cost,
    shared: draft.shared ?? null,
    ownCost,
    cost: ownCost + portCost + shares.cost,
    unpriced: hours > 0 && catalogue.labourPerHour === null ? [...missing, labourId] : missing,
    lifeYears: draft.lifeYears,
    renewCost: renewal.renewCost,
    successorYears: renewal.successorYears,
    onCoaxOf: draft.onCoaxOf ?? null,
    seenBy: draft.seenBy ?? null,
    signal: draft.signal,
    megapixels: draft.megapixels,
    draws: draft.draws ?? null,
    fedLocally: draft.fedLocally ?? false,
    ownSupply: draft.ownSupply ?? null,
    newCableM: draft.newCableM ?? 0,
    showsAt: draft.showsAt ?? none,
    message: draft.message,
    cautions: trimmed(isStopped ? [stopFirst, ...cautions] : cautions),
    remedy: (broken) => lineRemedy(broken) ?? draft.remedy(broken),
  };
}

export function infeasible(kind: OptionKind, short: string, why: string, remedy: string): InfeasibleOption {
  return { kind, state: 'no', short, why, remedy };
}
