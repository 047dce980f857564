import type { QuantityReading } from '#core/model/site';
import { formatQuantity } from '#core/shared/units';
import { figure, utilisationOf, statusOf, type Limit } from '#core/shared/derivation';
import { testDefinition } from '#core/test/readings';
import type { Verdict } from './verdict';

/** Volts above which nobody goes on. Source: touch-voltage limits of IEC 60364-4-41 (50 V AC, 120 V DC). */
export const stopVolts = { 'foreign-ac-volts': 50, 'foreign-dc-volts': 120 } as const;

/** Shield to earth above this means that the ends stand on different earths. Source: practice. */
export const earthDifferenceVolts = 2;

type SafetyTest = 'foreign-ac-volts' | 'foreign-dc-volts' | 'shield-earth-volts';

const words: Record<SafetyTest, { stops: string; fine: string; conclusion: string }> = {
  'foreign-ac-volts': {
    stops: 'Stop. Do not touch the cable. Get a licensed electrician.',
    fine: 'safe to go on',
    conclusion: 'Above this nobody works on the cable.',
  },
  'foreign-dc-volts': {
    stops: 'Stop. Do not touch the cable. Get a licensed electrician.',
    fine: 'safe to go on',
    conclusion: 'Above this nobody works on the cable.',
  },
  'shield-earth-volts': {
    stops: 'Different earths. Isolate; never just bond them.',
    fine: 'same earth',
    conclusion: 'A difference drives current through the shield and puts a bar in the picture.',
  },
};

/** The readings that are taken before any other. There is nothing to expect of them but that they are low. */
export function safetyVerdict(test: SafetyTest, reading: QuantityReading | undefined): Verdict {
  const { label } = testDefinition(test);
  const bound = test === 'shield-earth-volts' ? earthDifferenceVolts : stopVolts[test];
  const limit: Limit = {
    sense: 'at-most',
    figure: figure('limit', bound, 'V', test === 'shield-earth-volts' ? 'policy' : 'standard'),
  };
  const expected = figure('below', bound, 'V', limit.figure.from);
  const { fine, stops, conclusion } = words[test];
  if (!reading) {
    return {
      id: test,
      label,
      state: 'untested',
      utilisation: null,
      read: null,
      expected,
      message: 'not read yet',
      basis: 'typical',
      derivation: () => ({ title: label, steps: [], limit, conclusion }),
    };
  }
  const read = figure('read', reading.value, 'V', 'measured');
  const utilisation = utilisationOf(reading.value, limit);
  const status = statusOf(utilisation);
  const danger = status === 'fails' && test !== 'shield-earth-volts';
  return {
    id: test,
    label,
    read,
    expected,
    utilisation,
    basis: 'measured',
    state: danger ? 'stop' : status,
    message: status === 'fails' ? stops : fine,
    derivation: () => ({
      title: `${label}, ${formatQuantity(reading.value, 'V')}`,
      limit,
      conclusion,
      steps: [{ message: 'Read', formula: 'against-limit', inputs: [read], result: read }],
    }),
  };
}
