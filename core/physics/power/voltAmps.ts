/**
 * Power factor of a camera's rectifier on AC: its current comes in peaks, so more of it flows than the watts tell. Typical of a
 * bridge with a capacitor and no correction.
 */
export const rectifierPowerFactor = 0.65;

/** Volt-amperes that a load of so many watts takes of its feed; on DC they are the same. */
export const voltAmpsOf = (watts: number, current: 'dc' | 'ac'): number =>
  current === 'ac' ? watts / rectifierPowerFactor : watts;

/** Watts that so many volt-amperes are to a load. */
export const wattsOf = (voltAmps: number, current: 'dc' | 'ac'): number =>
  current === 'ac' ? voltAmps * rectifierPowerFactor : voltAmps;
