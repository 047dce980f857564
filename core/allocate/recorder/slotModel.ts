import { ownPortsOf, slotCount, type ChannelMode } from '#core/model/slotRules';
import { draftProgramme, type Draft, type Programme, type Term } from '#core/solver';
import type { Recorder } from '#core/model/site';
import { assignmentCost, points } from './slotPoints';
import { blockSizeOf, fitsZone, takes, zonesOf, type Zone } from './slotZones';
import {
  blockRows,
  capacityRows,
  carriedRows,
  changeRows,
  isIp,
  rateOf,
  termsOf,
  type Placed,
} from './slotRows';
import { stateOf, type State } from './splitRows';
import { homeOf, slotsThatMatter, type SlotWishes, type SlotRequest } from './slotRequest';

/** Cameras that are alike where they want no slot in particular. */
interface InterchangeableGroup {
  key: string;
  members: SlotRequest[];
}

/** A way to place a camera on a slot that means something to it, or some of those that are alike on any slot of a zone. */
export interface SlotWay {
  wanting: SlotRequest;
  recorder: Recorder;
  slot: number;
  variable: number;
}
export interface ZoneWay {
  members: SlotRequest[];
  recorder: Recorder;
  slots: number[];
  variable: number;
}

export interface SlotModel {
  programme: Programme;
  slotWays: SlotWay[];
  zoneWays: ZoneWay[];
  /** How many of those who may move have no slot, as unknowns. */
  without: number[];
  /** What each slot of a recorder carries in a solution. */
  carriesIn: (
    recorder: Recorder,
    values: readonly number[],
  ) => (slot: number) => ReturnType<ChannelMode['carries']>;
}

/** Steps in which the fullest recorder is measured where load is spread. */
const loadSteps = 10;

function groupsOf(wanting: readonly SlotRequest[]): InterchangeableGroup[] {
  const groups = new Map<string, InterchangeableGroup>();
  for (const one of wanting) {
    if (!one.mayMove) continue;
    const {
      need: { signal, portWatts, placeId, patchedTo },
      placed,
    } = one;
    const key = [
      signal.kind === 'ip' ? `ip ${signal.mbps} ${signal.megapixels}` : signal.format,
      portWatts,
      placeId,
      patchedTo?.recorderId ?? '',
      placed !== undefined,
    ].join(' ');
    const group = groups.get(key) ?? { key, members: [] };
    group.members.push(one);
    groups.set(key, group);
  }
  return [...groups.values()];
}

/** The programme in the making, and what its unknowns stand for so far. */
interface SlotDraft {
  draft: Draft;
  wanting: readonly SlotRequest[];
  wishes: SlotWishes;
  groups: readonly InterchangeableGroup[];
  slotWays: SlotWay[];
  zoneWays: ZoneWay[];
  /** The unknowns that put a camera on a slot of its own, and some of a group into a zone. */
  onSlots: Map<SlotRequest, Term[]>;
  inZones: Map<InterchangeableGroup, Term[]>;
  /** Every slot that is used. */
  used: Term[];
  /** How full the fullest recorder is, where load is to be spread. */
  level: number | undefined;
}

function slotDraft(wanting: readonly SlotRequest[], wishes: SlotWishes): SlotDraft {
  const draft = draftProgramme();
  const groups = groupsOf(wanting);
  return {
    draft,
    wanting,
    wishes,
    groups,
    slotWays: [],
    zoneWays: [],
    onSlots: new Map(wanting.map((one) => [one, [] as Term[]])),
    inZones: new Map(groups.map((group) => [group, [] as Term[]])),
    used: [],
    level: wishes.share === 'load' ? draft.variable('load', loadSteps, points.loadStep) : undefined,
  };
}

/** Slots of a recorder that cameras who may not move keep. */
const keptSlots = (wanting: readonly SlotRequest[], { id }: Recorder): Map<number, string> =>
  new Map(
    wanting.flatMap((one) => {
      const home = one.mayMove ? undefined : homeOf(one);
      return home?.recorderId === id ? [[home.slot, one.need.cameraId] as const] : [];
    }),
  );

/** An unknown for each camera on each slot of the recorder that means something to it. */
function placeOnSlots(model: SlotDraft, recorder: Recorder, zones: readonly Zone[]): Placed[] {
  const zoneOf = new Map(zones.flatMap((zone) => zone.slots.map((slot) => [slot, zone] as const)));
  const mayBeOn = (one: SlotRequest, slot: number, zone: Zone): boolean => {
    const home = homeOf(one);
    if (one.mayMove) return zone.keptFor === undefined;
    return home?.recorderId === recorder.id && home.slot === slot;
  };
  return model.wanting
    .filter(({ need }) => takes(recorder, need))
    .flatMap((one) =>
      [...slotsThatMatter(one, recorder)].flatMap((slot): Placed[] => {
        const zone = zoneOf.get(slot)!;
        if (!mayBeOn(one, slot, zone) || !fitsZone(one.need, zone)) return [];
        const variable = model.draft.variable(
          `${one.need.number} on ${recorder.id} ${slot}`,
          1,
          assignmentCost(one, recorder, slot, model.wishes),
        );
        model.slotWays.push({ wanting: one, recorder, slot, variable });
        model.onSlots.get(one)!.push({ variable, by: 1 });
        return [{ need: one.need, zone, slot, variable }];
      }),
    );
}

/** An unknown for how many of each group are on slots of each zone that are alike to them. */
function placeInZones(model: SlotDraft, recorder: Recorder, zones: readonly Zone[]): Placed[] {
  return model.groups.flatMap((group) => {
    const { members } = group;
    const [one] = members;
    if (!one || !takes(recorder, one.need)) return [];
    return zones.flatMap((zone): Placed[] => {
      if (zone.keptFor !== undefined || !fitsZone(one.need, zone)) return [];
      const variable = model.draft.variable(
        `${group.key} on ${recorder.id} ${zone.name}`,
        Math.min(members.length, zone.slots.length),
        assignmentCost(one, recorder, null, model.wishes),
      );
      model.zoneWays.push({ members, recorder, slots: zone.slots, variable });
      model.inZones.get(group)!.push({ variable, by: 1 });
      return [{ need: one.need, zone, slot: null, variable }];
    });
  });
}

/** What the recorder takes in all, how full it may be, and what its own ports give. */
function limitRows({ draft, level }: SlotDraft, recorder: Recorder, here: readonly Placed[]): void {
  const { id, limits } = recorder;
  const ip = here.filter(isIp);
  draft.row(`IP cameras of ${id}`, termsOf(ip), '<=', limits.ipCameras);
  draft.row(`incoming rate of ${id}`, termsOf(ip, rateOf), '<=', limits.incomingMbps);
  if (level !== undefined)
    draft.row(
      `load of ${id}`,
      [...termsOf(ip, rateOf), { variable: level, by: -limits.incomingMbps / loadSteps }],
      '<=',
      0,
    );
  const ownPorts = ownPortsOf(recorder);
  if (ownPorts)
    draft.row(
      `ports of ${id}`,
      termsOf(
        here.filter(({ zone }) => zone.withPower),
        ({ need }) => need.portWatts,
      ),
      '<=',
      ownPorts.watts,
    );
}

/** Everything of one recorder: who can be on it, in which of its states, within its limits. */
function addRecorder(model: SlotDraft, recorder: Recorder): State {
  const { draft, wishes } = model;
  const zones = zonesOf(recorder, wishes, keptSlots(model.wanting, recorder));
  const here = [...placeOnSlots(model, recorder, zones), ...placeInZones(model, recorder, zones)];
  const state = stateOf(draft, recorder);
  carriedRows(draft, recorder.id, state, zones, here);
  capacityRows(draft, recorder.id, zones, here);
  changeRows(draft, recorder, here);
  const blockSize = blockSizeOf(recorder, wishes);
  if (blockSize !== undefined) blockRows(draft, recorder.id, here, blockSize);
  limitRows(model, recorder, here);
  model.used.push(...termsOf(here));
  return state;
}

/**
 * Every camera is on one slot or on none, at what that counts.
 * @returns how many of those who may move are on none, as unknowns
 */
function cameraRows({ draft, wanting, groups, onSlots, inZones }: SlotDraft): number[] {
  for (const one of wanting) {
    if (one.mayMove) continue;
    const without = draft.variable(`${one.need.number} without a slot`, 1, points.noSlot);
    draft.row(`a slot for ${one.need.number}`, [...onSlots.get(one)!, { variable: without, by: 1 }], '=', 1);
  }
  return groups.map((group) => {
    const { key, members } = group;
    const own = members.flatMap((one) => onSlots.get(one)!);
    const without = draft.variable(`${key} without a slot`, members.length, points.noSlot);
    draft.row(
      `slots for ${key}`,
      [...own, ...inZones.get(group)!, { variable: without, by: 1 }],
      '=',
      members.length,
    );
    for (const one of members)
      if (onSlots.get(one)!.length > 1)
        draft.row(`one slot for ${one.need.number}`, onSlots.get(one)!, '<=', 1);
    return without;
  });
}

function spareRows({ draft, wishes, used }: SlotDraft, recorders: readonly Recorder[]): void {
  if (wishes.spareSlots === 0) return;
  const all = recorders.reduce((sum, recorder) => sum + slotCount(recorder), 0);
  const missed = draft.variable('spare slots missed', wishes.spareSlots, points.missedSpare);
  draft.row('spare slots', [...used, { variable: missed, by: -1 }], '<=', all - wishes.spareSlots);
}

/**
 * The programme of an allocation: each camera on one slot or none, each recorder in one of the states that it has. Cameras
 * that are alike, on slots that are alike, are one unknown: how many. So the programme grows with the kinds of cameras.
 */
export function slotModel(
  recorders: readonly Recorder[],
  wanting: readonly SlotRequest[],
  wishes: SlotWishes,
): SlotModel {
  const model = slotDraft(wanting, wishes);
  const states = new Map(recorders.map((recorder) => [recorder, addRecorder(model, recorder)]));
  const without = cameraRows(model);
  spareRows(model, recorders);
  return {
    programme: model.draft.programme,
    slotWays: model.slotWays,
    zoneWays: model.zoneWays,
    without,
    carriesIn: (recorder, values) => states.get(recorder)!.carries(values),
  };
}
