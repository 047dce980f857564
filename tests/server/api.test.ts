import { request } from 'node:http';
import path from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Problem } from '#core/shared/problems';
import type { LogEntry, SiteFile } from '#core/model/site';
import { startServer, type RunningServer } from '../../server/startServer';
import { placeFor } from './placeUnderTest';
import { choosing, demo, demoFile, newFolder, post, root, siteId } from './serverUnderTest';

let server: RunningServer;
let api: string;
let site: string;

beforeAll(async () => {
  server = await startServer({
    port: 0,
    ...(await placeFor(newFolder())),
    webDir: path.join(root, 'dist'),
    demoFile,
    withDemo: true,
    reset: false,
  });
  api = `${server.address}/api`;
  site = `${api}/sites/${siteId}`;
});
afterAll(() => server.close());

interface Served {
  version: number;
  file: SiteFile;
  log: LogEntry[];
}
interface Details {
  status: number;
  title: string;
  detail: string;
  problems: Problem[];
  since: LogEntry[];
  version: number;
}
const read = async (): Promise<Served> => (await fetch(site)).json() as Promise<Served>;
const details = async (response: Response): Promise<Details> => {
  expect(response.headers.get('content-type')).toMatch(/^application\/problem\+json/);
  return response.json() as Promise<Details>;
};

describe('reading', () => {
  it('lists the demo and serves it as it was imported', async () => {
    const { sites } = (await (await fetch(`${api}/sites`)).json()) as {
      sites: { id: string; name: string }[];
    };
    expect(sites).toMatchObject([{ id: siteId, name: 'Saltmarrow Ferry Terminal' }]);
    expect((await read()).file).toEqual({ ...demo(), files: [] });
  });
  it('gives the site file to download, the same as went in', async () => {
    const response = await fetch(`${site}/file`);
    expect(response.headers.get('content-disposition')).toBe(
      'attachment; filename="saltmarrow-ferry-terminal.neotrope.json"',
    );
    expect(await response.json()).toEqual(demo());
  });
  it('starts a site from a template, all of it assumed, or says that there is none of that name', async () => {
    const create = (template: string) =>
      post(`${api}/sites`, { name: 'Saltmarrow kiosk', headEndName: 'Back office', template });
    const made = (await (await create('shop')).json()) as { id: string };
    const { file } = (await (await fetch(`${api}/sites/${made.id}`)).json()) as {
      file: { cameras: { assumed?: string[] }[] };
    };
    expect(file.cameras).toHaveLength(8);
    expect(file.cameras.every(({ assumed = [] }) => assumed.length > 0)).toBe(true);
    expect(await details(await create('castle'))).toMatchObject({
      status: 422,
      problems: [{ path: 'template' }],
    });
  });
  it('gives the plan as CSV, a line a camera', async () => {
    const lines = (await (await fetch(`${site}/plan.csv`)).text()).trimEnd().split('\r\n');
    expect(lines).toHaveLength(25);
    expect(lines[0]).toContain('camera id,camera,name,place id,place,run id,run m,option,');
    expect(lines[1]).toMatch(/^c01,1,Hall north desk,ticket-hall,Ticket hall,r01,34,ip-coax-unit,/);
  });
  it('compresses, and sends the headers that keep a page to itself', async () => {
    const response = await fetch(site, { headers: { 'accept-encoding': 'gzip' } });
    expect(response.headers.get('content-encoding')).toBe('gzip');
    expect(response.headers.get('content-security-policy')).toContain("default-src 'self'");
    expect(response.headers.get('x-content-type-options')).toBe('nosniff');
    expect(response.headers.get('cache-control')).toBe('no-store');
  });
  it('says what is not there', async () => {
    expect(await details(await fetch(`${api}/sites/atlantis`))).toMatchObject({
      status: 404,
      detail: 'There is no site atlantis here, unless it is in the bin.',
    });
    expect(await details(await fetch(`${api}/weather`))).toMatchObject({ status: 404 });
    expect(await details(await fetch(`${api}/sites`, { method: 'DELETE' }))).toMatchObject({ status: 405 });
  });
});

describe('editing', () => {
  it('applies an edit, logs it with its inverse, and takes it back', async () => {
    const { version } = await read();
    const edit = choosing('c08', 'ip-coax-unit', version);
    const { entry } = (await (await post(`${site}/edits`, edit)).json()) as { entry: LogEntry };
    expect(entry).toMatchObject({
      id: edit.id,
      version: version + 1,
      inverse: [{ kind: 'choice', id: 'c08', remove: true }],
    });
    const after = await read();
    expect(after.file.choices.find(({ id }) => id === 'c08')?.option).toBe('ip-coax-unit');
    expect(after.log.at(-1)).toEqual(entry);
    const undo = choosing('c08', '', version + 1, {
      changes: entry.inverse,
      operation: { kind: 'undo', of: edit.id },
    });
    expect((await post(`${site}/edits`, undo)).status).toBe(200);
    expect((await read()).file).toEqual({ ...demo(), files: [] });
  });
  it('sent twice happens once', async () => {
    const { version } = await read();
    const edit = choosing('c09', 'keep', version);
    const first = (await (await post(`${site}/edits`, edit)).json()) as unknown;
    expect(await (await post(`${site}/edits`, edit)).json()).toEqual(first);
    expect((await read()).version).toBe(version + 1);
  });
  it('on an old version is refused with what changed meanwhile', async () => {
    const { version } = await read();
    await post(`${site}/edits`, choosing('c10', 'keep', version));
    const problem = await details(await post(`${site}/edits`, choosing('c12', 'keep', version)));
    expect(problem).toMatchObject({ status: 409, version: version + 1 });
    expect(problem.since.map(({ changes }) => changes[0]?.id)).toEqual(['c10']);
    expect((await read()).file.choices.some(({ id }) => id === 'c12')).toBe(false);
    const { entries } = (await (await fetch(`${site}/edits?after=${version}`)).json()) as {
      entries: LogEntry[];
    };
    expect(entries).toEqual(problem.since);
  });
  it('two at once: one happens, the other is told', async () => {
    const { version } = await read();
    const answers = await Promise.all(
      ['c13', 'c14', 'c15'].map((id) => post(`${site}/edits`, choosing(id, 'keep', version))),
    );
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 409, 409]);
    expect((await read()).version).toBe(version + 1);
  });
  it('several in turn go through as far as they fit, each on the one before; the rest is told of when it comes first', async () => {
    const { version } = await read();
    const inTurn = (edits: unknown[]) => post(`${site}/edits/in-turn`, { edits });
    const three = ['c02', 'c04', 'c05'].map((camera, index) => choosing(camera, 'keep', version + index));
    const answer = await inTurn(three);
    const { entries } = (await answer.json()) as { entries: LogEntry[] };
    expect(entries.map((entry) => [entry.id, entry.version])).toEqual(
      three.map(({ id }, index) => [id, version + index + 1]),
    );
    // The answer was lost: they have happened, and the next goes on from there.
    const again = await inTurn([...three, choosing('c06', 'keep', version + 3)]);
    expect(((await again.json()) as { entries: LogEntry[] }).entries.map((entry) => entry.version)).toEqual(
      [1, 2, 3, 4].map((n) => version + n),
    );
    // The second names a camera that is not there.
    const half = [
      choosing('c02', 'hd-coax', version + 4),
      choosing('c99', 'keep', version + 5),
      choosing('c04', 'hd-coax', version + 6),
    ];
    const partly = (await (await inTurn(half)).json()) as { entries: LogEntry[] };
    expect(partly.entries.map(({ id }) => id)).toEqual([half[0]!.id]);
    expect((await read()).version).toBe(version + 5);
    const refused = await inTurn(half.slice(1));
    expect([refused.status, ((await refused.json()) as Details).title]).toEqual([422, 'Does not fit']);
    const behind = await inTurn([choosing('c02', 'keep', version)]);
    expect([behind.status, ((await behind.json()) as Details).since.length]).toEqual([409, 5]);
    expect((await inTurn([])).status).toBe(400);
    expect((await read()).version).toBe(version + 5);
  });
  it('an edit for a removed camera changes nothing, not even its sound part', async () => {
    const before = await read();
    const edit = choosing('c08', 'keep', before.version);
    edit.changes.push({
      kind: 'choice',
      id: 'c99',
      set: { id: 'c99', option: 'keep', at: '2026-03-12T09:00:00Z', by: 'x' },
    });
    const problem = await details(await post(`${site}/edits`, edit));
    expect(problem).toMatchObject({
      status: 422,
      problems: [{ path: 'choice/c99/id', value: '"c99"', allowed: 'the id of a camera of this site' }],
    });
    expect(await read()).toEqual(before);
  });
  it.each<[string, unknown, string, string]>([
    ['an unknown cable', { cable: 'coax-string' }, 'changes[0].set.segments[0].cable', 'one of coax-rg59-cu'],
    ['a negative length', { lengthM: -4 }, 'changes[0].set.segments[0].lengthM', 'more than 0'],
    ['an absurd length', { lengthM: 1e7 }, 'changes[0].set.segments[0].lengthM', 'at most 5000'],
    ['a length in words', { lengthM: 'long' }, 'changes[0].set.segments[0].lengthM', 'a number'],
  ])('refuses %s with the path, the value and what is allowed', async (_, over, where, allowed) => {
    const { version, file } = await read();
    const run = structuredClone(file.runs[7]!);
    Object.assign(run.segments[0]!, over);
    const problem = await details(
      await post(`${site}/edits`, {
        ...choosing('c08', 'keep', version),
        changes: [{ kind: 'run', id: run.id, set: run }],
      }),
    );
    expect(problem.status).toBe(400);
    expect(problem.problems[0]).toMatchObject({
      path: where,
      allowed: expect.stringContaining(allowed) as string,
    });
  });
  it('refuses an edit for another site than the address', async () => {
    expect(
      await details(await post(`${api}/sites/atlantis/edits`, choosing('c08', 'keep', 0))),
    ).toMatchObject({ status: 400, problems: [{ path: 'site' }] });
    expect(
      await details(
        await post(`${api}/sites/atlantis/edits`, choosing('c08', 'keep', 0, { site: 'atlantis' })),
      ),
    ).toMatchObject({ status: 404 });
  });
});

describe('importing', () => {
  it('takes a site file beside the one there is, under an id of its own', async () => {
    const response = await post(`${api}/sites/import`, demo());
    expect(response.status).toBe(201);
    expect(await response.json()).toMatchObject({ id: `${siteId}-2`, version: 0 });
  });
  it('a new site is told which of its two fields is missing', async () => {
    const detailOf = async (body: unknown) =>
      ((await (await post(`${api}/sites`, body)).json()) as { detail: string }).detail;
    expect(await detailOf({ name: 'Saltmarrow annex', headEndName: '' })).toMatch(
      /^Enter where the recorders are\./,
    );
    expect(await detailOf({ name: '', headEndName: 'Annex' })).toMatch(/^Enter a name for the site\./);
  });
  it('starts an empty site', async () => {
    const response = await post(`${api}/sites`, { name: 'Saltmarrow annex', headEndName: 'Annex' });
    expect(await response.json()).toMatchObject({ id: 'saltmarrow-annex' });
    expect(await details(await post(`${api}/sites`, { name: '' }))).toMatchObject({ status: 400 });
  });
  it.each<[string, () => unknown, string]>([
    ['a future version', () => ({ ...demo(), version: 9 }), 'version'],
    [
      'a run with no segments',
      () => {
        const file = demo();
        file.runs[0]!.segments = [];
        return file;
      },
      'runs[0].segments',
    ],
    [
      'two cameras on one run’s end',
      () => {
        const file = demo();
        file.runs[0]!.cameraId = 'c02';
        return file;
      },
      'run/r02/cameraId',
    ],
    ['something else', () => ['a', 'list'], '(input)'],
  ])('refuses %s and keeps nothing of it', async (_, file, where) => {
    const count = async () =>
      ((await (await fetch(`${api}/sites`)).json()) as { sites: unknown[] }).sites.length;
    const before = await count();
    const problem = await details(await post(`${api}/sites/import`, file()));
    expect(problem.status).toBe(422);
    expect(problem.problems.map(({ path: at }) => at)).toContain(where);
    expect(await count()).toBe(before);
  });
  it('says of a truncated body that it was cut short', async () => {
    const text = JSON.stringify(demo());
    expect(await details(await post(`${api}/sites/import`, text.slice(0, 5000)))).toMatchObject({
      status: 400,
      detail: expect.stringContaining('cut short') as string,
    });
  });
});

/** Sends bytes as they come, whatever a well-behaved client would have done. */
function send(
  headers: Record<string, string>,
  chunks: number,
  chunk: Buffer,
  address = `${site}/edits`,
): Promise<number | undefined> {
  return new Promise((resolve) => {
    const call = request(address, { method: 'POST', headers }, (response) => {
      response.resume();
      resolve(response.statusCode);
    });
    call.on('error', () => resolve(undefined));
    let sent = 0;
    const more = (): void => {
      while (sent < chunks) {
        sent += 1;
        if (!call.write(chunk)) return void call.once('drain', more);
      }
      call.end();
    };
    more();
  });
}

describe('what no page of this server sends', () => {
  it('a body of 200 MB is refused unread, with and without its length said', async () => {
    const megabyte = Buffer.alloc(1 << 20, 'x');
    expect(
      await send({ 'content-type': 'application/json', 'content-length': String(200 << 20) }, 200, megabyte),
    ).toBe(413);
    expect([413, undefined]).toContain(await send({ 'content-type': 'application/json' }, 200, megabyte));
    expect((await fetch(site)).status).toBe(200);
  });
  it('a form, a foreign page or a foreign name gets nothing', async () => {
    expect(
      (await post(`${site}/edits`, 'a=b', { 'content-type': 'application/x-www-form-urlencoded' })).status,
    ).toBe(415);
    expect(
      (await post(`${site}/edits`, choosing('c08', 'keep', 0), { origin: 'http://elsewhere.example' }))
        .status,
    ).toBe(403);
    expect(
      await send({ host: 'elsewhere.example', 'content-type': 'application/json' }, 1, Buffer.from('{}')),
    ).toBe(403);
  });
});
