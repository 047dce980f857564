import {
  symptomWords,
  type Camera,
  type Run,
  type TestId,
  testDefinition,
  type QuantityTestId,
} from '#core/model/site';
import { symptoms, type Symptom } from '#core/physics/picture';
import { formatQuantity } from '#core/shared/units';
import { closeUtilisation } from '#core/shared/derivation';
import {
  insulationState,
  realAcVolts,
  inferCoaxLoop,
  eventWords,
  severity,
  earthDifferenceVolts,
  faultsOf,
  runEvents,
  type Verdict,
} from '#core/test/findings';
import { type RunReadings } from '#core/test/readings';
import { evidence, type EvidenceId } from './likelihoods';

/** One thing that was found, as the tables know it and as a person says it. */
export interface Observation {
  id: EvidenceId;
  outcome: string;
  test: TestId;
  message: string;
}

export interface DiagnosisInput {
  run: Run;
  camera: Camera;
  readings: RunReadings;
  verdicts: readonly Pick<Verdict, 'id' | 'label' | 'expected' | 'state' | 'message' | 'basis'>[];
}

/** Tests whose expectation is a figure of this very run; the others have one limit for all runs. */
const expectedIsAFigure = new Set<QuantityTestId>([
  'coax-loop-ohms',
  'power-loop-ohms',
  'day-volts',
  'night-volts',
]);

/** Foreign volts that are no danger but tell of something. Practice. */
const raisedVolts = 5;

const isEvidence = (id: string): id is EvidenceId => id in evidence;

/** Which row of the tables a test speaks to, if any; a picture speaks to one for each symptom. */
export function evidenceFor(test: TestId): EvidenceId[] {
  if (test === 'picture') return symptoms.map((symptom): EvidenceId => `seen-${symptom}`);
  return isEvidence(test) ? [test] : [];
}

function quantitySays(test: QuantityTestId, value: number, expected: number | null | undefined): string {
  const { label, asks } = testDefinition(test);
  const beside =
    expected === null || expected === undefined ? '' : `, expected ${formatQuantity(expected, asks.unit)}`;
  return `${label.toLowerCase()} ${formatQuantity(value, asks.unit)}${beside}`;
}

/** What a coax loop says: as noted, or which explanation leads by how much. */
function coaxLoopOutcome({ run, readings }: DiagnosisInput, expected: number): string {
  const reading = readings['coax-loop-ohms']!;
  const share = reading.value / expected;
  if (share < 0.85) return 'less';
  const [first] = inferCoaxLoop(
    run,
    reading,
    readings.reflectometer && runEvents(run, readings.reflectometer),
  );
  if (!first || first.probability < 0.6) return share < 1.1 ? 'as-noted' : 'unclear';
  switch (first.kind) {
    case 'as-noted':
      return 'as-noted';
    case 'joint':
      return 'joint';
    case 'length':
      return 'length';
    case 'other-cable':
    case 'other-cable-and-joint':
      return 'other-cable';
  }
}

function powerLoopOutcome(value: number, expected: number): string {
  const share = value / expected;
  return share < 0.85 ? 'less' : share > 1.4 ? 'heavy' : share > 1.15 ? 'more' : 'as-noted';
}

/** Volts at the camera against what supply and cores should give there, and against what the camera takes. */
function voltsOutcome(
  value: number,
  expected: number,
  {
    camera: {
      supply: { window },
    },
  }: DiagnosisInput,
): string {
  if (value > window.maxVolts) return 'too-high';
  const asExpected = value >= 0.95 * expected;
  if (value < window.minVolts) return asExpected ? 'too-low-by-cores' : 'too-low';
  return asExpected ? 'as-expected' : 'below-expected';
}

/** From this share of a fault an event is worth a word. Policy. */
const blemishFrom = 0.3;

function traceOutcome({ run, readings }: DiagnosisInput): { outcome: string; message: string } {
  const events = runEvents(run, readings.reflectometer!);
  const worst = faultsOf(events).sort((a, b) => severity(b) - severity(a))[0];
  const message = worst
    ? `the reflectometer shows ${eventWords(worst)} at ${formatQuantity(worst.atM, 'm')}`
    : 'the reflectometer shows nothing on the way';
  if (!worst || severity(worst) < blemishFrom) return { outcome: 'clean', message };
  if (severity(worst) < closeUtilisation) return { outcome: 'blemish', message };
  switch (worst.kind) {
    case 'series':
      return { outcome: 'series', message };
    case 'shunt':
      return { outcome: 'shunt', message };
    case 'lower-impedance':
      return { outcome: 'other-impedance', message };
    case 'tap':
      return { outcome: 'tap', message };
    case 'open':
    case 'short':
    case 'end':
      return { outcome: 'early-end', message };
  }
}

/** Whether a figure keeps the limit in the row of its test. */
function isWithin(test: QuantityTestId, value: number): boolean {
  const { limit } = testDefinition(test);
  return !limit || (limit.sense === 'at-most' ? value <= limit.value : value >= limit.value);
}

/** What a figure says to the tables; nothing where they have no row for its test. */
function quantityOutcome(
  test: QuantityTestId,
  value: number,
  expected: number | null | undefined,
  looked: DiagnosisInput,
): string | null {
  switch (test) {
    case 'foreign-ac-volts':
      return (realAcVolts(looked.readings) ?? 0) > raisedVolts ? 'raised' : 'low';
    case 'foreign-dc-volts':
      return value > raisedVolts ? 'raised' : 'low';
    case 'shield-earth-volts':
      return value > earthDifferenceVolts ? 'different' : value > earthDifferenceVolts / 2 ? 'some' : 'same';
    case 'coax-loop-ohms':
      return expected ? coaxLoopOutcome(looked, expected) : null;
    case 'power-loop-ohms':
      return expected ? powerLoopOutcome(value, expected) : null;
    case 'insulation-megohms':
      return insulationState(looked.run, value);
    case 'pair-unbalance-percent':
      return isWithin(test, value) ? 'even' : 'uneven';
    case 'next-db':
      return isWithin(test, value) ? 'apart' : 'into-each-other';
    case 'insertion-loss-db':
      return isWithin(test, value) ? 'within' : 'more';
    case 'day-volts':
    case 'night-volts':
      return expected ? voltsOutcome(value, expected, looked) : null;
    default:
      return null;
  }
}

function linkOutcome(throughputMbps: number, expected: number): string {
  if (throughputMbps === 0) return 'none';
  return throughputMbps < expected / 2 ? 'slow' : 'full';
}

/** Everything that was read of a run, as the tables know it. */
export function observationsOf(looked: DiagnosisInput): Observation[] {
  const expectedOf = (test: TestId) => looked.verdicts.find(({ id }) => id === test)?.expected?.value;
  const found: Observation[] = [];
  for (const reading of Object.values(looked.readings)) {
    if (!reading) continue;
    const { test } = reading;
    switch (test) {
      case 'continuity':
        found.push({
          id: 'continuity',
          outcome: reading.found,
          test,
          message: {
            through: 'the coax goes through',
            open: 'the coax is open',
            shorted: 'the coax is shorted',
          }[reading.found],
        });
        break;
      case 'wire-map':
        found.push({
          id: 'wire-map',
          outcome: reading.found,
          test,
          message: reading.found === 'straight' ? 'the wire map is straight' : `wire map: ${reading.found}`,
        });
        break;
      case 'camera-at-head-end':
      case 'camera-on-local-supply':
        found.push({
          id: test,
          outcome: reading.found,
          test,
          message: `${testDefinition(test).label.toLowerCase()} ${reading.found}`,
        });
        break;
      case 'reflectometer':
        found.push({ id: 'reflectometer', test, ...traceOutcome(looked) });
        break;
      case 'picture':
        found.push(
          ...symptoms.map((symptom: Symptom): Observation => {
            const seen = reading.symptoms.includes(symptom);
            return {
              id: `seen-${symptom}`,
              outcome: seen ? 'yes' : 'no',
              test,
              message: seen
                ? symptomWords[symptom].seen
                : `no ${symptomWords[symptom].label.toLowerCase()} in the picture`,
            };
          }),
        );
        break;
      case 'link':
        found.push({
          id: 'link',
          outcome: linkOutcome(reading.throughputMbps, expectedOf('link') ?? 0),
          test,
          message: `${formatQuantity(reading.throughputMbps, 'Mb/s')} over converters`,
        });
        break;
      default: {
        const expected = expectedOf(test);
        const outcome = quantityOutcome(test, reading.value, expected, looked);
        const [id] = evidenceFor(test);
        if (outcome && id)
          found.push({
            id,
            outcome,
            test,
            message: quantitySays(test, reading.value, expectedIsAFigure.has(test) ? expected : null),
          });
      }
    }
  }
  return found;
}
