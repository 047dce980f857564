import { quantityFor, type Unit } from '#core/shared/units';

/** Why a figure is not taken that lies outside these bounds. */
export const within =
  (least: number, most: number, unit: Unit = '') =>
  (value: number): string | undefined =>
    value >= least && value <= most
      ? undefined
      : `from ${quantityFor(least, unit, { length: 'm' })} to ${quantityFor(most, unit, { length: 'm' })}`;

/** The same for figures that must be more than nothing. */
export const upTo =
  (most: number, unit: Unit = '') =>
  (value: number): string | undefined =>
    value > 0 && value <= most
      ? undefined
      : `more than 0, at most ${quantityFor(most, unit, { length: 'm' })}`;

export const whole =
  (least: number, most: number) =>
  (value: number): string | undefined =>
    Number.isInteger(value) && value >= least && value <= most
      ? undefined
      : `a whole number from ${least} to ${most}`;
