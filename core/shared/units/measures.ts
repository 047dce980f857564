import { parseQuantity, type ParsedQuantity } from './parseQuantity';
import { formatFigure, formatQuantity, type Unit } from './unit';

/** How one person likes figures shown. What is stored never depends on it. */
export interface Measures {
  length: 'm' | 'ft';
  gauge: 'awg' | 'mm2';
}

export const metresPerFoot = 0.3048;

/** Metres in the person's unit of length. */
export function inLength(metres: number, { length }: Pick<Measures, 'length'>): number {
  return length === 'ft' ? metres / metresPerFoot : metres;
}

/** What the unit is called when it is shown; only lengths change, and money has the site's currency beside it. */
export function shownUnit(unit: Unit, { length }: Pick<Measures, 'length'>): string {
  if (unit === 'money') return '';
  return unit === 'm' ? length : unit;
}

/** A figure with its unit, lengths in the person's own; to so many digits after the point, where the usual ones will not do. */
export function quantityFor(
  value: number | null,
  unit: Unit,
  measures: Pick<Measures, 'length'>,
  digits?: number,
): string {
  return unit === 'm' && value !== null && measures.length === 'ft'
    ? `${formatFigure(inLength(value, measures), 'm', digits)} ft`
    : formatQuantity(value, unit, digits);
}

/** From so much on a metre that something may be off needs no tenths. */
const wholeFromM = 3;

/** A place and how far off it may be; what is small is told to the tenth. */
export const placeFor = (atM: number, spreadM: number, measures: Pick<Measures, 'length'>): string =>
  `${quantityFor(atM, 'm', measures)} ± ${quantityFor(spreadM, 'm', measures, spreadM < wholeFromM ? 1 : 0)}`;

/** A figure as it stands in a field to be edited: at most `digits` after the point, none that are zero. */
export function fieldText(value: number, unit: Unit, measures: Pick<Measures, 'length'>, digits = 2): string {
  const shown = unit === 'm' ? inLength(value, measures) : value;
  return String(Number(shown.toFixed(digits)));
}

/**
 * Reads what was typed into a field that shows `stored`. A bare number is in the person's own unit. Text that still
 * says what the field showed means the stored figure itself, so that going through a field changes nothing, however
 * often the unit is switched in between.
 */
export function fieldFigure(
  typed: string,
  unit: Unit,
  stored: number | null,
  measures: Pick<Measures, 'length'>,
  digits?: number,
): ParsedQuantity {
  if (stored !== null && typed.trim() === fieldText(stored, unit, measures, digits))
    return { kind: 'read', value: stored };
  const isBare = /^[+\-−]?[\d.,]+$/.test(typed.trim());
  return parseQuantity(
    unit === 'm' && measures.length === 'ft' && isBare ? `${typed.trim()} ft` : typed,
    unit,
  );
}
