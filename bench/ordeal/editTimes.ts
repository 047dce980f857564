import { toSiteFile } from '#core/model/site';
import { median, type Row } from '../measure';
import { generatedSite } from '../sites';
import {
  choosing,
  importSite,
  kill,
  newFolder,
  post,
  startServer,
  demoText,
  type UnderOrdeal,
} from './underOrdeal';

async function times(
  { address }: UnderOrdeal,
  site: string,
  cameraId: string,
  count: number,
  from = 0,
): Promise<number[]> {
  const all: number[] = [];
  for (let k = 0; k < count; k += 1) {
    const edit = choosing(site, cameraId, from + k, k % 2 ? 'keep' : 'hd-coax', crypto.randomUUID());
    const start = performance.now();
    const answer = await post(`${address}/api/sites/${site}/edits`, edit);
    await answer.text();
    all.push(performance.now() - start);
    if (answer.status !== 200) throw new Error(`an edit was answered with ${answer.status}`);
  }
  return all;
}

/** How long edits take on a small and a very large site, and the first after a start. */
export async function editTimes(): Promise<Row[]> {
  const folder = newFolder();
  let server = await startServer(folder);
  const small = await importSite(server.address, demoText);
  const big = await importSite(server.address, JSON.stringify(toSiteFile(generatedSite(4000))));
  const [a, b] = [await times(server, small, 'c08', 120), await times(server, big, 'c08-0', 60)];
  await kill(server, 'SIGTERM');
  server = await startServer(folder);
  const [first] = await times(server, small, 'c08', 1, 120);
  await kill(server, 'SIGTERM');
  const [p50, p50Big] = [median(a.slice(20)), median(b.slice(10))];
  return [
    {
      figure: 'an edit at 4000 cameras against 24, medians',
      measured: `${p50Big.toFixed(1)} ms to ${p50.toFixed(1)} ms, ${(p50Big / p50).toFixed(1)} times`,
      wanted: 'at most 3 times',
      holds: p50Big <= 3 * p50,
    },
    {
      figure: 'the first edit after a start',
      measured: `${first!.toFixed(0)} ms`,
      wanted: 'under 100 ms',
      holds: first! < 100,
    },
  ];
}

/** Twenty clients on as many sites for so long: no error, and the slowest edits. */
export async function longUse(minutes: number): Promise<Row[]> {
  const server = await startServer(newFolder());
  const sites: string[] = [];
  for (let k = 0; k < 20; k += 1) sites.push(await importSite(server.address, demoText));
  const until = Date.now() + minutes * 60_000;
  const all: number[] = [];
  let errors = 0;
  await Promise.all(
    sites.map(async (site) => {
      for (let version = 0; Date.now() < until; version += 1) {
        try {
          all.push(...(await times(server, site, 'c08', 1, version)));
        } catch {
          errors += 1;
          return;
        }
        await new Promise((resolve) => setTimeout(resolve, 200));
      }
    }),
  );
  await kill(server, 'SIGTERM');
  const p99 = [...all].sort((x, y) => x - y)[Math.floor(all.length * 0.99)] ?? NaN;
  return [
    {
      figure: `${minutes} minutes of 20 clients, ${all.length} edits`,
      measured: `${errors} errors, p99 ${p99.toFixed(0)} ms`,
      wanted: 'no error, p99 under 150 ms',
      holds: errors === 0 && p99 < 150,
    },
  ];
}
