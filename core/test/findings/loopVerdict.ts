import { coaxLoopOhms, cableOf } from '#core/physics/cable';
import {
  runLengthM,
  type QuantityReading,
  type Run,
  type Segment,
  type TraceReading,
  testDefinition,
} from '#core/model/site';
import { formatQuantity } from '#core/shared/units';
import { figure, type Figure, type Limit, type Step } from '#core/shared/derivation';
import { inferCoaxLoop, inferPowerLoop, spreadOhms, type LoopCause } from './loopInference';
import { expectedPowerOhms, lengthFigure } from './loops';
import { runEvents } from './traceEvents';
import type { Verdict } from './verdict';

/** Spreads from which a reading is doubtful, and from which it is not the cable as noted any more. Policy. */
const doubtfulFrom = 2;
const wrongFrom = 4;

interface Expected {
  ohms: number;
  spread: number;
}

/** Expected coax loop with its spread, in one walk along the segments. */
function expectedCoax(segments: readonly Segment[], atC: number | undefined): Expected {
  let ohms = 0;
  let lengthVariance = 0;
  for (const segment of segments) {
    const cable = cableOf(segment);
    if (cable.kind !== 'coax') continue;
    const own = coaxLoopOhms(cable, segment.lengthM, atC ?? segment.temperatureC);
    ohms += own;
    lengthVariance += ((own / segment.lengthM) * segment.spreadM) ** 2;
  }
  return { ohms, spread: spreadOhms(ohms, lengthVariance) };
}

interface Compared {
  expected: Figure;
  spread: number;
  limit: () => Limit;
  step: () => Step;
}

function compare(
  run: Run,
  expectedOhms: number,
  spread: number,
  formula: 'coax-loop' | 'power-loop',
): Compared {
  const expected = figure('expected', expectedOhms, 'Ω', 'typical');
  return {
    expected,
    spread,
    limit: () => ({
      sense: 'at-most',
      figure: figure('expected and four spreads', expectedOhms + wrongFrom * spread, 'Ω', 'computed'),
    }),
    step: () => ({
      message: 'Expected of the construction as noted',
      formula,
      inputs: [lengthFigure(run)],
      result: expected,
    }),
  };
}

/** State of a reading that lies `deviations` spreads from what was expected; too low is odd, not a fault. */
function judged(deviations: number): Verdict['state'] {
  if (deviations > wrongFrom) return 'fails';
  return Math.abs(deviations) > doubtfulFrom ? 'close' : 'holds';
}

/** What a reading means: a few words for the table, and the whole of it for the working. */
interface Explained {
  message: string;
  conclusion: string;
}

const within = (deviations: number): Explained =>
  deviations < -doubtfulFrom
    ? {
        message: 'less than noted',
        conclusion: 'Less than the construction as noted can have: the run is shorter, or the cable heavier.',
      }
    : {
        message: 'as noted',
        conclusion: 'What the construction as noted promises at this length and temperature.',
      };

function loopVerdict(
  id: 'coax-loop-ohms' | 'power-loop-ohms',
  reading: QuantityReading | undefined,
  compared: Compared,
  explain: (excessOhms: number) => Explained,
): Verdict {
  const { label } = testDefinition(id);
  const { expected, spread, limit, step } = compared;
  const expectedOhms = expected.value ?? 0;
  if (!reading) {
    return {
      id,
      label,
      state: 'untested',
      utilisation: null,
      read: null,
      expected,
      message: 'not read yet',
      basis: 'typical',
      derivation: () => ({
        title: `${label}, expected`,
        steps: [step()],
        limit: limit(),
        conclusion: 'Read it to know what is in the wall.',
      }),
    };
  }
  const excessOhms = reading.value - expectedOhms;
  const deviations = excessOhms / spread;
  const { message, conclusion } = deviations > doubtfulFrom ? explain(excessOhms) : within(deviations);
  const read = figure('read', reading.value, 'Ω', 'measured');
  return {
    id,
    label,
    read,
    expected,
    message,
    basis: 'measured',
    state: judged(deviations),
    utilisation: Math.abs(deviations) / wrongFrom,
    derivation: () => ({
      title: `${label}, ${formatQuantity(reading.value, 'Ω')}`,
      steps: [
        step(),
        {
          message: 'May be off by, one spread',
          formula: 'loop-spread',
          inputs: [expected],
          result: figure('spread', spread, 'Ω', 'computed'),
        },
        {
          message: 'More than expected',
          formula: 'against-limit',
          inputs: [read, expected],
          result: figure('excess', excessOhms, 'Ω', 'measured'),
        },
      ],
      limit: limit(),
      conclusion,
    }),
  };
}

const percent = (probability: number): string =>
  `${Math.min(99, Math.max(1, Math.round(probability * 100)))} %`;

/** An explanation in words, with the ohms that it leaves to a joint. */
function inWords({ kind, cable, excessOhms, lengthM }: LoopCause): string {
  switch (kind) {
    case 'as-noted':
      return 'the cable as noted';
    case 'joint':
      return `the cable as noted and ${formatQuantity(excessOhms, 'Ω')} in a joint`;
    case 'length':
      return `the cable as noted, ${formatQuantity(lengthM ?? 0, 'm')} of it`;
    case 'other-cable':
      return cable!.label;
    case 'other-cable-and-joint':
      return `${cable!.label} and ${formatQuantity(excessOhms, 'Ω')} in a joint`;
  }
}

/** An explanation in two or three words. */
function inShort({ kind, cable, excessOhms }: LoopCause): string {
  switch (kind) {
    case 'as-noted':
      return 'as noted';
    case 'joint':
      return `${formatQuantity(excessOhms, 'Ω')} in a joint`;
    case 'length':
      return 'longer than noted';
    case 'other-cable':
    case 'other-cable-and-joint':
      return cable!.material.startsWith('ccs')
        ? 'steel core'
        : cable!.material === 'cca'
          ? 'copper-clad aluminium'
          : 'thinner cores';
  }
}

/** From so much an explanation is worth naming, and from so much it is named alone. Policy. */
const worthNaming = 0.05;
const namedAlone = 0.9;

/** What explains too much, as far as the readings tell it and no further. */
function explainedBy(causes: readonly LoopCause[], excessOhms: number, tellsApart: string | null): Explained {
  const much = formatQuantity(excessOhms, 'Ω');
  const [first, ...others] = causes.filter(({ probability }) => probability >= worthNaming);
  if (!first)
    return {
      message: `${much} too much`,
      conclusion: `${much} more than the cable as noted, and no cable, joint or length that is known explains it. Read it again.`,
    };
  if (others.length === 0 && first.probability >= namedAlone)
    return {
      message: inShort(first),
      conclusion: `Most likely ${inWords(first)} (${percent(first.probability)}).${tellsApart ? ` ${tellsApart} would confirm it.` : ''}`,
    };
  const shorts = [...new Set([first, ...others].map(inShort))];
  const list = [first, ...others]
    .map((cause) => `${inWords(cause)} (${percent(cause.probability)})`)
    .join('; or ');
  return {
    message: shorts.slice(0, 2).join(', or '),
    conclusion: `Either ${list}.${tellsApart ? ` ${tellsApart} tells them apart.` : ''}`,
  };
}

/** The coax loop against its construction. Says what would explain the reading, and which test tells that apart. */
export function coaxLoopVerdict(
  run: Run,
  reading: QuantityReading | undefined,
  trace?: TraceReading,
): Verdict {
  const expected = expectedCoax(run.segments, reading?.temperatureC);
  return loopVerdict(
    'coax-loop-ohms',
    reading,
    compare(run, expected.ohms, expected.spread, 'coax-loop'),
    (excess) =>
      explainedBy(
        inferCoaxLoop(run, reading!, trace && runEvents(run, trace)),
        excess,
        trace ? null : 'The reflectometer',
      ),
  );
}

/** The power loop against its construction. */
export function powerLoopVerdict(run: Run, reading: QuantityReading | undefined): Verdict {
  const atC = reading?.temperatureC;
  const expectedOhms = expectedPowerOhms(run, atC);
  const lengthM = run.feed.kind === 'separate-pair' ? run.feed.lengthM : runLengthM(run);
  const spreadM = Math.hypot(...run.segments.map((segment) => segment.spreadM));
  const spread = spreadOhms(expectedOhms, ((expectedOhms / lengthM) * spreadM) ** 2);
  return loopVerdict('power-loop-ohms', reading, compare(run, expectedOhms, spread, 'power-loop'), (excess) =>
    explainedBy(inferPowerLoop(run, reading!), excess, null),
  );
}
