/** The units Neotrope computes in. A person may type others; `parseQuantity` turns them into these. */
export type Unit =
  | 'm'
  | 'Ω'
  | 'Ω/km'
  | 'MΩ'
  | 'V'
  | 'A'
  | 'W'
  | 'VA'
  | 'dB'
  | 'dBm'
  | 'MHz'
  | 'Mb/s'
  | 'MP'
  | '°'
  | '°C'
  | 'mm²'
  | 'h'
  | 'min'
  | 's'
  | 'px/m'
  | 'd'
  | 'money'
  | '%'
  | '';

/** Digits after the point that a reading in this unit deserves on screen and on paper. */
const decimals: Record<Unit, number> = {
  m: 0,
  Ω: 1,
  'Ω/km': 1,
  MΩ: 1,
  V: 1,
  A: 2,
  W: 1,
  VA: 0,
  dB: 1,
  dBm: 0,
  MHz: 0,
  'Mb/s': 0,
  MP: 0,
  '°': 0,
  '°C': 0,
  'mm²': 2,
  h: 1,
  min: 0,
  s: 1,
  'px/m': 0,
  d: 0,
  money: 0,
  '%': 0,
  '': 0,
};

/**
 * The digits of a figure, grouped by thin spaces in thousands, without its unit.
 * `null` (a figure with no limit) reads "no limit".
 */
export function formatFigure(value: number | null, unit: Unit, digits = decimals[unit]): string {
  if (value === null) return 'no limit';
  const fixed = Math.abs(value).toFixed(digits);
  const [whole = '0', fraction] = fixed.split('.');
  const grouped = whole.length > 4 || unit === 'money' ? whole.replace(/\B(?=(\d{3})+$)/g, '\u202f') : whole;
  const sign = value < 0 && Number(fixed) !== 0 ? '−' : '';
  return sign + grouped + (fraction ? `.${fraction}` : '');
}

/** A figure with its unit, as it stands in a sentence: `12.4 V`. */
export function formatQuantity(value: number | null, unit: Unit, digits?: number): string {
  const figure = formatFigure(value, unit, digits);
  return value === null || unit === '' || unit === 'money' ? figure : `${figure} ${unit}`;
}

/** A limit with its unit: with one digit more than a reading deserves where those would round it, so that nobody meets the limit as it reads and not as it is. */
export function formatLimit(value: number, unit: Unit): string {
  const digits = decimals[unit];
  const isRound = Math.abs(Number(value.toFixed(digits)) - value) < 1e-9;
  return formatQuantity(value, unit, isRound ? digits : digits + 1);
}
