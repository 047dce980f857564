import { quantityFor, type Measures } from '#core/shared/units';
import type { PaperCell, PaperColumn } from './paper';

/** In whose way figures are written, and on which paper. */
export interface PaperStyle {
  locale: string;
  measures: Pick<Measures, 'length'>;
  pageSize: 'A4' | 'LETTER';
  /** Which sheet labels are on, by its id. */
  labelSheet?: string;
}

const moneyFormats = new Map<string, Intl.NumberFormat>();

/** A sum in a currency as somebody of this locale writes it, in whole units. */
export function moneyText(value: number, currency: string, { locale }: Pick<PaperStyle, 'locale'>): string {
  const key = `${locale} ${currency}`;
  const format =
    moneyFormats.get(key) ??
    new Intl.NumberFormat(locale, { style: 'currency', currency, maximumFractionDigits: 0 });
  moneyFormats.set(key, format);
  return format.format(value);
}

/** A date as somebody of this locale writes it. */
export const dateText = (date: string, { locale }: Pick<PaperStyle, 'locale'>): string =>
  new Intl.DateTimeFormat(locale, { dateStyle: 'long', timeZone: 'UTC' }).format(
    new Date(`${date}T00:00:00Z`),
  );

/** A cell as it is read. */
export function cellText(
  cell: PaperCell,
  { unit }: PaperColumn,
  currency: string,
  style: Pick<PaperStyle, 'locale' | 'measures'>,
): string {
  if (cell === null) return '';
  if (typeof cell === 'string') return cell;
  if (unit === 'money') return moneyText(cell, currency, style);
  return unit === undefined ? String(cell) : quantityFor(cell, unit, style.measures);
}
