import type { Row } from '../measure';
import { choosing, demoText, importSite, invitedTo, join, kill, newFolder, startServer } from './underOrdeal';

const clientCount = 200;
/** As a person works: an edit a second. */
const pauseMs = 1000;

/** Two hundred people, each signed in on a device of his own and at a site of his own, for so long: no error, and the slowest edits. */
export async function signedInUse(minutes: number): Promise<Row[]> {
  const server = await startServer(newFolder());
  const people: { site: string; cookie: string }[] = [];
  for (let k = 0; k < clientCount; k += 1) {
    const site = await importSite(server.address, demoText);
    const code = await invitedTo(server.address, site, 'planner');
    const from = `198.51.${Math.floor(k / 200)}.${(k % 200) + 1}`;
    people.push({ site, cookie: await join(server.address, code, `Planner ${k}`, from) });
  }
  const until = performance.now() + minutes * 60_000;
  const all: number[] = [];
  const errors: string[] = [];
  const work = async ({ site, cookie }: { site: string; cookie: string }, k: number): Promise<void> => {
    await new Promise((resolve) => setTimeout(resolve, (k / clientCount) * pauseMs));
    for (let version = 0; performance.now() < until; version += 1) {
      const option = version % 2 ? 'keep' : 'hd-coax';
      const start = performance.now();
      const answer = await fetch(`${server.address}/api/sites/${site}/edits`, {
        method: 'POST',
        headers: { 'content-type': 'application/json', origin: server.address, cookie },
        body: JSON.stringify(choosing(site, 'c08', version, option, crypto.randomUUID())),
      });
      await answer.text();
      const took = performance.now() - start;
      all.push(took);
      if (answer.status !== 200) {
        errors.push(`${answer.status}`);
        return;
      }
      await new Promise((resolve) => setTimeout(resolve, Math.max(0, pauseMs - took)));
    }
  };
  await Promise.all(people.map(work));
  await kill(server, 'SIGTERM');
  const p99 = [...all].sort((a, b) => a - b)[Math.floor(all.length * 0.99)] ?? NaN;
  return [
    {
      figure: `${clientCount} people signed in, editing for ${minutes} minutes, ${all.length} edits`,
      measured: `${errors.length} errors, p99 ${p99.toFixed(0)} ms`,
      wanted: 'no error, p99 under 250 ms',
      holds: errors.length === 0 && p99 < 250,
    },
  ];
}
