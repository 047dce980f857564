import type { Part, SharedEquipment } from '#core/decide/options';
import type { Catalogue } from '#core/model/catalogue';
import { readingsByRun, type RunReadings } from '#core/test/readings';
import type { Equipment, Gear, HookUp, Site } from '#core/model/site';
import { loadOf, type Load } from '#core/shared/derivation';
import { boxVoltAmps, continuousLoadShare, mainsVoltAmps, wattsOf as loadWatts } from '#core/physics/power';
import { supplyCheck } from './supplyCheck';
import { backupOf, type Backup } from './upsBattery';

/** Something that takes mains power, and how much. */
export interface Consumer {
  kind: 'recorder' | 'supply' | 'equipment';
  id: string;
  name: string;
  watts: number;
  /** What that is of its circuit: more than the watts where the current comes in peaks. */
  voltAmps: number;
  from: 'noted' | 'computed' | 'unknown';
}

export interface CircuitCheck {
  id: string;
  consumers: Consumer[];
  /** Volt-amperes, since a breaker feels amps. */
  load: Load;
}
export interface UpsCheck {
  id: string;
  consumers: Consumer[];
  /** Watts against its rating. */
  load: Load;
  /** What it is good for at this load; `null` with nothing on it. */
  backup: Backup | null;
  /** Volt-amperes against its rating; `null` where that is not noted. */
  voltAmps: Load | null;
  /** With the gear that the choices bring to its place beside all that hangs on it now, as in the nights of the change. */
  withPlanned: { watts: number; load: Load; voltAmps: Load | null; backup: Backup } | null;
}

/** Watts that new gear at a place takes of the mains. */
export interface PlannedGear {
  placeId: string;
  watts: number;
}

/** What the choices bring to each place: the watts that ports give there, and what encoders take themselves. */
export function plannedGear(
  catalogue: Catalogue,
  shared: readonly Pick<SharedEquipment, 'placeId' | 'watts' | 'parts'>[],
): PlannedGear[] {
  return shared.map(({ placeId, watts, parts }) => ({
    placeId,
    watts: watts / poeEfficiency + encoderWatts(catalogue, parts),
  }));
}

const encoderWatts = ({ products }: Catalogue, parts: readonly Part[]): number =>
  parts.reduce((sum, { item, count }) => {
    const product = products.get(item);
    return sum + (product?.kind === 'encoder' ? count * product.ownWatts : 0);
  }, 0);

export interface RackCheck {
  id: string;
  things: { name: string; units: number }[];
  load: Load;
}
export interface MainsCheck {
  circuits: CircuitCheck[];
  upses: UpsCheck[];
  racks: RackCheck[];
  unfed: Consumer[];
}

/** What PoE gear takes of the mains for the watts that its ports give. Typical. */
export const poeEfficiency = 0.9;

/** Efficiency of a supply box whose own watts nobody has noted. Typical. */
export const supplyEfficiency = 0.85;

interface Thing {
  consumer: Consumer;
  hookUp: HookUp | undefined;
}

const isOf =
  <K extends Gear['kind']>(kind: K) =>
  (equipment: Equipment): equipment is Equipment & { gear: Extract<Gear, { kind: K }> } =>
    equipment.gear.kind === kind;

/** Gear that takes no power of its own: a rack, and the circuits and UPS that pass it on. */
const passive = new Set<Gear['kind']>(['rack', 'circuit', 'ups']);

function thingsOf(site: Site, readings: ReadonlyMap<string, RunReadings>): Thing[] {
  const noted = (
    kind: Consumer['kind'],
    { id, name, hookUp }: { id: string; name: string; hookUp?: HookUp | undefined },
    voltAmpsOf: (watts: number) => number,
    computed?: number,
  ): Thing => {
    const watts = hookUp?.mainsWatts ?? computed ?? 0;
    const from = hookUp?.mainsWatts !== undefined ? 'noted' : computed !== undefined ? 'computed' : 'unknown';
    return { hookUp, consumer: { kind, id, name, watts, voltAmps: voltAmpsOf(watts), from } };
  };
  return [
    ...Object.values(site.recorder).map((one) => noted('recorder', one, mainsVoltAmps)),
    ...Object.values(site.supply).map((one) =>
      noted(
        'supply',
        one,
        (watts) => boxVoltAmps(watts, one.current),
        loadWatts(supplyCheck(site, one, readings).sum.used * one.setVolts, one.current) / supplyEfficiency,
      ),
    ),
    ...Object.values(site.equipment)
      .filter(({ gear }) => !passive.has(gear.kind))
      .map((one) => noted('equipment', one, mainsVoltAmps)),
  ];
}

const sumOf = (consumers: readonly Consumer[], what: 'watts' | 'voltAmps'): number =>
  consumers.reduce((sum, one) => sum + one[what], 0);

function upsCheck(
  site: Site,
  { id, placeId, gear }: Equipment & { gear: Gear & { kind: 'ups' } },
  consumers: Consumer[],
  planned: readonly PlannedGear[],
): UpsCheck {
  const watts = sumOf(consumers, 'watts');
  const voltAmps = sumOf(consumers, 'voltAmps');
  const against = (used: number): Load | null =>
    gear.ratedVa === undefined ? null : loadOf('volt-amperes', used, gear.ratedVa, 'VA');
  const plannedWatts = planned.reduce((sum, one) => sum + (one.placeId === placeId ? one.watts : 0), 0);
  const whole = { watts: watts + plannedWatts, voltAmps: voltAmps + mainsVoltAmps(plannedWatts) };
  const wholeBackup = plannedWatts > 0 ? backupOf(site, gear, whole) : null;
  return {
    id,
    consumers,
    load: loadOf('watts', watts, gear.ratedWatts, 'W'),
    voltAmps: against(voltAmps),
    backup: backupOf(site, gear, { watts, voltAmps }),
    withPlanned: wholeBackup && {
      watts: plannedWatts,
      load: loadOf('watts', whole.watts, gear.ratedWatts, 'W'),
      voltAmps: against(whole.voltAmps),
      backup: wholeBackup,
    },
  };
}

/**
 * Mains circuits with the volt-amperes of all that hangs on them, straight or through a UPS, against 80 % of the breaker;
 * UPS with their runtime at the night's load (usable Wh × age × inverter efficiency / load); racks with their units; and
 * what is noted as hanging on nothing.
 */
export function mainsCheck(
  site: Site,
  readings: ReadonlyMap<string, RunReadings> = readingsByRun(site),
  planned: readonly PlannedGear[] = [],
): MainsCheck {
  const things = thingsOf(site, readings);
  const equipment = Object.values(site.equipment);
  const upses = equipment.filter(isOf('ups'));
  /** Consumers on a circuit or UPS, through further UPS too. One that was noted as feeding itself is passed once. */
  const on = (feedId: string, passed: ReadonlySet<string> = new Set()): Consumer[] => [
    ...things.flatMap(({ consumer, hookUp }) => (hookUp?.fedById === feedId ? [consumer] : [])),
    ...upses
      .filter(({ id, hookUp }) => hookUp?.fedById === feedId && !passed.has(id))
      .flatMap(({ id }) => on(id, new Set([...passed, id]))),
  ];
  return {
    circuits: equipment.filter(isOf('circuit')).map(({ id, gear }) => {
      const consumers = on(id);
      return {
        id,
        consumers,
        load: loadOf(
          'volt-amperes',
          sumOf(consumers, 'voltAmps'),
          gear.volts * gear.breakerAmps * continuousLoadShare,
          'VA',
        ),
      };
    }),
    upses: upses.map((ups) => upsCheck(site, ups, on(ups.id, new Set([ups.id])), planned)),
    racks: equipment.filter(isOf('rack')).map(({ id, gear }) => {
      const mounted = [...Object.values(site.recorder), ...Object.values(site.supply), ...equipment].flatMap(
        ({ name, hookUp }) => (hookUp?.rackId === id ? [{ name, units: hookUp.rackUnits ?? 1 }] : []),
      );
      return {
        id,
        things: mounted,
        load: loadOf(
          'rack units',
          mounted.reduce((sum, { units }) => sum + units, 0),
          gear.units,
          '',
        ),
      };
    }),
    unfed: things.flatMap(({ consumer, hookUp }) => (hookUp?.fedById === undefined ? [consumer] : [])),
  };
}
