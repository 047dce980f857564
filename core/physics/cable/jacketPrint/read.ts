import type { LengthMark } from './marks';
import { fireRatings, materialSpellings, mended, screens, tellsNothing } from './words';

export type PrintMaterial = 'copper' | 'cca' | 'ccs';

/** One thing that a print says, in the order it stands there. */
export type Said =
  | { kind: 'coax-type'; type: string }
  | { kind: 'category'; category: string }
  | { kind: 'cores'; count: number; awg?: number; areaMm2?: number }
  | { kind: 'pairs'; count: number; awg?: number }
  | { kind: 'gauge'; awg: number; text: string }
  | { kind: 'area'; areaMm2: number; text: string }
  | { kind: 'material'; material: PrintMaterial; text: string }
  | { kind: 'braid'; percent: number; text: string }
  | { kind: 'fire'; rating: string }
  | { kind: 'mark'; mark: LengthMark; text: string }
  | { kind: 'screen' }
  | { kind: 'apart' }
  | { kind: 'nothing' }
  | { kind: 'unread'; text: string };

const coaxTypes = new Set(['6', '7', '8', '11', '58', '59', '62', '174', '179', '213']);
const gauges = { least: 8, most: 30 };

/** Figures as they are misread off a dirty jacket: O and Q for 0, I and L for 1, S for 5. */
const figure = (text: string): number =>
  Number(text.replace(/[OQ]/g, '0').replace(/[IL|]/g, '1').replace(/S/g, '5'));
const isGauge = (awg: number): boolean => Number.isInteger(awg) && awg >= gauges.least && awg <= gauges.most;

const D = '[0-9OQIL]';
const gauge = '(?:AWG|AGW|AWC|AVG|AW6|GAUGE|GA)';
const core = '(?:C(?:ORES?|ON(?:D(?:UCTORS?)?)?)?)';
const pair = '(?:PRS?|PAIRS?|P|UTP|TP)';

const cores = (count: number, awg?: number): Said | undefined =>
  count >= 1 && count <= 12 && (awg === undefined || isGauge(awg))
    ? { kind: 'cores', count, ...(awg === undefined ? {} : { awg }) }
    : undefined;
const pairs = (count: number, awg?: number): Said | undefined =>
  count >= 1 && count <= 100 && (awg === undefined || isGauge(awg))
    ? { kind: 'pairs', count, ...(awg === undefined ? {} : { awg }) }
    : undefined;
const metreUnits = /^M/;

/** Every shape that is understood, tried in this order at each place of the print; the first that makes sense is taken. */
const shapes: readonly (readonly [RegExp, (match: RegExpExecArray) => Said | undefined])[] = [
  [/^(?:\+|&|\bWITH\b|\bW\/(?!O)|\bAND\b|\bPLUS\b|;|\|)/, () => ({ kind: 'apart' })],
  [
    /^R[ .]?[GC6][ ._/-]*(\d{1,3}|[S5][9GQ]|[1IL][1IL])(?: ?[AB](?![A-Z]))?(?: ?\/? ?U(?![A-Z]))?(?![0-9])(?: TYPE)?/,
    ([, type = '']) => {
      const number =
        type === 'S9' || type === '5G' || type === '5Q' || type === 'SG' || type === 'SQ'
          ? '59'
          : /^[1IL][1IL]$/.test(type)
            ? '11'
            : type;
      return coaxTypes.has(number) ? { kind: 'coax-type', type: `RG-${number}` } : undefined;
    },
  ],
  // 3C-2V, 5C-FB, 5D-2V: the figure is the dielectric's millimetres, C is 75 and D 50 ohms. No number of cores.
  [
    /^(\d{1,2}(?:\.\d)?) ?([CD])[ -]?(\dV|\dW|FBT?|HFV?|FV)(?![0-9A-Z])/,
    ([, size = '', ohms = '', build = '']) => ({ kind: 'coax-type', type: `${size}${ohms}-${build}` }),
  ],
  [
    /^CAT(?:EGORY|\.)?[ ._-]*([3567S])[ -]?([AE])?(?![0-9A-Z])/,
    ([, digit = '', letter = '']) => ({
      kind: 'category',
      category: `Cat${figure(digit)}${letter.toLowerCase()}`,
    }),
  ],
  // 18AWG/2C, 18 AWG 2C, 18/2, 18-2
  [
    new RegExp(`^(${D}{2}) ?${gauge}[ ,/xX-]*(?:[(] ?)?(\\d{1,2}) ?${core}\\b`),
    ([, awg = '', count = '']) => cores(Number(count), figure(awg)),
  ],
  [
    new RegExp(`^(${D}{2}) ?${gauge}[ ,/X-]*(\\d{1,3}) ?${pair}\\b`),
    ([, awg = '', count = '']) => pairs(Number(count), figure(awg)),
  ],
  [
    /^(\d{2}) ?[/-] ?(\d{1,2}) ?(C|CORES?|COND)?(?![0-9A-Z%/.])/,
    ([, awg = '', count = '']) => (Number(count) <= 8 ? cores(Number(count), Number(awg)) : undefined),
  ],
  [
    new RegExp(`^(\\d{2}) ?[/-] ?(\\d{1,2}) ?${pair}\\b`),
    ([, awg = '', count = '']) => pairs(Number(count), Number(awg)),
  ],
  // 4X2X24AWG, 4PR24, 4 PAIR 24 AWG
  [
    new RegExp(`^(\\d{1,2}) ?X ?2 ?X ?(?:AWG ?)?(${D}{2})(?: ?${gauge})?(?!\\d)`),
    ([, count = '', awg = '']) => pairs(Number(count), figure(awg)),
  ],
  [
    new RegExp(`^(\\d{1,3}) ?-?${pair}[ ,/X-]*(?:AWG ?)?(${D}{2})(?: ?${gauge})?(?![0-9.%])`),
    ([, count = '', awg = '']) => pairs(Number(count), figure(awg)),
  ],
  [new RegExp(`^(\\d{1,3}) ?-?${pair}\\b`), ([, count = '']) => pairs(Number(count))],
  // 2X0.5MM2, 2C0.75 SQMM
  [
    new RegExp(`^(\\d{1,2}) ?(?:X|${core}) ?[X/]? ?(\\d?[.,]?\\d{1,2}) ?(?:MM ?(?:2|²|SQ)|SQ\\.? ?MM)`),
    ([, count = '', area = '']) => ({
      kind: 'cores',
      count: Number(count),
      areaMm2: Number(area.replace(',', '.')),
    }),
  ],
  [
    /^(\d?[.,]?\d{1,2}) ?(?:MM ?(?:2|²|SQ)|SQ\.? ?MM)/,
    ([text = '', area = '']) => ({ kind: 'area', areaMm2: Number(area.replace(',', '.')), text }),
  ],
  // 2C18, 2C/18AWG, 2X18AWG, (2) 18 AWG, 2/18AWG
  [
    new RegExp(`^[(]? ?(\\d{1,2}) ?${core}[ ,/X#-]*(?:AWG ?)?(${D}{2})(?: ?${gauge})?(?![0-9.%A-Z])`),
    ([, count = '', awg = '']) => cores(Number(count), figure(awg)),
  ],
  [
    new RegExp(`^[(]? ?(\\d{1,2}) ?[)X/] ?(${D}{2}) ?${gauge}\\b`),
    ([, count = '', awg = '']) => cores(Number(count), figure(awg)),
  ],
  [/^(\d{1,2}) ?X ?(\d{2})(?![0-9.%A-Z])/, ([, count = '', awg = '']) => cores(Number(count), Number(awg))],
  [new RegExp(`^(\\d{1,2}) ?-?${core}\\b(?! ?[AS]\\b)`), ([, count = '']) => cores(Number(count))],
  [/^COPPER-?WELD\b/, () => undefined],
  ...materialSpellings.map(([spelling, material]): readonly [RegExp, (match: RegExpExecArray) => Said] => [
    new RegExp(`${spelling.source}(?! ?BRAID)`),
    ([text = '']) => ({ kind: 'material', material, text }),
  ]),
  [
    /^(\d{2,3}) ?(?:%|PCT|PERCENT)(?: ?(?:BC|TC|CU|AL|ALUM|ALUMINUM|ALUMINIUM|COPPER|BARE COPPER|TINNED COPPER|CCA))?(?: ?(?:BRAID(?:ED)?|COVERAGE|COVER|SHIELD(?:ED)?|SHLD|BRD))+/,
    ([text = '', percent = '']) => braid(Number(percent), text),
  ],
  [
    /^BRAID(?:ED)?(?: COVER(?:AGE)?| SHIELD)? ?:? ?(\d{2,3}) ?(?:%|PCT|PERCENT)/,
    ([text = '', percent = '']) => braid(Number(percent), text),
  ],
  [/^(\d{2,3}) ?%(?! ?FOIL)/, ([text = '', percent = '']) => braid(Number(percent), text)],
  ...fireRatings.map(([spelling, rating]): readonly [RegExp, (match: RegExpExecArray) => Said] => [
    spelling,
    ([text = '']) => ({ kind: 'fire', rating: rating(text) }),
  ]),
  [screens, () => ({ kind: 'screen' })],
  ...tellsNothing.map((spelling): readonly [RegExp, () => Said] => [spelling, () => ({ kind: 'nothing' })]),
  [
    new RegExp(`^[#]?(${D}{2}) ?${gauge}\\b`),
    ([text = '', awg = '']) => (isGauge(figure(awg)) ? { kind: 'gauge', awg: figure(awg), text } : undefined),
  ],
  [
    new RegExp(`^AWG ?(${D}{2})(?!\\d)`),
    ([text = '', awg = '']) => (isGauge(figure(awg)) ? { kind: 'gauge', awg: figure(awg), text } : undefined),
  ],
  [
    /^(?=[OQ]{0,6}[0-9])([0-9OQ]{1,7}) ?(FEET|FOOT|FT|F|METERS?|METRES?|MTRS?|MTS?|M)\b\.?/,
    ([text = '', value = '', unit = '']) => mark(value, unit, text),
  ],
  [
    /^(FEET|FT|METERS?|METRES?|MTRS?|M)[ .:]+([0-9OQ]{2,7})(?![0-9A-Z])/,
    ([text = '', unit = '', value = '']) => mark(value, unit, text),
  ],
];

function braid(percent: number, text: string): Said | undefined {
  return percent >= 20 && percent <= 100 ? { kind: 'braid', percent, text } : undefined;
}

function mark(value: string, unit: string, text: string): Said {
  return { kind: 'mark', mark: { value: figure(value), unit: metreUnits.test(unit) ? 'm' : 'ft' }, text };
}

/** Capitals, plain dashes and single spaces, with slips in long words mended. */
function tidied(print: string): string {
  return print
    .normalize('NFKC')
    .toUpperCase()
    .replace(/[‐-―−]/g, '-')
    .replace(/[“”"']/g, ' ')
    .replace(/×/g, 'X')
    .replace(/[_*~<>\s]+/g, ' ')
    .trim()
    .replace(/[A-Z]{4,}/g, mended);
}

/** Reads a print from left to right into what it says; words that no shape fits come back as unread. */
export function saidBy(print: string): Said[] {
  let rest = tidied(print);
  const said: Said[] = [];
  while (rest !== '') {
    const gap = /^[ ,.:/()-]+/.exec(rest)?.[0];
    if (gap !== undefined && !/^\( ?\d/.test(rest)) {
      rest = rest.slice(gap.length);
      continue;
    }
    const read = firstShape(rest);
    if (read) {
      said.push(read.said);
      rest = rest.slice(read.length);
    } else {
      const word = /^\S+/.exec(rest)?.[0] ?? rest;
      said.push({ kind: 'unread', text: word.replace(/[,;:]+$/, '') });
      rest = rest.slice(word.length);
    }
  }
  return said;
}

function firstShape(text: string): { said: Said; length: number } | undefined {
  for (const [shape, make] of shapes) {
    const match = shape.exec(text);
    const said = match && make(match);
    if (match && said && match[0].length > 0) return { said, length: match[0].length };
  }
  return undefined;
}
