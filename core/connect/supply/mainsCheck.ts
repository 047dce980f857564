import type { Part, SharedEquipment } from '#core/decide/options';
import type { Catalogue } from '#core/model/catalogue';
import { readingsByRun, type RunReadings } from '#core/test/readings';
import type { Equipment, Gear, HookUp, Site } from '#core/model/site';
import { loadOf, type Load } from '#core/shared/derivation';
import { continuousLoadShare, wattsOf as loadWatts } from '#core/physics/power';
import { supplyCheck } from './supplyCheck';
import { batteryAge, upsHours, type BatteryAge } from './upsBattery';

/** Something that takes mains power, and how many watts. */
export interface Consumer {
  kind: 'recorder' | 'supply' | 'equipment';
  id: string;
  name: string;
  watts: number;
  from: 'noted' | 'computed' | 'unknown';
}

export interface CircuitCheck {
  id: string;
  consumers: Consumer[];
  load: Load;
}
export interface UpsCheck extends CircuitCheck {
  /** How long it lasts at this load; `null` with nothing on it. */
  runtimeHours: number | null;
  battery: BatteryAge;
  /** Volt-amperes against its rating; `null` where that is not noted. */
  voltAmps: Load | null;
  /** With the gear that the choices bring to its place beside all that hangs on it now, as in the nights of the change. */
  withPlanned: { watts: number; load: Load; runtimeHours: number } | null;
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

/** Power factor of gear by its watts: from 75 W on it has to be corrected. Source: IEC 61000-3-2; below it as a rectifier. */
const powerFactorOf = (watts: number): number => (watts < 75 ? 0.65 : 0.95);

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
    computed?: number,
  ): Thing => ({
    hookUp,
    consumer: {
      kind,
      id,
      name,
      watts: hookUp?.mainsWatts ?? computed ?? 0,
      from: hookUp?.mainsWatts !== undefined ? 'noted' : computed !== undefined ? 'computed' : 'unknown',
    },
  });
  return [
    ...Object.values(site.recorder).map((one) => noted('recorder', one)),
    ...Object.values(site.supply).map((one) =>
      noted(
        'supply',
        one,
        loadWatts(supplyCheck(site, one, readings).sum.used * one.setVolts, one.current) / supplyEfficiency,
      ),
    ),
    ...Object.values(site.equipment)
      .filter(({ gear }) => !passive.has(gear.kind))
      .map((one) => noted('equipment', one)),
  ];
}

const wattsOf = (consumers: readonly Consumer[]): number =>
  consumers.reduce((sum, { watts }) => sum + watts, 0);

function upsCheck(
  site: Site,
  { id, placeId, gear }: Equipment & { gear: Gear & { kind: 'ups' } },
  consumers: Consumer[],
  planned: readonly PlannedGear[],
): UpsCheck {
  const watts = wattsOf(consumers);
  const voltAmps = consumers.reduce((sum, one) => sum + one.watts / powerFactorOf(one.watts), 0);
  const plannedWatts = planned.reduce((sum, one) => sum + (one.placeId === placeId ? one.watts : 0), 0);
  return {
    id,
    consumers,
    load: loadOf('watts', watts, gear.ratedWatts, 'W'),
    voltAmps: gear.ratedVa === undefined ? null : loadOf('volt-amperes', voltAmps, gear.ratedVa, 'VA'),
    runtimeHours: watts > 0 ? upsHours(gear, watts) : null,
    battery: batteryAge(site, gear),
    withPlanned:
      plannedWatts > 0
        ? {
            watts: plannedWatts,
            load: loadOf('watts', watts + plannedWatts, gear.ratedWatts, 'W'),
            runtimeHours: upsHours(gear, watts + plannedWatts),
          }
        : null,
  };
}

/**
 * Mains circuits with all that hangs on them, straight or through a UPS, against 80 % of the breaker; UPS with their
 * runtime at the night's load (usable Wh × age × inverter efficiency / load); racks with their units; and what is noted as
 * hanging on nothing.
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
        load: loadOf('watts', wattsOf(consumers), gear.volts * gear.breakerAmps * continuousLoadShare, 'W'),
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
