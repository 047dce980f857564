import { parseArgs } from 'node:util';
import type { Row } from '../measure';
import { editTimes, longUse } from './editTimes';
import { hostile } from './hostile';
import { kills } from './kills';
import { seeded } from './seeded';
import { signedInUse } from './signedInUse';
import { demandAccounts } from './underOrdeal';

const { values } = parseArgs({
  options: {
    short: { type: 'boolean', default: false },
    accounts: { type: 'boolean', default: false },
    seed: { type: 'string', default: '1' },
  },
});
if (values.accounts) demandAccounts();
const random = seeded(Number(values.seed));
const size = values.short
  ? { kills: 30, requests: 1500, minutes: 0.3 }
  : { kills: 300, requests: 10_000, minutes: 10 };

let fails = 0;
/** A line for each check, as soon as it is known. */
function tell(rows: readonly Row[]): void {
  for (const { figure, measured, wanted, holds } of rows) {
    if (!holds) fails += 1;
    console.log(`${holds ? 'holds' : 'FAILS'}  ${figure}: ${measured}${wanted ? ` (${wanted})` : ''}`);
  }
}
tell(await kills(size.kills, random));
tell(await hostile(size.requests, random));
tell(await editTimes());
tell(await longUse(size.minutes));
if (values.accounts) tell(await signedInUse(Math.min(1, size.minutes)));
process.exitCode = fails > 0 ? 1 : 0;
