/**
 * Amps that a copper conductor of a cable carries for good: I = 9.8 A · (A/mm²)^0.62. Fitted from below to IEC 60204-1:2016,
 * table 6, installation B2 (8.5, 10.1, 13.1 and 17.4 A for 0.75, 1, 1.5 and 2.5 mm²) and continued to thinner cores.
 */
export const ampacityA = (areaMm2: number): number => 9.8 * areaMm2 ** 0.62;

/** Most that a source may give to count as a limited-power source, in volt-amperes. Source: IEC 62368-1, annex Q; NEC class 2. */
export const limitedPowerVa = 100;
