import type { Highs } from 'highs';
import { networkCameraNeeds } from '#core/decide/options';
import type { SlotNeed } from '#core/model/slotRules';
import {
  allocate,
  comesInAt,
  isAt,
  migrationOf,
  movesOf,
  type Migration,
  type Move,
  type Mover,
  type Night,
  type SlotAddress,
  type SlotWishes,
  type SlotRequest,
} from '#core/allocate/recorder';
import {
  demandsOf,
  removing,
  allocationSettingsOf,
  camerasPerNight,
  type Change,
  type Placement,
  type Site,
} from '#core/model/site';
import type { Allocation } from './allocation';
import { unplugging, withSeenElsewhere } from './seenElsewhere';

/** The rest: cameras that wait for a slot. All: every camera anew, those that are placed too. */
export type SlottingScope = 'rest' | 'all';

/** An allocation that could be made, as the changes that make it. */
export interface SlotProposal {
  changes: Change[];
  moves: Move[];
  /** Numbers of cameras that no slot takes. */ without: number[];
  proven: boolean;
}

function wishesOf(site: Pick<Site, 'demands' | 'allocationSettings'>): SlotWishes {
  const { numbers, share } = allocationSettingsOf(site);
  const { policies, spareSlots } = demandsOf(site);
  return { numbers, share, blocks: policies.blocks, spareSlots };
}

/** Whether a camera is on the network already. */
const isThere = ({ networkCamera }: Pick<Site, 'networkCamera'>, cameraId: string): boolean =>
  networkCamera[cameraId]?.state === 'there';

/**
 * Cameras as they ask for slots. Those that nothing is decided for stay on their input, unless all are allocated anew; one that is on the
 * network already stays on its slot, where it is today: moving it would only make it dark.
 */
function wantingOf(site: Site, { needs, waiting }: Allocation, scope: SlottingScope): SlotRequest[] {
  const waits = new Set(waiting.map(({ cameraId }) => cameraId));
  return Object.values(needs).flatMap((need): SlotRequest[] => {
    const placement = site.placement[need.cameraId];
    const placed = placement && { recorderId: placement.recorderId, slot: placement.slot };
    const mayMove = (scope === 'all' && !isThere(site, need.cameraId)) || waits.has(need.cameraId);
    return mayMove || placed || comesInAt(need) ? [{ need, placed, mayMove }] : [];
  });
}

/** The best allocation of a site, and what it changes. */
export function slotSite(
  highs: Highs,
  site: Site,
  allocation: Allocation,
  scope: SlottingScope,
  secondsMost?: number,
): SlotProposal {
  const recorders = Object.values(site.recorder);
  const wanting = wantingOf(site, allocation, scope);
  const { placements, occupied, without, proven } = allocate(
    highs,
    recorders,
    wanting,
    wishesOf(site),
    secondsMost,
  );
  const waits = new Set(allocation.waiting.map(({ cameraId }) => cameraId));
  const may = new Set(wanting.filter(({ mayMove }) => mayMove).map(({ need }) => need.cameraId));
  const isWhereItIs = ({ id, recorderId, slot }: Placement): boolean => {
    const { [id]: placed } = site.placement;
    if (placed) return placed.recorderId === recorderId && placed.slot === slot;
    // A camera that nothing is decided for stays where it comes in without being placed there.
    return !waits.has(id) && isAt(comesInAt(allocation.needs[id]!), { recorderId, slot });
  };
  const placing: Change[] = placements
    .filter((one) => may.has(one.id) && !isWhereItIs(one))
    .map((set) => ({ kind: 'placement', id: set.id, set }));
  const lost = without.filter(({ need, mayMove }) => mayMove && site.placement[need.cameraId]);
  return {
    proven,
    changes: [...lost.map(({ need }) => removing('placement', need.cameraId)), ...placing],
    moves: movesOf(
      recorders,
      wanting.filter(({ mayMove }) => mayMove),
      occupied,
    ),
    without: without.filter(({ mayMove }) => mayMove).map(({ need }) => need.number),
  };
}

/** The order of moves of a site, with who has no place in it yet. */
export interface SiteMigration extends Migration {
  /** Numbers of cameras that are decided and have no slot: they stay on their inputs until somebody gives them one. */
  unplaced: number[];
  /** Numbers of cameras that no recorder knows of: their leads end elsewhere, and no slot is theirs. */
  elsewhere: number[];
}

/**
 * Where a camera comes in today: on its input, or on its slot where it is on the network already. As long as nobody has noted that
 * one, the slot that it is given is taken for it.
 */
function todayOf(
  { camera, networkCamera }: Pick<Site, 'camera' | 'networkCamera'>,
  need: SlotNeed,
  placed: SlotAddress | undefined,
  replaced: SlotNeed['signal'] | undefined,
): Mover['today'] {
  const isOnNetwork = isThere({ networkCamera }, need.cameraId);
  const at = comesInAt(need) ?? (isOnNetwork ? placed : undefined);
  return at ? { at, format: isOnNetwork ? null : camera[need.cameraId]!.format, replaced } : null;
}

/** What cameras of the network send until others take their place. */
const replacedSignals = (site: Site): ReadonlyMap<string, SlotNeed['signal']> =>
  new Map(
    networkCameraNeeds(site, () => false)
      .filter(({ fact }) => fact.replaced)
      .map(({ camera, signal }) => [camera.id, signal]),
  );

/** Cameras with where they come in today and at the end; those that no recorder knows of are not among them. */
export function moversOf(site: Site, { needs, waiting }: Pick<Allocation, 'needs' | 'waiting'>): Mover[] {
  const hasNoSlot = new Set(waiting.map(({ cameraId }) => cameraId));
  const replaced = replacedSignals(site);
  return Object.values(needs).flatMap((need): Mover[] => {
    const { cameraId } = need;
    const at = comesInAt(need);
    const { [cameraId]: placement } = site.placement;
    const placed = placement && { recorderId: placement.recorderId, slot: placement.slot };
    const today = todayOf(site, need, placed, replaced.get(cameraId));
    if (placed) return [{ need, today, to: placed }];
    if (!at) return [];
    // Until it has a slot it sends what it sends today, from where it is.
    const stays = hasNoSlot.has(cameraId)
      ? { ...need, portWatts: 0, signal: { kind: 'coax' as const, format: site.camera[cameraId]!.format } }
      : need;
    return [{ need: stays, today, to: at }];
  });
}

/** The order in which the cameras of a site can move to the slots that they have by the plan. */
export function migrationOfSite(site: Site, allocation: Allocation): SiteMigration {
  const { needs, waiting, occupied, after } = allocation;
  const hasNoSlot = new Set(waiting.map(({ cameraId }) => cameraId));
  const movers = moversOf(site, allocation);
  const settings = allocationSettingsOf(site);
  const wishes = { perNight: camerasPerNight(settings), first: settings.first, after };
  const migration = withSeenElsewhere(site, needs, movers, (all) =>
    migrationOf(Object.values(site.recorder), all, wishes),
  );
  const unplugged = unplugging(site, needs, 'retire');
  const { nights } = migration;
  const unchanged: Night = {
    steps: [],
    occupied,
    ipInputs: Object.fromEntries(
      Object.values(site.recorder).map((recorder) => [recorder.id, [...(recorder.ipInputs ?? [])]]),
    ),
    broken: [],
  };
  const [first = unchanged, ...later] = nights;
  return {
    ...migration,
    nights: unplugged.length > 0 ? [{ ...first, steps: [...unplugged, ...first.steps] }, ...later] : nights,
    unplaced: waiting.map(({ number }) => number),
    elsewhere: Object.values(needs)
      .filter((need) => !comesInAt(need) && !site.placement[need.cameraId] && !hasNoSlot.has(need.cameraId))
      .map(({ number }) => number)
      .sort((a, b) => a - b),
  };
}
