import { parseArgs } from 'node:util';
import type { Row } from '../measure';
import { editTimes, longUse } from './editTimes';
import { hostile } from './hostile';
import { kills } from './kills';
import { seeded } from './seeded';
import { signedInUse } from './signedInUse';
import { twoServers } from './twoServers';
import { demandAccounts, demandDatabase } from './underOrdeal';
import { programsOfPostgres, startCluster } from '../../tests/postgres/cluster';

const { values } = parseArgs({
  options: {
    short: { type: 'boolean', default: false },
    accounts: { type: 'boolean', default: false },
    postgres: { type: 'boolean', default: false },
    only: { type: 'string' },
    seed: { type: 'string', default: '1' },
  },
});
if (values.accounts) demandAccounts();
const programs = values.postgres ? programsOfPostgres() : null;
if (values.postgres && programs === null) throw new Error('PostgreSQL is not installed here.');
// Its writes wait for the disk, as those of a real one do.
const cluster = programs === null ? null : await startCluster(programs, ['fsync=on']);
if (cluster) demandDatabase(cluster.url);
const random = seeded(Number(values.seed));
const size = values.short
  ? { kills: 30, requests: 1500, minutes: 0.3, edits: 4000 }
  : { kills: 300, requests: 10_000, minutes: 10, edits: 20_000 };

let fails = 0;
/** A line for each check, as soon as it is known. */
function tell(rows: readonly Row[]): void {
  for (const { figure, measured, wanted, holds } of rows) {
    if (!holds) fails += 1;
    console.log(`${holds ? 'holds' : 'FAILS'}  ${figure}: ${measured}${wanted ? ` (${wanted})` : ''}`);
  }
}
/** The parts, in the order they are gone through; `--only` picks one. */
const parts: Record<string, (() => Promise<Row[]>) | false> = {
  kills: () => kills(size.kills, random),
  hostile: () => hostile(size.requests, random),
  editTimes,
  longUse: () => longUse(size.minutes),
  signedInUse: values.accounts && (() => signedInUse(1)),
  twoServers: values.postgres && !values.accounts && (() => twoServers(size.edits)),
};
for (const [name, part] of Object.entries(parts))
  if (part && (values.only === undefined || values.only === name)) tell(await part());
await cluster?.stop();
process.exitCode = fails > 0 ? 1 : 0;
