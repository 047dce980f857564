import { voltAmpsOf } from './voltAmps';

/** What a camera asks of its feed: volt-amperes of its electronics, the same at any volts, and a heater, which is a resistance. */
export interface CameraLoad {
  voltAmps: number;
  heaterOhms?: number | undefined;
}

/** Volts that the watts of a heater are told for. */
const nominalVolts = { dc: 12, ac: 24 } as const;

/** Ohms of a heater of so many watts at its nominal volts. Source: R = V²/P. */
const heaterOhmsOf = (watts: number, current: 'dc' | 'ac'): number => nominalVolts[current] ** 2 / watts;

/**
 * The load of a camera that takes so many watts, of which a heater takes some. A rectifier takes more volt-amperes of AC than
 * watts; a heater takes as many, and the square of the volts decides how many.
 */
export function cameraLoad(watts: number, current: 'dc' | 'ac', heaterWatts = 0): CameraLoad {
  const ofHeater = Math.min(watts, heaterWatts);
  const voltAmps = voltAmpsOf(watts - ofHeater, current);
  return ofHeater > 0 ? { voltAmps, heaterOhms: heaterOhmsOf(ofHeater, current) } : { voltAmps };
}

/** Volt-amperes that a load takes at so many volts. */
export const loadVoltAmps = ({ voltAmps, heaterOhms }: CameraLoad, volts: number): number =>
  voltAmps + (heaterOhms === undefined ? 0 : volts ** 2 / heaterOhms);
