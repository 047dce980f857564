import { conductorOhms, temperatureFactor } from './conductorResistance';
import type { Conductor } from './gauge';
import type { CoaxCable } from './tableSchemas';

export type Cores = Conductor & { count: number };

/**
 * Resistance out and back through a bundle of cores, in ohms: `count` cores in parallel divide
 * one core's resistance by `count`, so two out and one back make 1.5 times one core, not twice.
 */
export function loopOhms(out: Cores, back: Cores, lengthM: number, temperatureC: number): number {
  const oneWay = (cores: Cores) => conductorOhms(cores, lengthM, temperatureC) / cores.count;
  return oneWay(out) + oneWay(back);
}

/**
 * Loop resistance of a coax, centre out and shield back, in ohms. The shield's figure per kilometre
 * is corrected for temperature as copper; an aluminium braid differs from that by under 1 % at 60 °C.
 */
export function coaxLoopOhms(cable: CoaxCable, lengthM: number, temperatureC: number): number {
  const shieldOhms = (cable.shieldOhmPerKm / 1000) * lengthM * temperatureFactor('copper', temperatureC);
  return conductorOhms(cable.centre, lengthM, temperatureC) + shieldOhms;
}
