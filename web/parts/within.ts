import { limitsOf, type Kind } from '#core/model/site';
import { quantityFor, type Unit } from '#core/shared/units';

/** Why a figure is not taken; `undefined` where it is. */
export type Refusal = (value: number) => string | undefined;

/** For figures that are no fact of a site and so have no schema. */
export const within =
  (least: number, most: number, unit: Unit = ''): Refusal =>
  (value) =>
    value >= least && value <= most
      ? undefined
      : `Enter from ${quantityFor(least, unit, { length: 'm' })} to ${quantityFor(most, unit, { length: 'm' })}.`;

const upTo =
  (most: number, unit: Unit): Refusal =>
  (value) =>
    value > 0 && value <= most
      ? undefined
      : `Enter more than 0, at most ${quantityFor(most, unit, { length: 'm' })}.`;

export const whole =
  (least: number, most: number): Refusal =>
  (value) =>
    Number.isInteger(value) && value >= least && value <= most
      ? undefined
      : `Enter a whole number from ${least} to ${most}.`;

/** What a figure of a fact may be, by its schema; the path is that of `limitsOf`. */
export function fitting(kind: Kind, path: string, unit: Unit = ''): Refusal {
  const { least, most, takesLeast, isWhole } = limitsOf(kind, path);
  if (isWhole) return whole(least, most);
  return takesLeast ? within(least, most, unit) : upTo(most, unit);
}
