import { gzipSync } from 'node:zlib';
import type { Row } from '../measure';
import { randomBelow, type Random } from './seeded';
import {
  demoText,
  importSite,
  isRunning,
  kill,
  newFolder,
  residentMb,
  startServer,
  asPerson,
  get,
} from './underOrdeal';

interface Hostile {
  method: string;
  path: string;
  headers?: Record<string, string>;
  body?: string | Uint8Array;
}

const json = { 'content-type': 'application/json' };
const bytes = { 'content-type': 'application/octet-stream' };
const deep = (depth: number): string => `${'['.repeat(depth)}${']'.repeat(depth)}`;
const svg = (inside: string): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9">${inside}</svg>`;

/** Requests that nobody means well with, each kind drawn anew from chances. */
function kindsOf(site: string, random: Random): (() => Hostile)[] {
  const below = (most: number): number => randomBelow(random, most);
  const edits = `/api/sites/${site}/edits`;
  const edit = (over: object): string =>
    JSON.stringify({
      id: crypto.randomUUID(),
      site,
      baseVersion: 0,
      label: 'x',
      operation: { kind: 'do' },
      by: 'x',
      changes: [{ kind: 'camera', id: 'c08', set: {} }],
      ...over,
    });
  const asJson = (path: string, body: string): Hostile => ({ method: 'POST', path, headers: json, body });
  const names = [
    '\\u0000',
    '\\ud83d',
    '__proto__',
    'constructor',
    '../../etc/passwd',
    'x'.repeat(5000),
    '=1+1',
    '',
  ];
  return [
    () =>
      asJson(
        '/api/sites',
        `{"name":"${names[below(names.length)]}","headEndName":"${names[below(names.length)]}"}`,
      ),
    () => asJson('/api/sites/import', deep(50_000 + below(150_000))),
    () => asJson('/api/sites/import', demoText.slice(0, below(demoText.length))),
    () => asJson('/api/sites/import', demoText.replace('"cameras"', '"cameras":[],"cameras"')),
    () => asJson(edits, deep(200_000)),
    () => asJson(edits, edit({ changes: Array.from({ length: 20_000 + below(5) - 2 }, () => below(9)) })),
    () =>
      asJson(
        edits,
        edit({
          changes: Array.from({ length: 15_000 }, (_, k) => ({ kind: 'camera', id: `c${k}`, set: {} })),
        }),
      ),
    () => asJson(edits, edit({ baseVersion: [-1, 1e300, 0.5, null][below(4)] })),
    () =>
      asJson(
        edits,
        edit({ id: ['', 'x', null, '__proto__'][below(4)], site: ['constructor', '..', site][below(3)] }),
      ),
    () =>
      asJson(
        edits,
        edit({
          changes: [
            {
              kind: ['camera', '__proto__', 'constructor'][below(3)],
              id: 'constructor',
              set: { id: 'constructor' },
            },
          ],
        }),
      ),
    () => asJson(edits, '{"id":'),
    () => ({
      method: 'POST',
      path: edits,
      headers: json,
      body: Buffer.from([0xff, 0xfe, 0x00, 0xd8, below(256)]),
    }),
    () => ({
      method: 'POST',
      path: edits,
      headers: { ...json, 'content-encoding': 'gzip' },
      body: gzipSync(' '.repeat(40_000_000)),
    }),
    () => ({
      method: 'POST',
      path: edits,
      headers: { ...json, 'content-encoding': ['br', 'deflate', 'x'][below(3)]! },
      body: 'x',
    }),
    () => ({
      method: 'POST',
      path: '/api/pictures?for=drawing',
      headers: bytes,
      body: svg('<g>'.repeat(100_000)),
    }),
    () => ({
      method: 'POST',
      path: '/api/pictures?for=drawing',
      headers: bytes,
      body: svg(`<g id="a">${'<use href="#a"/>'.repeat(500)}</g>`),
    }),
    () => ({
      method: 'POST',
      path: '/api/pictures?for=drawing',
      headers: bytes,
      body: svg('<!ENTITY x "y">'.repeat(1000)),
    }),
    () => ({
      method: 'POST',
      path: '/api/pictures?for=photo',
      headers: bytes,
      body: Buffer.from([0xff, 0xd8, 0xff, 0xe0, below(256)]),
    }),
    () => ({
      method: 'POST',
      path: `/api/pictures?for=${'x'.repeat(below(9000))}`,
      headers: bytes,
      body: 'x',
    }),
    () =>
      asJson(
        '/api/instrument/identify',
        JSON.stringify({
          site: 'saltmarrow-ferry-terminal',
          address: ['169.254.169.254:80', '127.0.0.1:99999', '[::]:1', 'x'][below(4)],
        }),
      ),
    () =>
      asJson(
        '/api/recorders/read',
        JSON.stringify({
          site: 'saltmarrow-ferry-terminal',
          address: ['127.0.0.1:1', 'localhost:0', '[fe80::1]:80'][below(3)],
        }),
      ),
    () =>
      asJson(
        `/api/sites/${site}/recorders/hall-recorder/applying`,
        JSON.stringify({ address: '127.0.0.1:1', key: '\u20ac', by: 'x' }),
      ),
    () =>
      asJson(`/api/sites/${site}/recorders/${['..%2f..', '%00', 'constructor'][below(3)]}/applying/on`, '{}'),
    () => ({
      method: 'GET',
      path: `/api/sites/${['%00', '..%2f', 'constructor', '%ff', 'x'.repeat(3000)][below(5)]}`,
    }),
    () => ({
      method: 'GET',
      path: `/api/sites/${site}/edits?after=${['-1', 'x', '1e999', '%00'][below(4)]}`,
    }),
    () => ({ method: 'GET', path: `/api/sites/${site}/plan?seconds=${['0', '-1', 'NaN', '1e9'][below(4)]}` }),
    () => ({ method: 'GET', path: `/${'../'.repeat(below(9))}etc/passwd` }),
    () => ({ method: 'GET', path: '/%c0%ae%c0%ae/%' }),
    () => ({
      method: ['PUT', 'DELETE', 'PATCH', 'TRACE', 'OPTIONS'][below(4)]!,
      path: edits,
      headers: json,
      body: '{}',
    }),
    () => ({ method: 'GET', path: '/api/sites', headers: { 'sec-fetch-site': 'cross-site' } }),
    () => ({ method: 'GET', path: '/api/sites', headers: { origin: 'http://elsewhere.example' } }),
  ];
}

interface Figures {
  ends: number;
  faults: string[];
  silences: number;
  longestMs: number;
}

/** Sends hostile requests by several clients at once, while another asks for the list of sites and waits for it. */
export async function hostile(count: number, random: Random): Promise<Row[]> {
  const server = await startServer(newFolder());
  const site = await importSite(server.address, demoText);
  const kinds = kindsOf(site, random);
  const figures: Figures = { ends: 0, faults: [], silences: 0, longestMs: 0 };
  // Once through everything before memory is looked at: code is compiled and pools are filled by then.
  const send = async (request: Hostile): Promise<void> => {
    const { method, path, headers = {}, body } = request;
    try {
      const answer = await fetch(`${server.address}${path}`, {
        method,
        headers: { ...asPerson(`${server.address}${path}`), ...headers },
        ...(body === undefined ? {} : { body: body as BodyInit }),
        signal: AbortSignal.timeout(30_000),
      });
      await answer.arrayBuffer();
      // A device that does not answer is 502, and a server that is asked too much says when to come back.
      if (answer.status >= 500 && answer.status !== 502 && answer.status !== 503 && answer.status !== 504)
        figures.faults.push(`${answer.status} ${method} ${path.slice(0, 60)}`);
    } catch {
      // Cut off by the server, which is an answer too, as long as it is there.
    }
  };
  for (const kind of kinds) await send(kind());
  const before = residentMb(server);
  let isOver = false;
  const other = (async () => {
    while (!isOver && isRunning(server)) {
      const start = performance.now();
      const answer = await get(`${server.address}/api/sites`).catch(() => null);
      const took = performance.now() - start;
      figures.longestMs = Math.max(figures.longestMs, took);
      if (!answer || took > 1000) figures.silences += 1;
      await new Promise((resolve) => setTimeout(resolve, 20));
    }
  })();
  let left = count;
  const clients = Array.from({ length: 3 }, async () => {
    while (left > 0 && isRunning(server)) {
      left -= 1;
      await send(kinds[randomBelow(random, kinds.length)]!());
    }
  });
  await Promise.all(clients);
  isOver = true;
  await other;
  figures.ends = isRunning(server) ? 0 : 1;
  // What was taken is given back once nothing is asked for.
  let after = residentMb(server);
  for (let k = 0; k < 40 && after > 1.5 * before; k += 1) {
    await new Promise((resolve) => setTimeout(resolve, 1000));
    after = residentMb(server);
  }
  await kill(server, 'SIGTERM');
  return [
    {
      figure: `${count} hostile requests of ${kinds.length} kinds`,
      measured: `${figures.ends} ends, ${figures.faults.length} answers of 5xx`,
      wanted: '0 ends, 0 answers of 5xx',
      holds: figures.ends === 0 && figures.faults.length === 0,
    },
    ...[...new Set(figures.faults)]
      .slice(0, 8)
      .map((fault): Row => ({ figure: `  ${fault}`, measured: '', wanted: '', holds: false })),
    {
      figure: 'another client meanwhile',
      measured: `${figures.silences} times longer than 1 s, at most ${figures.longestMs.toFixed(0)} ms`,
      wanted: 'never over 1 s',
      holds: figures.silences === 0,
    },
    {
      figure: 'memory after, against before',
      measured: `${after.toFixed(0)} MB to ${before.toFixed(0)} MB`,
      wanted: 'at most 1.5 times',
      holds: after <= 1.5 * before,
    },
  ];
}
