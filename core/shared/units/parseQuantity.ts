import type { Unit } from './unit';

/** What can be typed into a field, by the unit the field is stored in. The factor leads to the stored unit. */
const spellings: Partial<Record<Unit, Record<string, number>>> = {
  m: {
    m: 1,
    metre: 1,
    metres: 1,
    meter: 1,
    meters: 1,
    cm: 0.01,
    km: 1000,
    ft: 0.3048,
    foot: 0.3048,
    feet: 0.3048,
    "'": 0.3048,
    '′': 0.3048,
    in: 0.0254,
    '"': 0.0254,
    '″': 0.0254,
    yd: 0.9144,
  },
  Ω: { Ω: 1, ohm: 1, ohms: 1, r: 1, kΩ: 1000, kohm: 1000, k: 1000, mΩ: 0.001 },
  MΩ: { MΩ: 1, megohm: 1, megohms: 1, Mohm: 1, M: 1, kΩ: 0.001, kohm: 0.001, GΩ: 1000, Gohm: 1000, Ω: 1e-6 },
  V: { v: 1, volt: 1, volts: 1, mv: 0.001, vdc: 1, vac: 1 },
  A: { a: 1, amp: 1, amps: 1, ma: 0.001 },
  W: { w: 1, watt: 1, watts: 1, mw: 0.001 },
  VA: { va: 1, kva: 1000 },
  '°': { '°': 1, deg: 1, degrees: 1 },
  '°C': { '°c': 1, c: 1, degc: 1 },
  dB: { db: 1 },
  'Mb/s': { 'mb/s': 1, mbps: 1, 'mbit/s': 1 },
  MP: { mp: 1, megapixels: 1 },
  h: { h: 1, hour: 1, hours: 1, min: 1 / 60 },
  min: { min: 1, minute: 1, minutes: 1, h: 60, hour: 60, hours: 60 },
  s: { s: 1, second: 1, seconds: 1, ms: 0.001, min: 60 },
  'px/m': { 'px/m': 1, px: 1, ppm: 1 },
  '%': { '%': 1, percent: 1 },
  d: { d: 1, day: 1, days: 1, week: 7, weeks: 7 },
};

export type ParsedQuantity = { kind: 'read'; value: number } | { kind: 'refused'; why: string };

const number = String.raw`[+\-−]?(?:\d+(?:\.\d*)?|\.\d+)`;
const quantity = new RegExp(`^(${number})\\s*([^\\s\\d.]\\S*)?$`);
const feetAndInches = new RegExp(
  `^(\\d+)\\s*(?:ft|feet|['′])\\s*-?\\s*(\\d+(?:\\.\\d+)?)\\s*(?:in|["″])$`,
  'i',
);

/** Upper and lower case tell mega from milli, so they count only where both stand in the list. */
function factorOf(spelt: string, unit: Unit): number | undefined {
  const known = spellings[unit] ?? {};
  const ohmSign = spelt.replace('\u2126', 'Ω');
  return known[ohmSign] ?? known[ohmSign.toLowerCase()];
}

/** What a figure in a unit could look like, for whoever typed something else. */
const exampleOf = (unit: Unit): string =>
  unit === 'm'
    ? `Enter a length, e.g. 40, 40 ft, 40' 6"`
    : `Enter a number, e.g. 12.4${unit ? ` or 12.4 ${unit}` : ''}`;

/**
 * Reads what a person typed as a figure in `unit`. The unit may be left out, or be another
 * of the same dimension: `12.4`, `12.4 V`, `40ft`, `40' 6"`, `12,4`.
 * @returns the value in `unit`, or why it could not be read, in words for the field's own line.
 */
export function parseQuantity(typed: string, unit: Unit): ParsedQuantity {
  const text = typed.trim().replace('−', '-');
  const refuse = (why: string): ParsedQuantity => ({ kind: 'refused', why });
  if (text === '') return refuse('nothing typed');
  if (text.includes('/') && !/b(it)?\/s$/i.test(text))
    return refuse(`write a fraction as a decimal, e.g. 0.375 instead of 3/8`);
  if (unit === 'm') {
    const both = feetAndInches.exec(text);
    if (both) return { kind: 'read', value: Number(both[1]) * 0.3048 + Number(both[2]) * 0.0254 };
  }
  // Nobody writes feet with a decimal comma.
  const feet = /^(\d{1,3}(?:,\d{3})+)\s*(?:ft|feet|['′])$/i.exec(text);
  if (unit === 'm' && feet) return { kind: 'read', value: Number(feet[1]!.replaceAll(',', '')) * 0.3048 };
  if (/^\D*\d{1,3}(,\d{3})+(\D|$)/.test(text))
    return refuse('a comma before three digits can mean two things; write 1250 or 1.25');
  const parts = quantity.exec(text.replace(/^([+-]?\d+),(\d{1,2})(?!\d)/, '$1.$2'));
  if (!parts) return refuse(exampleOf(unit));
  const value = Number(parts[1]);
  const spelt = parts[2] ?? '';
  if (spelt === '') return { kind: 'read', value };
  const factor = factorOf(spelt, unit);
  if (factor === undefined)
    return refuse(`“${spelt}” is not a unit for this; write ${unit || 'a plain number'}`);
  return { kind: 'read', value: value * factor };
}
