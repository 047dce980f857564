import { type QuantityReading, testDefinition } from '#core/model/site';
import { formatQuantity } from '#core/shared/units';
import { figure, utilisationOf, type Figure, type Limit } from '#core/shared/derivation';
import { unreadVerdict } from './unreadVerdict';
import type { Verdict } from './verdict';

/** Volts above which nobody goes on. Source: touch-voltage limits of IEC 60364-4-41 (50 V AC, 120 V DC). */
export const stopVolts = { 'foreign-ac-volts': 50, 'foreign-dc-volts': 120 } as const;

/** Shield to earth above this means that the ends stand on different earths. Source: practice. */
export const earthDifferenceVolts = testDefinition('shield-earth-volts').limit!.value;

type SafetyTest = keyof typeof stopVolts;

/** From half of the stop limit on, hands stay off bare ends where it is wet. */
const cautionShare = 0.5;

const stopMessage = 'Stop. Do not touch the cable. Get a licensed electrician.';
const conclusion = 'Above this nobody works on the cable.';
const limitFor = (test: SafetyTest): Limit => ({
  sense: 'at-most',
  figure: figure('limit', stopVolts[test], 'V', 'standard'),
});
const expectedFor = (test: SafetyTest): Figure => figure('below', stopVolts[test], 'V', 'standard');

const notReadYet = (test: SafetyTest): Verdict =>
  unreadVerdict({
    id: test,
    message: 'not read yet',
    expected: expectedFor(test),
    limit: limitFor(test),
    conclusion,
  });
const unread: Record<SafetyTest, Verdict> = {
  'foreign-ac-volts': notReadYet('foreign-ac-volts'),
  'foreign-dc-volts': notReadYet('foreign-dc-volts'),
};

/** What a reading says of the volts it may be gone on with, in three bands. */
function bandOf(utilisation: number, stop: number): Pick<Verdict, 'state' | 'message'> {
  const caution = stop * cautionShare;
  if (utilisation > 1) return { state: 'stop', message: stopMessage };
  return utilisation > cautionShare
    ? {
        state: 'close',
        message: `caution: above ${caution} V, below ${stop} V limit. Do not touch bare ends; find the source`,
      }
    : { state: 'holds', message: `below ${stop} V limit; caution above ${caution} V` };
}

/** Foreign volts, taken before anything else. There is nothing to expect of them but that they are low. */
export function safetyVerdict(test: SafetyTest, reading: QuantityReading | undefined): Verdict {
  if (!reading) return unread[test];
  const { label } = testDefinition(test);
  const limit = limitFor(test);
  const read = figure('read', reading.value, 'V', 'measured');
  const utilisation = utilisationOf(reading.value, limit);
  return {
    id: test,
    label,
    read,
    expected: expectedFor(test),
    utilisation,
    basis: 'measured',
    ...bandOf(utilisation, stopVolts[test]),
    derivation: () => ({
      title: `${label}, ${formatQuantity(reading.value, 'V')}`,
      limit,
      conclusion,
      steps: [{ message: 'Read', formula: 'against-limit', inputs: [read], result: read }],
    }),
  };
}
