/**
 * Power factor of a camera's rectifier on AC: its current comes in peaks, so more of it flows than the watts tell. Typical of a
 * bridge with a capacitor and no correction.
 */
export const rectifierPowerFactor = 0.65;

/** Volt-amperes that a load of so many watts takes of its feed; on DC they are the same. */
export const voltAmpsOf = (watts: number, current: 'dc' | 'ac'): number =>
  current === 'ac' ? watts / rectifierPowerFactor : watts;

/** Gear of so many watts has to draw its current evenly, to the factor that is usual then. Source: IEC 61000-3-2. */
const evenFromWatts = 75;
const evenPowerFactor = 0.95;

/** Volt-amperes that gear on the mains takes; what is too small for the rule takes its current in peaks, as any rectifier. */
export const mainsVoltAmps = (watts: number): number =>
  watts / (watts < evenFromWatts ? rectifierPowerFactor : evenPowerFactor);

/** Volt-amperes that a supply box takes of the mains: one that gives AC is a transformer, and passes on the peaks of its cameras. */
export const boxVoltAmps = (watts: number, gives: 'dc' | 'ac'): number =>
  gives === 'ac' ? voltAmpsOf(watts, gives) : mainsVoltAmps(watts);

/** Watts that so many volt-amperes are to a load. */
export const wattsOf = (voltAmps: number, current: 'dc' | 'ac'): number =>
  current === 'ac' ? voltAmps * rectifierPowerFactor : voltAmps;
