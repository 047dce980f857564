import type { LengthMark } from './marks';
import { saidBy, type PrintMaterial, type Said } from './read';

export interface PrintedCoax {
  type?: string;
  centreAwg?: number;
  material?: PrintMaterial;
  braidPercent?: number;
}
export interface PrintedPower {
  cores?: number;
  awg?: number;
  areaMm2?: number;
  material?: PrintMaterial;
}
export interface PrintedPairs {
  category?: string;
  awg?: number;
  pairs?: number;
  material?: PrintMaterial;
  screened?: true;
}

/** What a jacket tells of its cable. A field that the print does not tell is absent; what was not understood is handed back. */
export interface JacketPrint {
  coax?: PrintedCoax;
  power?: PrintedPower;
  pairs?: PrintedPairs;
  fireRating?: string;
  lengthMark?: LengthMark;
  unread: string[];
}

type Part = 'coax' | 'power' | 'pairs';
/** A gauge, area or material that stands before the part it belongs to. */
type Waiting = Extract<Said, { kind: 'gauge' | 'area' | 'material' }>;

interface Reading {
  print: JacketPrint;
  part: Part | undefined;
  waiting: Waiting[];
  /** A screen may be printed before what it lies around. */
  isScreened: boolean;
}

/** Puts a gauge, area or material on a part, if the part has none yet. */
function settle(print: JacketPrint, part: Part, said: Waiting): boolean {
  const target: { centreAwg?: number; awg?: number; areaMm2?: number; material?: PrintMaterial } = (print[
    part
  ] ??= {});
  switch (said.kind) {
    case 'material':
      if (target.material) return target.material === said.material;
      target.material = said.material;
      return true;
    case 'area':
      if (part !== 'power' || target.areaMm2 !== undefined) return false;
      target.areaMm2 = said.areaMm2;
      return true;
    case 'gauge': {
      const field = part === 'coax' ? 'centreAwg' : 'awg';
      if (target[field] !== undefined) return false;
      target[field] = said.awg;
      return true;
    }
  }
}

/** Turns to a part, and gives it what stood before it. */
function turnTo(reading: Reading, part: Part): void {
  reading.part = part;
  reading.print[part] ??= {};
  reading.waiting = reading.waiting.filter((said) => !settle(reading.print, part, said));
}

const unread = ({ print }: Reading, text: string): void => void print.unread.push(text);

function takeCores(reading: Reading, said: Extract<Said, { kind: 'cores' }>): void {
  const { count, awg, areaMm2 } = said;
  const { print } = reading;
  const text = `${count}C${awg ?? ''}`;
  if (count === 1) {
    turnTo(reading, 'coax');
    if (awg !== undefined && !settle(print, 'coax', { kind: 'gauge', awg, text })) unread(reading, text);
    return;
  }
  if (print.power?.cores !== undefined) return unread(reading, text);
  print.power = { ...print.power, cores: count };
  // Its own gauge comes before one that was waiting from further off.
  if (awg !== undefined && !settle(print, 'power', { kind: 'gauge', awg, text })) unread(reading, text);
  if (areaMm2 !== undefined) print.power.areaMm2 = areaMm2;
  turnTo(reading, 'power');
}

function takePairs(reading: Reading, { count, awg }: Extract<Said, { kind: 'pairs' }>): void {
  const { print } = reading;
  if (print.pairs?.pairs !== undefined) return unread(reading, `${count} PAIR`);
  print.pairs = { ...print.pairs, pairs: count };
  if (awg !== undefined && !settle(print, 'pairs', { kind: 'gauge', awg, text: `${awg}AWG` }))
    unread(reading, `${awg}AWG`);
  turnTo(reading, 'pairs');
}

function take(reading: Reading, said: Said): void {
  const { print } = reading;
  switch (said.kind) {
    case 'coax-type':
      if (print.coax?.type !== undefined && print.coax.type !== said.type) return unread(reading, said.type);
      turnTo(reading, 'coax');
      print.coax!.type = said.type;
      return;
    case 'category':
      if (print.pairs?.category !== undefined && print.pairs.category !== said.category)
        return unread(reading, said.category);
      turnTo(reading, 'pairs');
      print.pairs!.category = said.category;
      return;
    case 'cores':
      return takeCores(reading, said);
    case 'pairs':
      return takePairs(reading, said);
    case 'gauge':
    case 'area':
    case 'material': {
      if (reading.part && settle(print, reading.part, said)) return;
      reading.waiting.push(said);
      // A second gauge after a part has its own stands before the next part.
      if (said.kind !== 'material') reading.part = undefined;
      return;
    }
    case 'braid':
      if (print.coax?.braidPercent !== undefined) return unread(reading, said.text);
      print.coax = { ...print.coax, braidPercent: said.percent };
      return;
    case 'fire':
      // A cable often carries several; the first names it, the others are equivalents in other codes.
      print.fireRating ??= said.rating;
      return;
    case 'mark':
      if (print.lengthMark) return unread(reading, said.text);
      print.lengthMark = said.mark;
      return;
    case 'apart':
      reading.part = undefined;
      return;
    case 'unread':
      return unread(reading, said.text);
    case 'screen':
      reading.isScreened = true;
      return;
    case 'nothing':
      return;
  }
}

/**
 * Reads the text on a cable's jacket. Gauges and materials go to the part they stand behind, or to the next one where
 * that one has its own already or a plus sign stands between. What could belong to two parts, or to none, is handed back.
 */
export function readJacketPrint(text: string): JacketPrint {
  const reading: Reading = {
    print: { unread: [] },
    part: undefined,
    waiting: [],
    isScreened: false,
  };
  for (const said of saidBy(text)) take(reading, said);
  const { print, waiting } = reading;
  const parts = (['coax', 'power', 'pairs'] as const).filter((part) => print[part]);
  for (const said of waiting) {
    const takers = parts.filter((part) =>
      said.kind === 'material'
        ? print[part]!.material === undefined
        : said.kind === 'gauge' &&
          (part === 'coax' ? print.coax!.centreAwg === undefined : print[part]!.awg === undefined),
    );
    if (takers.length !== 1 || !settle(print, takers[0]!, said)) unread(reading, said.text);
  }
  if (print.pairs && reading.isScreened) print.pairs.screened = true;
  return print;
}
