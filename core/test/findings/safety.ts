import type { QuantityReading } from '#core/model/site';
import { formatQuantity } from '#core/shared/units';
import { figure, utilisationOf, statusOf, type Figure, type Limit } from '#core/shared/derivation';
import { testDefinition } from '#core/test/readings';
import { unreadVerdict } from './unreadVerdict';
import type { Verdict } from './verdict';

/** Volts above which nobody goes on. Source: touch-voltage limits of IEC 60364-4-41 (50 V AC, 120 V DC). */
export const stopVolts = { 'foreign-ac-volts': 50, 'foreign-dc-volts': 120 } as const;

/** Shield to earth above this means that the ends stand on different earths. Source: practice. */
export const earthDifferenceVolts = 2;

type SafetyTest = 'foreign-ac-volts' | 'foreign-dc-volts' | 'shield-earth-volts';

/** From half of the stop limit on, hands stay off bare ends where it is wet. */
const cautionShare = 0.5;

const stopMessage = 'Stop. Do not touch the cable. Get a licensed electrician.';
const untilCaution = (stop: number): string =>
  `below ${stop} V limit; caution above ${stop * cautionShare} V`;
const inCaution = (stop: number): string =>
  `caution: above ${stop * cautionShare} V, below ${stop} V limit. Do not touch bare ends; find the source`;

const words: Record<SafetyTest, { stops: string; fine: string; caution: string; conclusion: string }> = {
  'foreign-ac-volts': {
    stops: stopMessage,
    fine: untilCaution(stopVolts['foreign-ac-volts']),
    caution: inCaution(stopVolts['foreign-ac-volts']),
    conclusion: 'Above this nobody works on the cable.',
  },
  'foreign-dc-volts': {
    stops: stopMessage,
    fine: untilCaution(stopVolts['foreign-dc-volts']),
    caution: inCaution(stopVolts['foreign-dc-volts']),
    conclusion: 'Above this nobody works on the cable.',
  },
  'shield-earth-volts': {
    stops: 'Different earths. Isolate; never just bond them.',
    fine: 'same earth',
    caution: 'same earth, close to the limit',
    conclusion: 'A difference drives current through the shield and puts a bar in the picture.',
  },
};

const isBetweenEarths = (test: SafetyTest): test is 'shield-earth-volts' => test === 'shield-earth-volts';
const boundOf = (test: SafetyTest): number =>
  isBetweenEarths(test) ? earthDifferenceVolts : stopVolts[test];
const limitFor = (test: SafetyTest): Limit => ({
  sense: 'at-most',
  figure: figure('limit', boundOf(test), 'V', isBetweenEarths(test) ? 'policy' : 'standard'),
});
const expectedFor = (test: SafetyTest): Figure =>
  figure('below', boundOf(test), 'V', isBetweenEarths(test) ? 'policy' : 'standard');

const notReadYet = (test: SafetyTest): Verdict =>
  unreadVerdict({
    id: test,
    message: 'not read yet',
    expected: expectedFor(test),
    limit: limitFor(test),
    conclusion: words[test].conclusion,
  });
const unread: Record<SafetyTest, Verdict> = {
  'foreign-ac-volts': notReadYet('foreign-ac-volts'),
  'foreign-dc-volts': notReadYet('foreign-dc-volts'),
  'shield-earth-volts': notReadYet('shield-earth-volts'),
};

/** The readings that are taken before any other. There is nothing to expect of them but that they are low. */
export function safetyVerdict(test: SafetyTest, reading: QuantityReading | undefined): Verdict {
  if (!reading) return unread[test];
  const { label } = testDefinition(test);
  const { fine, stops, caution, conclusion } = words[test];
  const limit = limitFor(test);
  const read = figure('read', reading.value, 'V', 'measured');
  const utilisation = utilisationOf(reading.value, limit);
  const isRaised = !isBetweenEarths(test) && utilisation > cautionShare && utilisation <= 1;
  const status = isRaised ? 'close' : statusOf(utilisation);
  const danger = status === 'fails' && !isBetweenEarths(test);
  return {
    id: test,
    label,
    read,
    expected: expectedFor(test),
    utilisation,
    basis: 'measured',
    state: danger ? 'stop' : status,
    message: { fails: stops, close: caution, holds: fine }[status],
    derivation: () => ({
      title: `${label}, ${formatQuantity(reading.value, 'V')}`,
      limit,
      conclusion,
      steps: [{ message: 'Read', formula: 'against-limit', inputs: [read], result: read }],
    }),
  };
}
