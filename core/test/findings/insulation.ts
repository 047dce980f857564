import { type QuantityReading, testDefinition } from '#core/model/site';
import { formatQuantity } from '#core/shared/units';
import { figure, utilisationOf, type Limit } from '#core/shared/derivation';
import { unreadVerdict } from './unreadVerdict';
import type { Verdict } from './verdict';

/** Above the first dry, between damp, below the second wet or damaged. Source: practice at 250 V or less. */
export const dryMegohms = 10;
export const wetMegohms = 1;

const limit: Limit = { sense: 'at-least', figure: figure('wet below', wetMegohms, 'MΩ', 'policy') };
const expected = figure('above', dryMegohms, 'MΩ', 'policy');
const conclusion = 'Above 10 MΩ dry, down to 1 MΩ damp, below that wet or damaged.';
const unread = unreadVerdict({
  id: 'insulation-megohms',
  message: 'not read yet',
  expected,
  limit,
  conclusion,
});

/** What the insulation reading says about water and damage. */
export function insulationVerdict(reading: QuantityReading | undefined): Verdict {
  if (!reading) return unread;
  const { id, label } = testDefinition('insulation-megohms');
  const read = figure('read', reading.value, 'MΩ', 'measured');
  const state = reading.value > dryMegohms ? 'holds' : reading.value >= wetMegohms ? 'close' : 'fails';
  return {
    id,
    label,
    state,
    read,
    expected,
    basis: 'measured',
    utilisation: utilisationOf(reading.value, limit),
    message: { holds: 'dry', close: 'damp', fails: 'wet or damaged' }[state],
    derivation: () => ({
      title: `${label}, ${formatQuantity(reading.value, 'MΩ')}`,
      steps: [{ message: 'Read', formula: 'against-limit', inputs: [read], result: read }],
      limit,
      conclusion,
    }),
  };
}
