import { symptomWords, testDefinition, type QuantityTestId, type TestId } from '#core/model/site';
import { formatQuantity } from '#core/shared/units';
import { eventWords, faultsOf, runEvents, severity } from '#core/test/findings';
import type { DiagnosisInput } from './looked';

/** Tests whose expectation is a figure of this very run; the others have one limit for all runs. */
const expectedIsAFigure = new Set<QuantityTestId>([
  'coax-loop-ohms',
  'power-loop-ohms',
  'day-volts',
  'night-volts',
]);

/** A label within a sentence; what is an abbreviation stays one. */
export const withinSentence = (label: string): string =>
  /^[A-Z]{2}/.test(label) ? label : label.charAt(0).toLowerCase() + label.slice(1);

function quantityWords(test: QuantityTestId, value: number, expected: number | undefined): string {
  const { label, asks } = testDefinition(test);
  const beside = expected === undefined ? '' : `, expected ${formatQuantity(expected, asks.unit)}`;
  return `${withinSentence(label)} ${formatQuantity(value, asks.unit)}${beside}`;
}

const throughWords = {
  through: 'the coax goes through',
  open: 'the coax is open',
  shorted: 'the coax is shorted',
};

/** What was read in a test, as a person says it. */
export function readingWords({ run, readings, verdicts }: DiagnosisInput, test: TestId): string {
  const reading = readings[test]!;
  switch (reading.test) {
    case 'continuity':
      return throughWords[reading.found];
    case 'wire-map':
      return reading.found === 'straight' ? 'the wire map is straight' : `wire map: ${reading.found}`;
    case 'camera-at-head-end':
    case 'camera-on-local-supply':
      return `${withinSentence(testDefinition(test).label)} ${reading.found}`;
    case 'picture':
      return reading.symptoms.length === 0
        ? 'a clean picture'
        : reading.symptoms.map((symptom) => symptomWords[symptom].seen).join('; ');
    case 'link':
      return `${formatQuantity(reading.throughputMbps, 'Mb/s')} over converters`;
    case 'reflectometer': {
      const worst = faultsOf(runEvents(run, reading)).sort((a, b) => severity(b) - severity(a))[0];
      return worst
        ? `the reflectometer shows ${eventWords(worst)} at ${formatQuantity(worst.atM, 'm')}`
        : 'the reflectometer shows nothing on the way';
    }
    default: {
      const expected = verdicts.find(({ id }) => id === reading.test)?.expected?.value;
      return quantityWords(
        reading.test,
        reading.value,
        expectedIsAFigure.has(reading.test) ? (expected ?? undefined) : undefined,
      );
    }
  }
}
