import {
  testDefinition,
  type LimitedTestId,
  type QuantityReading,
  type QuantityTestDefinition,
} from '#core/model/site';
import { formatQuantity } from '#core/shared/units';
import { figure, statusOf, utilisationOf, type Limit } from '#core/shared/derivation';
import { unreadVerdict } from './unreadVerdict';
import type { Verdict } from './verdict';

/** A reading against the limit in the row of its test, the same for every run. */
export function limitVerdict(id: LimitedTestId, reading: QuantityReading | undefined): Verdict {
  const { label, asks, limit: row }: QuantityTestDefinition = testDefinition(id);
  if (!row) throw new Error(`test ${id} has no limit`);
  const { conclusion } = row;
  const limit: Limit = { sense: row.sense, figure: figure('limit', row.value, asks.unit, row.from) };
  const expected = figure(row.sense === 'at-most' ? 'below' : 'above', row.value, asks.unit, row.from);
  if (!reading) return unreadVerdict({ id, message: 'not read yet', expected, limit, conclusion });
  const read = figure('read', reading.value, asks.unit, 'measured');
  const utilisation = utilisationOf(reading.value, limit);
  const state = statusOf(utilisation);
  return {
    id,
    label,
    state,
    utilisation,
    read,
    expected,
    basis: 'measured',
    message: row.message[state],
    derivation: () => ({
      title: `${label}, ${formatQuantity(reading.value, asks.unit)}`,
      limit,
      conclusion,
      steps: [{ message: 'Read', formula: 'against-limit', inputs: [read], result: read }],
    }),
  };
}
