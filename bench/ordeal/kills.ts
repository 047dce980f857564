import { randomBelow, type Random } from './seeded';
import type { Row } from '../measure';
import {
  choosing,
  demoText,
  importSite,
  kill,
  newFolder,
  post,
  startServer,
  type UnderOrdeal,
  get,
} from './underOrdeal';

const clients = 6;
const options = ['keep', 'hd-coax', 'ip-coax-pair', 'ip-coax-unit'] as const;

/** An edit that was answered, or may have happened. */
interface Sent {
  id: string;
  version: number | null;
}

/** A client that edits until the server is gone, and remembers what was answered. */
async function edits(
  { address }: UnderOrdeal,
  site: string,
  client: number,
  random: Random,
  sent: Sent[],
): Promise<void> {
  let version = 0;
  for (;;) {
    const id = crypto.randomUUID();
    const camera = `c${String(4 + ((client * 3 + randomBelow(random, 3)) % 20)).padStart(2, '0')}`;
    const edit = choosing(site, camera, version, options[randomBelow(random, options.length)]!, id);
    try {
      let answer = await post(`${address}/api/sites/${site}/edits`, edit);
      while (answer.status === 409) {
        const { version: now } = (await answer.json()) as { version: number };
        version = now;
        answer = await post(`${address}/api/sites/${site}/edits`, { ...edit, baseVersion: version });
      }
      if (answer.status !== 200) throw new Error(`an edit was answered with ${answer.status}`);
      version = ((await answer.json()) as { entry: { version: number } }).entry.version;
      sent.push({ id, version });
    } catch (error) {
      sent.push({ id, version: null });
      if (error instanceof Error && error.message.startsWith('an edit was')) throw error;
      return;
    }
  }
}

interface LogEntry {
  id: string;
  version: number;
}
async function wholeLog(address: string, site: string): Promise<LogEntry[]> {
  const log: LogEntry[] = [];
  for (;;) {
    const answer = await get(`${address}/api/sites/${site}/edits?after=${log.at(-1)?.version ?? 0}`);
    const { entries, more } = (await answer.json()) as { entries: LogEntry[]; more: boolean };
    log.push(...entries);
    if (!more) return log;
  }
}

/** Kills the server again and again while clients edit; every edit that was answered is there after, once, and the log has no gap. */
export async function kills(count: number, random: Random): Promise<Row[]> {
  const folder = newFolder();
  let server = await startServer(folder);
  const site = await importSite(server.address, demoText);
  const acknowledged: Sent[] = [];
  for (let round = 0; round < count; round += 1) {
    const sent: Sent[] = [];
    const working = Array.from({ length: clients }, (_, client) => edits(server, site, client, random, sent));
    await new Promise((resolve) => setTimeout(resolve, 150 + randomBelow(random, 500)));
    await kill(server, 'SIGKILL');
    await Promise.all(working);
    acknowledged.push(...sent.filter(({ version }) => version !== null));
    server = await startServer(folder);
  }
  const log = await wholeLog(server.address, site);
  const versions = new Map(log.map(({ id, version }) => [id, version]));
  const answered = acknowledged.length;
  const lost = acknowledged.filter(({ id, version }) => versions.get(id) !== version).length;
  const twice = log.length - versions.size;
  const gaps = log.filter(({ version }, index) => version !== index + 1).length;
  const { version } = (await (await get(`${server.address}/api/sites/${site}`)).json()) as {
    version: number;
  };
  await kill(server, 'SIGTERM');
  return [
    {
      figure: `${count} kills under ${clients} clients, ${answered} edits answered`,
      measured: `${lost} lost, ${twice} twice, ${gaps + Math.abs(version - log.length)} gaps`,
      wanted: '0 lost, 0 twice, 0 gaps',
      holds: lost === 0 && twice === 0 && gaps === 0 && version === log.length && answered > count,
    },
  ];
}
