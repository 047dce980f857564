import { testDefinition, type QuantityReading } from '#core/model/site';
import { figure, utilisationOf, type Limit } from '#core/shared/derivation';
import { formatQuantity } from '#core/shared/units';
import type { RunReadings } from '#core/test/readings';
import { cautionShare, isInduced, loadedReading } from './foreignVolts';
import type { TouchLimits } from './touchLimits';
import { unreadVerdict } from './unreadVerdict';
import type { Verdict } from './verdict';

/** Shield to earth above this means that the ends stand on different earths. Source: practice. */
export const earthDifferenceVolts = testDefinition('shield-earth-volts').limit!.value;

export type SafetyTest = 'foreign-ac-volts' | 'foreign-ac-loaded-volts' | 'foreign-dc-volts';

const stopMessage = 'Stop. Do not touch the cable. Get a licensed electrician.';
const loadedCheck =
  'A low-impedance check tells induced volts from real ones before the run is given up; until then it stays stopped.';

const stopVoltsOf = (test: SafetyTest, limits: TouchLimits): number =>
  test === 'foreign-dc-volts' ? limits.dcVolts : limits.acVolts;

function conclusionOf(test: SafetyTest, { because }: TouchLimits): string {
  const lower = because ? ` Lower than usual: ${because}.` : '';
  const induced = test === 'foreign-ac-volts' ? ` ${loadedCheck}` : '';
  return `Above this nobody works on the cable.${lower}${induced} Local code may set less.`;
}

const limitFor = (stopVolts: number): Limit => ({
  sense: 'at-most',
  figure: figure('limit', stopVolts, 'V', 'standard'),
});

const unread = new WeakMap<TouchLimits, Partial<Record<SafetyTest, Verdict>>>();
/** One verdict serves all runs with the same limits. */
function notReadYet(test: SafetyTest, limits: TouchLimits): Verdict {
  const known = unread.get(limits) ?? {};
  unread.set(limits, known);
  const stopVolts = stopVoltsOf(test, limits);
  return (known[test] ??= unreadVerdict({
    id: test,
    message: 'not read yet',
    expected: figure('below', stopVolts, 'V', 'standard'),
    limit: limitFor(stopVolts),
    conclusion: conclusionOf(test, limits),
  }));
}

/** What a reading says, in three bands: below, caution, stop. */
function bandOf(volts: number, stopVolts: number): Pick<Verdict, 'state' | 'message'> {
  const caution = stopVolts * cautionShare;
  if (volts > stopVolts) return { state: 'stop', message: stopMessage };
  return volts > caution
    ? {
        state: 'close',
        message: `caution: above ${caution} V, below ${stopVolts} V limit. Do not touch bare ends; find the source`,
      }
    : { state: 'holds', message: `below ${stopVolts} V limit; caution above ${caution} V` };
}

/** The band, unless a meter that loads the line found nothing behind the volts. */
function saysOf(
  test: SafetyTest,
  { value, meterProved }: QuantityReading,
  readings: RunReadings,
  limits: TouchLimits,
): Pick<Verdict, 'state' | 'message'> {
  if (test === 'foreign-ac-volts' && isInduced(readings, limits)) {
    const loaded = formatQuantity(readings['foreign-ac-loaded-volts']!.value, 'V');
    return {
      state: 'close',
      message: `induced: ${loaded} with a low-impedance meter. Find what it runs beside`,
    };
  }
  const band = bandOf(value, stopVoltsOf(test, limits));
  return band.state === 'holds' && meterProved !== true
    ? { ...band, message: `${band.message}. Meter not noted as proved: no proof that it is dead` }
    : band;
}

/** Foreign volts, taken before anything else. There is nothing to expect of them but that they are low. */
export function safetyVerdict(test: SafetyTest, readings: RunReadings, limits: TouchLimits): Verdict {
  const reading = test === 'foreign-ac-loaded-volts' ? loadedReading(readings) : readings[test];
  if (!reading) return notReadYet(test, limits);
  const { label } = testDefinition(test);
  const stopVolts = stopVoltsOf(test, limits);
  const limit = limitFor(stopVolts);
  const read = figure('read', reading.value, 'V', 'measured');
  return {
    id: test,
    label,
    read,
    expected: figure('below', stopVolts, 'V', 'standard'),
    utilisation: utilisationOf(reading.value, limit),
    basis: 'measured',
    ...saysOf(test, reading, readings, limits),
    derivation: () => ({
      title: `${label}, ${formatQuantity(reading.value, 'V')}`,
      limit,
      conclusion: conclusionOf(test, limits),
      steps: [{ message: 'Read', formula: 'against-limit', inputs: [read], result: read }],
    }),
  };
}
