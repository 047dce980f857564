import { coaxCables, coaxLoopOhms, signalCable, type CoaxCable } from '#core/cable';
import type { Reading, Run, Segment } from '#core/site';
import { formatQuantity } from '#core/units';
import { figure, type Figure, type Limit, type Step } from '#core/working';
import { expectedPowerOhms, lengthFigure } from './loops';
import { testDefinition } from './tests';
import type { Verdict } from './verdict';

/** How far a sound cable may lie from its table, and a good meter from the truth. Policy and meter data. */
const constructionShare = 0.03;
const meterShare = 0.005;
const meterOhms = 0.1;

/** Spread of an expected loop: length, construction and meter, as independent errors. One standard deviation. */
function spreadOhms(expectedOhms: number, lengthVariance: number): number {
  return Math.sqrt(lengthVariance + (constructionShare * expectedOhms) ** 2 + (meterShare * expectedOhms + meterOhms) ** 2);
}

/** Spreads from which a reading is doubtful, and from which it is not the cable as noted any more. Policy. */
const doubtfulFrom = 2;
const wrongFrom = 4;

interface Expected { ohms: number; spread: number }

/** Expected coax loop with its spread, in one walk along the segments. */
function expectedCoax(segments: readonly Segment[], atC: number | undefined): Expected {
  let ohms = 0;
  let lengthVariance = 0;
  for (const segment of segments) {
    const cable = signalCable(segment.cable);
    if (cable.kind !== 'coax') continue;
    const own = coaxLoopOhms(cable, segment.lengthM, atC ?? segment.temperatureC);
    ohms += own;
    lengthVariance += ((own / segment.lengthM) * segment.spreadM) ** 2;
  }
  return { ohms, spread: spreadOhms(ohms, lengthVariance) };
}

/** Coax constructions which, in the longest segment instead of the one noted, would explain the reading. */
export function constructionsThatFit(run: Run, reading: Reading): CoaxCable[] {
  const longest = run.segments.reduce((a, b) => (b.lengthM > a.lengthM ? b : a));
  const noted = signalCable(longest.cable);
  const family = (id: string) => id.split('-')[1];
  return coaxCables
    .filter((cable) => cable.id !== longest.cable && noted.kind === 'coax' && family(cable.id) === family(longest.cable))
    .filter((cable) => {
      const segments = run.segments.map((segment) => (segment === longest ? { ...segment, cable: cable.id } : segment));
      const expected = expectedCoax(segments, reading.temperatureC);
      return Math.abs(reading.value - expected.ohms) <= doubtfulFrom * expected.spread;
    });
}

interface Compared { expected: Figure; spread: number; limit: () => Limit; step: () => Step }

function compare(run: Run, expectedOhms: number, spread: number, formula: 'coax-loop' | 'power-loop'): Compared {
  const expected = figure('expected', expectedOhms, 'Ω', 'typical');
  return {
    expected, spread,
    limit: () => ({ sense: 'at-most', figure: figure('expected and four spreads', expectedOhms + wrongFrom * spread, 'Ω', 'computed') }),
    step: () => ({ says: 'Expected of the construction as noted', formula, inputs: [lengthFigure(run)], result: expected }),
  };
}

/** State of a reading that lies `deviations` spreads from what was expected; too low is odd, not a fault. */
function judged(deviations: number): Verdict['state'] {
  if (deviations > wrongFrom) return 'fails';
  return Math.abs(deviations) > doubtfulFrom ? 'close' : 'holds';
}

/** What a reading means: a few words for the table, and the whole of it for the working. */
interface Explained { says: string; conclusion: string }

const within = (deviations: number): Explained =>
  deviations < -doubtfulFrom
    ? { says: 'less than noted', conclusion: 'Less than the construction as noted can have: the run is shorter, or the cable heavier.' }
    : { says: 'as noted', conclusion: 'What the construction as noted promises at this length and temperature.' };

function loopVerdict(id: 'coax-loop-ohms' | 'power-loop-ohms', reading: Reading | undefined, compared: Compared, explain: (excessOhms: number) => Explained): Verdict {
  const { label } = testDefinition(id);
  const { expected, spread, limit, step } = compared;
  const expectedOhms = expected.value ?? 0;
  if (!reading) {
    return { id, label, state: 'untested', share: null, read: null, expected, says: 'not read yet', basis: 'typical', working: () => ({ title: `${label}, expected`, steps: [step()], limit: limit(), conclusion: 'Read it to know what is in the wall.' }) };
  }
  const excessOhms = reading.value - expectedOhms;
  const deviations = excessOhms / spread;
  const { says, conclusion } = deviations > doubtfulFrom ? explain(excessOhms) : within(deviations);
  const read = figure('read', reading.value, 'Ω', 'measured');
  return {
    id, label, read, expected, says, basis: 'measured',
    state: judged(deviations),
    share: Math.abs(deviations) / wrongFrom,
    working: () => ({
      title: `${label}, ${formatQuantity(reading.value, 'Ω')}`,
      steps: [
        step(),
        { says: 'May be off by, one spread', formula: 'loop-spread', inputs: [expected], result: figure('spread', spread, 'Ω', 'computed') },
        { says: 'More than expected', formula: 'against-limit', inputs: [read, expected], result: figure('excess', excessOhms, 'Ω', 'measured') },
      ],
      limit: limit(), conclusion,
    }),
  };
}

/** The coax loop against its construction. Says what else would explain the reading, and which test tells them apart. */
export function coaxLoopVerdict(run: Run, reading: Reading | undefined): Verdict {
  const expected = expectedCoax(run.segments, reading?.temperatureC);
  return loopVerdict('coax-loop-ohms', reading, compare(run, expected.ohms, expected.spread, 'coax-loop'), (excess) => {
    const others = reading ? constructionsThatFit(run, reading) : [];
    const much = formatQuantity(excess, 'Ω');
    return others.length > 0
      ? { says: `${others.every(({ centre }) => centre.material.startsWith('ccs')) ? 'steel core' : 'another cable'}, or a poor joint`, conclusion: `Fits ${others.map(({ label }) => label).join(' or ')}. The cable as noted with ${much} too much in a joint, or longer than noted, fits too. The reflectometer tells them apart.` }
      : { says: `${much} too much`, conclusion: `${much} more than the cable as noted: in a joint, or in a longer cable. The reflectometer tells which.` };
  });
}

/** The power loop against its construction. */
export function powerLoopVerdict(run: Run, reading: Reading | undefined): Verdict {
  const atC = reading?.temperatureC;
  const expectedOhms = expectedPowerOhms(run, atC);
  const lengthM = run.feed.kind === 'separate-pair' ? run.feed.lengthM : run.segments.reduce((sum, segment) => sum + segment.lengthM, 0);
  const spreadM = Math.hypot(...run.segments.map((segment) => segment.spreadM));
  const spread = spreadOhms(expectedOhms, ((expectedOhms / lengthM) * spreadM) ** 2);
  return loopVerdict('power-loop-ohms', reading, compare(run, expectedOhms, spread, 'power-loop'), (excess) => ({
    says: `${formatQuantity(excess, 'Ω')} too much`,
    conclusion: `${formatQuantity(excess, 'Ω')} more than the cores as noted: a poor joint, thinner cores, or copper-clad aluminium.`,
  }));
}

