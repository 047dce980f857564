import { createRandom } from '#core/shared/random';
import { beliefIn, rates, setOf, shows } from '#core/test/diagnosis';
import { symptoms, type Symptom } from '#core/physics/picture';
import type { TestId, Trouble } from '#core/model/site';
import { drillFormat, type Drill, type DrillLevel } from './drill';
import { lookedAt } from './bestPath';
import { drillSite } from './ground';
import { newPlay, testsAtHand } from './play';
import { drillTests, readIn, seedOf } from './readIn';

/** Troubles that a tester on a coax can bring to light, and so those that drills are drawn with. */
const drawn = [
  'supply',
  'power-construction',
  'power-joint',
  'joint',
  'coax-construction',
  'open',
  'short',
  'tap',
  'water',
  'earth-difference',
  'line-standard',
  'camera',
] as const satisfies readonly Trouble[];
type Drawn = (typeof drawn)[number];

/** Seeds are short, so that one can be read over a telephone. */
const codePattern = /^([1-5])-([A-Z0-9]{3,8})$/;

export const drillCode = (level: DrillLevel, seed: string): string => `${level}-${seed}`;

/** What a code means; `null` where it is none. */
export function readDrillCode(text: string): { level: DrillLevel; seed: string } | null {
  const match = codePattern.exec(text.trim().toUpperCase());
  return match ? { level: Number(match[1]) as DrillLevel, seed: match[2]! } : null;
}

type Random = () => number;
const between = (random: Random, low: number, high: number): number => low + (high - low) * random();
const oneOf = <T>(random: Random, all: readonly T[]): T => all[Math.floor(random() * all.length)]!;

/** How often each is met with, as it is in practice. */
function oneTrouble(random: Random, all: readonly Drawn[]): Drawn {
  const sum = all.reduce((total, trouble) => total + rates[trouble], 0);
  let left = random() * sum;
  for (const trouble of all) {
    left -= rates[trouble];
    if (left <= 0) return trouble;
  }
  return all.at(-1)!;
}

/** Levels differ by how loudly a trouble speaks, whether there may be two or none, and how well the length is known. */
const levels: Record<
  DrillLevel,
  { loud: [number, number]; sound: number; two: number; spreadShare: number }
> = {
  1: { loud: [1.4, 2], sound: 0, two: 0, spreadShare: 0.01 },
  2: { loud: [1, 1.6], sound: 0.08, two: 0, spreadShare: 0.02 },
  3: { loud: [0.8, 1.3], sound: 0.12, two: 0, spreadShare: 0.03 },
  4: { loud: [0.6, 1.1], sound: 0.16, two: 0.15, spreadShare: 0.05 },
  5: { loud: [0.5, 1], sound: 0.16, two: 0.35, spreadShare: 0.07 },
};

/** How a trouble shows on the line; `loud` how plainly. */
function truthOf(
  trouble: Drawn,
  lengthM: number,
  loud: number,
  random: Random,
): Partial<Drill['truth']> & { line: Drill['truth']['line'] } {
  const atM = Math.round(between(random, 0.15, 0.85) * lengthM);
  switch (trouble) {
    case 'supply':
      return { line: { supplyVolts: 13 - 2.4 * loud } };
    case 'power-construction':
    case 'power-joint':
      return { line: { powerExtraOhms: between(random, 5, 9) * loud } };
    case 'joint':
      return { atM, line: { faults: [{ kind: 'series', atM, ohms: between(random, 3, 12) * loud }] } };
    case 'coax-construction':
      return { line: { segments: [{ cable: 'coax-rg59-ccs' }] } };
    case 'open':
      return { atM, line: { faults: [{ kind: 'series', atM, ohms: 5e6 }] } };
    case 'short':
      return { atM, line: { faults: [{ kind: 'shunt', atM, ohms: between(random, 0.2, 2) }] } };
    case 'tap':
      return { atM, line: { faults: [{ kind: 'tap', atM, stubM: Math.round(between(random, 6, 20)) }] } };
    case 'water':
      return {
        atM,
        line: {
          faults: [{ kind: 'shunt', atM, ohms: between(random, 400, 900) / loud }],
          insulationMegohms: 0.5 / loud,
        },
      };
    case 'earth-difference':
      return { line: { shieldEarthVolts: between(random, 3, 6) * loud } };
    case 'line-standard':
    case 'camera':
      return { line: {} };
  }
}

/** What is seen under a trouble, drawn as often as practice sees it. */
function seenUnder(troubles: readonly Drawn[], truth: Drill['truth'], random: Random): Symptom[] {
  const seen = new Set<Symptom>();
  for (const trouble of troubles)
    for (const symptom of symptoms) if (random() < (shows[trouble]?.[symptom] ?? 0)) seen.add(symptom);
  const isStarved = (truth.line.powerExtraOhms ?? 0) > 6 || (truth.line.supplyVolts ?? 13) < 11;
  if (isStarved) seen.add('gone-at-night');
  // A camera without a picture shows nothing else.
  return seen.has('no-picture') ? ['no-picture'] : [...seen];
}

const callWords: Record<Symptom, string> = {
  soft: 'the picture is soft and washed out',
  ghost: 'everything is there twice, fainter to the right',
  bars: 'broad bars stand in the picture or roll through it',
  sparkles: 'there are specks and lines that come and go',
  torn: 'the picture is torn sideways',
  rolling: 'the picture rolls',
  'test-bars-only': 'there is nothing but coloured bars',
  'no-picture': 'there is no picture at all',
  'gone-at-night': 'it goes off when its lamps come on',
};
const callOf = (name: string, sees: readonly Symptom[]): string =>
  sees.length === 0
    ? `The camera at the ${name} seems to work. It is to become an IP camera over the cable that is there: look at the run first.`
    : `At the ${name}, ${sees.map((symptom) => callWords[symptom]).join(', and ')}. Nobody has changed anything, they say.`;

const places = [
  { name: 'Quay rail', environment: 'marine', by: 'ladder' },
  { name: 'Boat yard', environment: 'outdoor', by: 'ladder' },
  { name: 'Hall gallery', environment: 'indoor', by: 'ladder' },
  { name: 'Kiosk', environment: 'indoor', by: 'ground' },
  { name: 'Lane portal', environment: 'outdoor', by: 'lift' },
] as const;

function draw(code: string, level: DrillLevel, random: Random): Drill {
  const { loud, sound, two, spreadShare } = levels[level];
  const lengthM = Math.round(between(random, 60, 220));
  const place = oneOf(random, places);
  const first = random() < sound ? [] : [oneTrouble(random, drawn)];
  const [one] = first;
  const others = one === undefined ? [] : drawn.filter((other) => other !== one && canStandWith(other, one));
  const second = others.length > 0 && random() < two ? [oneTrouble(random, others)] : [];
  const all = [...first, ...second];
  const parts = all.map((trouble) => truthOf(trouble, lengthM, between(random, ...loud), random));
  const faults = parts.flatMap(({ line }) => line.faults ?? []);
  const atM = parts.find((part) => part.atM !== undefined)?.atM;
  const truth: Drill['truth'] = {
    troubles: all,
    ...(atM === undefined ? {} : { atM }),
    line: {
      ...Object.assign({}, ...parts.map(({ line }) => line)),
      ...(faults.length > 0 ? { faults } : {}),
    },
    sees: [],
  };
  const sees = seenUnder(all, truth, random);
  return {
    format: drillFormat,
    version: 1,
    id: code.toLowerCase(),
    title: `Drill ${code}`,
    level,
    call: callOf(place.name.toLowerCase(), sees),
    minutes: 60 + 15 * level,
    toolbox: drillTests.filter((test) => test !== 'wire-map'),
    place,
    line: { cable: 'coax-rg59-cu', lengthM, spreadM: Math.max(1, Math.round(spreadShare * lengthM)) },
    power: 'along-run',
    truth: { ...truth, sees },
    lesson: 'Ask of each reading what it tells apart before you take it.',
  };
}

/** Two of the power, or one beside a conductor that is broken: one would hide the other. */
const power: ReadonlySet<Drawn> = new Set(['supply', 'power-construction', 'power-joint']);
const through: ReadonlySet<Drawn> = new Set(['open', 'short']);
const canStandWith = (one: Drawn, other: Drawn): boolean =>
  !(power.has(one) && power.has(other)) && !through.has(one) && !through.has(other);

/** What is believed of the troubles that are really there, after some readings. */
function chanceOfTruth(drill: Drill, readings: Parameters<typeof lookedAt>[0]['readings']): number {
  const { sets } = beliefIn(lookedAt({ site: drillSite(drill), readings }));
  const wanted = setOf(...drill.truth.troubles);
  return sets.find(({ set }) => set === wanted)?.chance ?? 0;
}

/** The same with every test read that is at hand and wanted. */
function chanceInTheEnd(drill: Drill, isWanted: (test: TestId) => boolean = () => true): number {
  const site = drillSite(drill);
  const all = Object.fromEntries(
    testsAtHand(newPlay(drill))
      .filter(isWanted)
      .flatMap((test) => {
        const reading = readIn(site, drill, test, { time: 0, minute: 0, meterProved: true });
        return reading ? [[test, reading]] : [];
      }),
  );
  return chanceOfTruth(drill, all);
}

/** Surer than this of what is really there somebody has to be able to become. */
const solvable = 0.5;
const mostDraws = 60;

/** What shows on a trace; of anything else it tells nothing that other readings do not. */
const onTrace: ReadonlySet<Trouble> = new Set([
  'joint',
  'coax-construction',
  'open',
  'short',
  'tap',
  'water',
] satisfies Drawn[]);

/** Most can be found out without a trace, which takes longest to make and to read; where not, what shows on one may be with it. */
const canBeSolved = (drill: Drill): boolean =>
  chanceInTheEnd(drill, (test) => test !== 'reflectometer') >= solvable ||
  (drill.truth.troubles.some((trouble) => onTrace.has(trouble)) && chanceInTheEnd(drill) >= solvable);

/** Bits from what is believed before anything is read to what can be known: how far the best path has to go. */
export const bitsNeeded = (drill: Drill): number =>
  Math.max(0, Math.log2(chanceInTheEnd(drill) / Math.max(chanceOfTruth(drill, {}), 1e-6)));

/**
 * The drill of a code: the same wherever it is made. What cannot be found out with what is at hand is drawn anew.
 * @throws where so many draws in a row cannot be solved, which no seed does
 */
export function generateDrill(level: DrillLevel, seed: string): Drill {
  const code = drillCode(level, seed);
  const random = createRandom(seedOf(code));
  for (let k = 0; k < mostDraws; k += 1) {
    const drill = draw(code, level, random);
    if (canBeSolved(drill)) return drill;
  }
  throw new Error(`no drill of code ${code} can be solved`);
}
