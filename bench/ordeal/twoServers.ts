import { availableParallelism } from 'node:os';
import type { LogEntry } from '#core/model/site';
import type { Row } from '../measure';
import {
  choosing,
  demoText,
  get,
  importSite,
  kill,
  newFolder,
  post,
  startBeside,
  startServer,
  type UnderOrdeal,
} from './underOrdeal';

const siteCount = 8;
const clientsPerSite = 3;

interface Made {
  site: string;
  id: string;
  version: number;
}

/** Edits of a site through servers in turn, each again on what is there where another was faster, until so many have gone through. */
async function insisting(
  servers: readonly UnderOrdeal[],
  site: string,
  client: number,
  count: number,
  made: Made[],
): Promise<void> {
  const { address } = servers[client % servers.length]!;
  const known = (await (await get(`${address}/api/sites/${site}`)).json()) as { version: number };
  let { version } = known;
  for (let n = 0; n < count;) {
    const camera = `c${String(1 + (n % 20)).padStart(2, '0')}`;
    const edit = choosing(site, camera, version, n % 2 ? 'keep' : 'hd-coax', crypto.randomUUID());
    const answer = await post(`${address}/api/sites/${site}/edits`, edit);
    const said = (await answer.json()) as { entry?: LogEntry; version?: number };
    if (answer.status !== 200 && answer.status !== 409)
      throw new Error(`an edit was answered with ${answer.status}`);
    version = said.entry?.version ?? said.version!;
    if (!said.entry) continue;
    made.push({ site, id: edit.id, version });
    n += 1;
  }
}

/** Edits a second that go through servers on one database, many clients at few sites. */
async function pressed(
  servers: readonly UnderOrdeal[],
  sites: readonly string[],
  edits: number,
): Promise<{ aSecond: number; made: Made[] }> {
  const made: Made[] = [];
  const each = Math.ceil(edits / (sites.length * clientsPerSite));
  const start = performance.now();
  await Promise.all(
    sites.flatMap((site) =>
      Array.from({ length: clientsPerSite }, (_, client) => insisting(servers, site, client, each, made)),
    ),
  );
  return { aSecond: (1000 * made.length) / (performance.now() - start), made };
}

async function versionsIn(server: UnderOrdeal, site: string): Promise<Map<string, number>> {
  const versions = new Map<string, number>();
  for (let after = 0; ;) {
    const answer = await get(`${server.address}/api/sites/${site}/edits?after=${after}`);
    const { entries, more } = (await answer.json()) as { entries: LogEntry[]; more: boolean };
    for (const { id, version } of entries) versions.set(id, version);
    after = entries.at(-1)?.version ?? after;
    if (!more) return versions;
  }
}

/** Two servers on one database against one: whatever was answered is there, and how many edits go through. */
export async function twoServers(edits: number): Promise<Row[]> {
  const folder = newFolder();
  const first = await startServer(folder);
  const second = await startBeside(folder);
  const sites: string[] = [];
  for (let k = 0; k < siteCount; k += 1) sites.push(await importSite(first.address, demoText));
  const alone = await pressed([first], sites, edits);
  const both = await pressed([first, second], sites, edits);
  let lost = 0;
  for (const site of sites) {
    const versions = await versionsIn(second, site);
    const mine = [...alone.made, ...both.made].filter((one) => one.site === site);
    lost += mine.filter(({ id, version }) => versions.get(id) !== version).length;
    lost += Math.abs(versions.size - mine.length);
  }
  await Promise.all([kill(first, 'SIGTERM'), kill(second, 'SIGTERM')]);
  const times = both.aSecond / alone.aSecond;
  return [
    {
      figure: `${alone.made.length + both.made.length} edits, ${sites.length} sites, ${clientsPerSite} at each, two servers`,
      measured: `${lost} lost`,
      wanted: '0 lost',
      holds: lost === 0,
    },
    {
      figure: `edits a second, two servers against one, on ${availableParallelism()} cores that the database and the clients need too`,
      measured: `${both.aSecond.toFixed(0)} to ${alone.aSecond.toFixed(0)}, ${times.toFixed(2)} times`,
      wanted: 'at least 1.5 times where cores allow',
      holds: times >= 1.5,
    },
  ];
}
