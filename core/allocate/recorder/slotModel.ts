import { familyOf, ownPortsOf, slotCount, type SlotNeed, type ChannelMode } from '#core/model/slotRules';
import { draftProgramme, type Draft, type Programme, type Term } from '#core/solver';
import type { Recorder } from '#core/model/site';
import { familyOfSignal } from './blocks';
import { assignmentCost, points } from './slotPoints';
import { blockSizeOf, fitsZone, takes, zonesOf, type Zone } from './slotZones';
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

/** A term for one or some cameras on a recorder, with the camera that stands for them. */
interface Placed {
  need: SlotNeed;
  zone: Zone;
  slot: number | null;
  variable: number;
}

const negative = (terms: readonly Term[]): Term[] => terms.map(({ variable, by }) => ({ variable, by: -by }));

/**
 * The programme of an allocation: each camera on one slot or none, each recorder in one of the states that it has. Cameras
 * that are alike, on slots that are alike, are one unknown: how many. So the programme grows with the kinds of cameras.
 */
export function slotModel(
  recorders: readonly Recorder[],
  wanting: readonly SlotRequest[],
  wishes: SlotWishes,
): SlotModel {
  const draft = draftProgramme();
  const groups = groupsOf(wanting);
  const slotWays: SlotWay[] = [];
  const zoneWays: ZoneWay[] = [];
  const states = new Map<Recorder, State>();
  const level = wishes.share === 'load' ? draft.variable('load', loadSteps, points.loadStep) : undefined;
  const used: Term[] = [];
  const onSlots = new Map(wanting.map((one) => [one, [] as Term[]]));
  const inZones = new Map(groups.map((group) => [group, [] as Term[]]));

  recorders.forEach((recorder) => {
    const { id, limits } = recorder;
    const kept = new Map(
      wanting.flatMap((one) => {
        const home = one.mayMove ? undefined : homeOf(one);
        return home?.recorderId === id ? [[home.slot, one.need.cameraId] as const] : [];
      }),
    );
    const zones = zonesOf(recorder, wishes, kept);
    const zoneOf = new Map(zones.flatMap((zone) => zone.slots.map((slot) => [slot, zone] as const)));
    const here: Placed[] = [];
    for (const one of wanting) {
      const { need, mayMove } = one;
      if (!takes(recorder, need)) continue;
      const home = homeOf(one);
      for (const slot of slotsThatMatter(one, recorder)) {
        const zone = zoneOf.get(slot)!;
        const mayBeHere = mayMove
          ? zone.keptFor === undefined
          : home?.recorderId === id && home.slot === slot;
        if (!mayBeHere || !fitsZone(need, zone)) continue;
        const variable = draft.variable(
          `${need.number} on ${id} ${slot}`,
          1,
          assignmentCost(one, recorder, slot, wishes),
        );
        here.push({ need, zone, slot, variable });
        slotWays.push({ wanting: one, recorder, slot, variable });
        onSlots.get(one)!.push({ variable, by: 1 });
      }
    }
    for (const group of groups) {
      const { members } = group;
      const [one] = members;
      if (!one || !takes(recorder, one.need)) continue;
      for (const zone of zones) {
        if (zone.keptFor !== undefined || !fitsZone(one.need, zone)) continue;
        const variable = draft.variable(
          `${group.key} on ${id} ${zone.name}`,
          Math.min(members.length, zone.slots.length),
          assignmentCost(one, recorder, null, wishes),
        );
        here.push({ need: one.need, zone, slot: null, variable });
        zoneWays.push({ members, recorder, slots: zone.slots, variable });
        inZones.get(group)!.push({ variable, by: 1 });
      }
    }
    const state = stateOf(draft, recorder);
    states.set(recorder, state);
    const terms = (which: (one: Placed) => boolean, by: (one: Placed) => number = () => 1): Term[] =>
      here.filter(which).map((one) => ({ variable: one.variable, by: by(one) }));
    const isIp = ({ need }: Placed) => need.signal.kind === 'ip';

    // What a slot carries in the state that the recorder is in.
    const slotsThatCount = new Set(here.flatMap(({ slot }) => slot ?? []));
    for (const signal of ['coax', 'ip'] as const) {
      const mine = (one: Placed) => isIp(one) === (signal === 'ip');
      for (const slot of slotsThatCount) {
        const given = state.gives(signal, slot);
        const on = terms((one) => mine(one) && one.slot === slot);
        if (on.length > 0)
          draft.row(`${signal} on ${id} ${slot}`, [...on, ...negative(given.terms)], '<=', given.always);
      }
      for (const zone of zones) {
        const given = zone.slots.map((slot) => state.gives(signal, slot));
        const on = terms((one) => mine(one) && one.zone === zone);
        if (on.length > 0)
          draft.row(
            `${signal} in ${id} ${zone.name}`,
            [...on, ...negative(given.flatMap((each) => each.terms))],
            '<=',
            given.reduce((sum, { always }) => sum + always, 0),
          );
      }
    }
    for (const slot of slotsThatCount)
      draft.row(
        `one on ${id} ${slot}`,
        terms((one) => one.slot === slot),
        '<=',
        1,
      );
    for (const zone of zones)
      draft.row(
        `slots of ${id} ${zone.name}`,
        terms((one) => one.zone === zone),
        '<=',
        zone.slots.length,
      );
    // An input that can be turned by itself changes where it carries what it did not carry before.
    if (familyOf(recorder).conversion === 'each') {
      const changed = draft.variable(`${id} changes`, 1, points.change);
      const turning = terms((one) => one.zone.block >= 0 && isIp(one) !== one.zone.ipInputsToday);
      if (turning.length > 0)
        draft.row(`change of ${id}`, [...turning, { variable: changed, by: -recorder.inputs }], '<=', 0);
    }
    const blockSize = blockSizeOf(recorder, wishes);
    if (blockSize !== undefined) blockRows(draft, id, here, blockSize);
    draft.row(`IP cameras of ${id}`, terms(isIp), '<=', limits.ipCameras);
    const rate = ({ need: { signal } }: Placed) => (signal.kind === 'ip' ? signal.mbps : 0);
    draft.row(`incoming rate of ${id}`, terms(isIp, rate), '<=', limits.incomingMbps);
    if (level !== undefined)
      draft.row(
        `load of ${id}`,
        [...terms(isIp, rate), { variable: level, by: -limits.incomingMbps / loadSteps }],
        '<=',
        0,
      );
    const ownPorts = ownPortsOf(recorder);
    if (ownPorts)
      draft.row(
        `ports of ${id}`,
        terms(
          ({ zone }) => zone.withPower,
          ({ need }) => need.portWatts,
        ),
        '<=',
        ownPorts.watts,
      );
    used.push(...terms(() => true));
  });

  for (const one of wanting) {
    if (one.mayMove) continue;
    const without = draft.variable(`${one.need.number} without a slot`, 1, points.noSlot);
    draft.row(`a slot for ${one.need.number}`, [...onSlots.get(one)!, { variable: without, by: 1 }], '=', 1);
  }
  for (const group of groups) {
    const own = group.members.flatMap((one) => onSlots.get(one)!);
    const without = draft.variable(`${group.key} without a slot`, group.members.length, points.noSlot);
    draft.row(
      `slots for ${group.key}`,
      [...own, ...inZones.get(group)!, { variable: without, by: 1 }],
      '=',
      group.members.length,
    );
    for (const one of group.members)
      if (onSlots.get(one)!.length > 1)
        draft.row(`one slot for ${one.need.number}`, onSlots.get(one)!, '<=', 1);
  }
  if (wishes.spareSlots > 0) {
    const all = recorders.reduce((sum, recorder) => sum + slotCount(recorder), 0);
    const missed = draft.variable('spare slots missed', wishes.spareSlots, points.missedSpare);
    draft.row('spare slots', [...used, { variable: missed, by: -1 }], '<=', all - wishes.spareSlots);
  }
  return {
    programme: draft.programme,
    slotWays,
    zoneWays,
    carriesIn: (recorder, values) => states.get(recorder)!.carries(values),
  };
}

/** One signal family in each block of inputs. */
function blockRows(draft: Draft, id: string, here: readonly Placed[], size: number): void {
  for (const block of new Set(here.map(({ zone }) => zone.block))) {
    const inBlock = here.filter(({ zone }) => zone.block === block);
    const families = [...new Set(inBlock.map(({ need }) => familyOfSignal(need)))];
    if (block < 0 || families.length < 2) continue;
    const chosen = families.map((family) => {
      const variable = draft.variable(`${family} in block ${block + 1} of ${id}`, 1, 0);
      draft.row(
        `${family} in block ${block + 1} of ${id}`,
        [
          ...inBlock
            .filter(({ need }) => familyOfSignal(need) === family)
            .map((one) => ({ variable: one.variable, by: 1 })),
          { variable, by: -size },
        ],
        '<=',
        0,
      );
      return { variable, by: 1 };
    });
    draft.row(`one family in block ${block + 1} of ${id}`, chosen, '<=', 1);
  }
}
