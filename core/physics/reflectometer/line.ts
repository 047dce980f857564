/** Speed of light, in metres per nanosecond. Exact by definition of the metre. */
export const lightMPerNs = 0.299792458;

/** What a stretch of cable does to a wave. */
export interface Stretch {
  kind: 'stretch';
  lengthM: number;
  velocityFactor: number;
  impedanceOhms: number;
  /** Resistance of centre and shield together that is the same at every frequency. */
  ohmsPerM?: number;
  /** Loss that grows with the root of the frequency (skin effect), dB per 100 m at 1 MHz. */
  skinDbPer100m?: number;
}

/** What the last stretch ends in. */
export type End = { kind: 'open' } | { kind: 'short' } | { kind: 'load'; ohms: number };

/** Something on the line between two stretches. */
export type Fault =
  | { kind: 'series'; ohms: number }
  | { kind: 'shunt'; ohms: number }
  /** A branch: a piece of cable hanging on the line, with its own end. */
  | { kind: 'tap'; stub: Stretch; end: End };

/** A line from the instrument outwards. */
export interface Line {
  elements: readonly (Stretch | Fault)[];
  end: End;
}

/** A pulse that rises, stays and falls in straight lines; its width is taken at half its height. */
export interface Pulse {
  centreNs: number;
  widthNs: number;
  edgeNs: number;
  volts: number;
}

/** Volts read at so many evenly spaced moments. */
export interface Trace {
  stepNs: number;
  volts: Float64Array;
}

export function pulseAt({ centreNs, widthNs, edgeNs, volts }: Pulse, timeNs: number): number {
  const fromMiddle = Math.abs(timeNs - centreNs);
  const half = widthNs / 2;
  return volts * Math.min(1, Math.max(0, (half + edgeNs / 2 - fromMiddle) / edgeNs));
}
