import { loadVoltAmps, type CameraLoad } from './cameraLoad';

/** Volts at a load and the watts it takes then. */
export interface LoadPoint {
  volts: number;
  watts: number;
}

export type TwoPoint =
  | { kind: 'told'; loopOhms: number; sourceVolts: number; spreadOhms: number; spreadVolts: number }
  | { kind: 'untold'; why: string };

/** A meter at the camera, and how far a camera's watts are off its sheet. One standard deviation. Typical. */
const meterVolts = 0.05;
const wattsShare = 0.08;

/** Less difference of current than this tells nothing above a meter's last digit. */
const leastAmps = 0.04;

/**
 * Loop resistance and source volts behind a load that was read at two of its loads: R = (V₁ − V₂)/(I₂ − I₁) and
 * V₀ = V₁ + I₁·R with I = P/V. Source: a straight line through two points; spreads by the usual propagation of errors.
 */
export function twoPoint(light: LoadPoint, heavy: LoadPoint): TwoPoint {
  if (light.volts <= 0 || heavy.volts <= 0) return { kind: 'untold', why: 'the camera gets no volts' };
  const [i1, i2] = [light.watts / light.volts, heavy.watts / heavy.volts];
  if (i2 - i1 < leastAmps)
    return { kind: 'untold', why: 'the camera takes hardly more by night than by day' };
  const dropVolts = light.volts - heavy.volts;
  if (dropVolts < 2 * meterVolts)
    return { kind: 'untold', why: 'the volts hardly fall when the lamps come on' };
  const loopOhms = dropVolts / (i2 - i1);
  const ampsSpread = wattsShare * Math.hypot(i1, i2);
  const spreadOhms = loopOhms * Math.hypot((Math.SQRT2 * meterVolts) / dropVolts, ampsSpread / (i2 - i1));
  const sourceVolts = light.volts + i1 * loopOhms;
  return {
    kind: 'told',
    loopOhms,
    sourceVolts,
    spreadOhms,
    spreadVolts: Math.hypot(meterVolts, i1 * spreadOhms, wattsShare * i1 * loopOhms),
  };
}

/**
 * Lowest source volts that bring a load at least `minVolts` through a loop. Source: V₀ = V·(1 + R/R_h) + R·P/V with a heater of
 * R_h; where that would lie below the collapse, twice √(R·P·(1 + R/R_h)).
 */
export function sourceVoltsFor(loopOhms: number, load: CameraLoad, minVolts: number): number {
  const divided = 1 + loopOhms / (load.heaterOhms ?? Infinity);
  const collapse = Math.sqrt((loopOhms * load.voltAmps) / divided);
  return minVolts >= collapse ? sourceVoltsUpTo(loopOhms, load, minVolts) : 2 * divided * collapse;
}

/** Source volts that leave exactly so many at a load: the highest that harm nothing. */
export const sourceVoltsUpTo = (loopOhms: number, load: CameraLoad, volts: number): number =>
  volts + (loopOhms * loadVoltAmps(load, volts)) / volts;
