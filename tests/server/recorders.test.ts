import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import path from 'node:path';
import { readFileSync, writeFileSync } from 'node:fs';
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, inject, it } from 'vitest';
import { devicePlan, planOf, type Applying, type Report } from '#core/allocate/device';
import { siteFromTrusted } from '#core/model/site';
import { apply } from '../../server/recorders/apply';
import { applyingFolder } from '../../server/recorders/applyingFolder';
import { recorderClient } from '../../server/recorders/recorderClient';
import { startServer, type RunningServer } from '../../server/startServer';
import { networkSchema } from '../../stand-ins/recorder/network';
import { initialState, picturesOf, type Memory, type Sold } from '../../stand-ins/recorder/recorder';
import { startRecorder, type RunningRecorder } from '../../stand-ins/recorder/startRecorder';
import { evaluateSite } from '#core/evaluate';
import { placeFor } from './placeUnderTest';
import { demo, demoFile, newFolder, post, root, siteId, unheard } from './serverUnderTest';

const site = siteFromTrusted(demo());
const recorder = site.recorder['hall-recorder']!;
const network = networkSchema.parse(
  JSON.parse(readFileSync(path.join(root, 'demo', 'saltmarrow.network.json'), 'utf8')),
);
const sold: Sold = { recorder, network, pictures: picturesOf(site, recorder.id) };
const patience = { answerMs: 1000, restartMs: 3000, silentMs: 200, pauseMs: 10 };

/** A plan that turns the last two inputs and puts three cameras on. */
const plan = {
  ipInputs: [15, 16],
  timeSource: '10.20.0.1',
  channels: [
    { slot: 15, kind: 'ip' as const, name: '22 Shed gable', address: '10.20.0.122' },
    { slot: 16, kind: 'ip' as const, name: '24 Gate out', address: '10.20.0.124' },
    { slot: 20, kind: 'ip' as const, name: '2 Hall south desk', address: '10.20.0.102' },
  ],
};

let running: RunningRecorder;
let memory: Memory;
const start = async (over: Partial<Sold> = {}, port = 0): Promise<RunningRecorder> =>
  (running = await startRecorder(
    {
      sold: { ...sold, ...over },
      memory,
      key: 'ferry',
      minuteMs: 20,
      keep: (next) => {
        memory = next;
      },
    },
    port,
  ));
const report = async (): Promise<Report> =>
  (await fetch(`http://${running.address}/state`)).json() as Promise<Report>;
const job = async (over: Partial<Applying> = {}): Promise<Applying> => ({
  siteId,
  recorderId: recorder.id,
  address: running.address,
  by: 'R. Tolland',
  startedAt: '2026-04-01T22:00:00Z',
  goal: 'plan',
  plan,
  before: await report(),
  settings: null,
  state: 'running',
  doing: '',
  done: [],
  left: [],
  why: null,
  wrong: [],
  ...over,
});

beforeEach(async () => {
  memory = {
    ...initialState(sold),
    timeSource: null,
    cameras: { 17: '10.20.0.101' },
    names: { ...initialState(sold).names, 17: 'Desk' },
  };
  await start();
});
afterEach(() => running.close());

describe('a plan applied to a recorder', () => {
  const folder = applyingFolder(newFolder());
  const run = async (given: Applying, key = 'ferry', stopped = () => false) =>
    apply(given, recorderClient(given.address, key, patience.answerMs), folder, patience, stopped, unheard);

  it('is in it at the end, over a restart that wiped its settings, with what was not in the plan taken off', async () => {
    const done = await run(await job());
    expect(done).toMatchObject({ state: 'done', why: null, wrong: [], left: [] });
    expect(done.done).toEqual(
      expect.arrayContaining([
        'Save all settings, before anything is changed',
        'Set inputs 15, 16 to IP, and restart',
        'Put the saved settings back',
      ]),
    );
    const now = await report();
    expect([now.ipInputs, now.timeSource, now.factoryValues]).toEqual([[15, 16], '10.20.0.1', false]);
    expect(
      now.channels.filter(({ kind }) => kind === 'ip').map((channel) => [channel.slot, channel.name]),
    ).toEqual([
      [15, '22 Shed gable'],
      [16, '24 Gate out'],
      [20, '2 Hall south desk'],
    ]);
    expect(now.channels.find(({ slot }) => slot === 3)?.name).toBe('3 Turnstiles');
  });
  it('goes back to what was there before', async () => {
    const before = await report();
    const done = await run(await job());
    const back = await run({ ...done, goal: 'back' });
    expect(back.state).toBe('done');
    expect(planOf(await report())).toEqual(planOf(before));
  });
  it('breaks off where the recorder vanishes, and goes on from there with the settings that were saved', async () => {
    const at = running.address;
    let asked = 0;
    const given = await job();
    const line = recorderClient(at, 'ferry', patience.answerMs);
    // The recorder goes for good in the restart that wipes it.
    const cut = {
      ...line,
      perform: async (step: Parameters<typeof line.perform>[0]) => {
        await line.perform(step);
        if (step.kind === 'split') {
          asked += 1;
          await running.close();
        }
      },
    };
    const broken = await apply(given, cut, folder, { ...patience, restartMs: 100 }, () => false, unheard);
    expect([asked, broken.state, broken.settings !== null]).toEqual([1, 'broken-off', true]);
    expect(broken.why).toMatch(/Nothing answers/);
    expect(memory.factoryValues).toBe(true);
    await start({}, Number(at.split(':')[1]));
    const kept = await folder.read({ siteId, recorderId: recorder.id });
    if (kept === null || kept === 'damaged') throw new Error('nothing was kept');
    expect(kept).toEqual(broken);
    expect((await run({ ...kept, address: running.address })).state).toBe('done');
    expect((await report()).channels.find(({ slot }) => slot === 3)?.name).toBe('3 Turnstiles');
  });
  it('is refused with the recorder’s own words: a wrong key, no first password, an address twice', async () => {
    expect(await run(await job(), 'wrong')).toMatchObject({
      state: 'refused',
      why: 'The recorder refuses: The key is not the recorder’s.',
    });
    await running.close();
    await start({
      network: {
        ...network,
        cameras: network.cameras.map((camera) => ({ ...camera, passwordSet: camera.number !== 2 })),
      },
    });
    expect((await run(await job())).why).toMatch(/10\.20\.0\.102 has no first password/);
    await running.close();
    await start({
      network: {
        ...network,
        cameras: network.cameras.map((camera) =>
          camera.number === 3 ? { ...camera, address: '10.20.0.102' } : camera,
        ),
      },
    });
    expect((await run(await job())).why).toMatch(/Two cameras answer at 10\.20\.0\.102/);
  });
  it('is stopped between two steps, and never holds the key on disk', async () => {
    let asked = 0;
    const halted = await run(await job(), 'ferry', () => (asked += 1) > 2);
    expect(halted).toMatchObject({
      state: 'stopped',
      done: [expect.stringMatching(/^Save/), expect.stringMatching(/^Take/)],
    });
    expect(JSON.stringify(await folder.read({ siteId, recorderId: recorder.id }))).not.toContain('ferry"');
  });
  it('says which cameras the recorder dropped, although it holds the plan', async () => {
    await running.close();
    await start({ recorder: { ...recorder, limits: { ...recorder.limits, incomingMbps: 10 } } });
    expect(await run(await job())).toMatchObject({
      state: 'done',
      wrong: [
        expect.stringMatching(
          /“2 Hall south desk” was dropped: 1\d Mb\/s come in, and the recorder takes 10/,
        ),
      ],
    });
  });
});

describe('the addresses of recorders', () => {
  let server: RunningServer;
  const dataDir = newFolder();
  beforeAll(async () => {
    server = await startServer({
      port: 0,
      ...(await placeFor(dataDir)),
      webDir: 'nowhere',
      demoFile,
      withDemo: true,
      reset: false,
    });
  });
  afterAll(() => server.close());
  const applying = () => `${server.address}/api/sites/${siteId}/recorders/${recorder.id}/applying`;
  const asked = () => ({ address: running.address, key: 'ferry', by: 'R. Tolland' });
  async function settled(): Promise<Applying> {
    for (;;) {
      const { applying: now } = (await (await fetch(applying())).json()) as { applying: Applying };
      if (now.state !== 'running') return now;
      await new Promise((resolve) => setTimeout(resolve, 20));
    }
  }

  it('read what a recorder holds and finds', async () => {
    const said = (await (
      await post(`${server.address}/api/recorders/read`, { site: siteId, address: running.address })
    ).json()) as { report: Report; cameras: unknown[] };
    expect([said.report.name, said.cameras.length]).toEqual(['Hall recorder', 24]);
  });
  it('refuse what answers rubbish, without end, or not at all', async () => {
    const rubbish: ((url: string) => string)[] = [
      () => '<html>',
      () => '{"name":1}',
      () => 'x'.repeat(1_200_000),
    ];
    for (const answer of rubbish) {
      const other = createServer((request, response) => response.end(answer(request.url ?? ''))).listen(
        0,
        '127.0.0.1',
      );
      await new Promise((resolve) => other.once('listening', resolve));
      const address = `127.0.0.1:${(other.address() as AddressInfo).port}`;
      const said = await post(`${server.address}/api/recorders/read`, { site: siteId, address });
      expect([said.status, ((await said.json()) as { detail: string }).detail]).toEqual([
        502,
        expect.stringMatching(/no recorder|does not say|without end/),
      ]);
      other.close();
      other.closeAllConnections();
    }
    expect(
      (await post(`${server.address}/api/recorders/read`, { site: siteId, address: '127.0.0.1:1' })).status,
    ).toBe(502);
    expect(
      (await post(`${server.address}/api/recorders/read`, { site: siteId, address: 'file:///etc' })).status,
    ).toBe(400);
  });
  it('apply the plan of the site, one at a time, and tell how far it is', async () => {
    const two = await Promise.all([post(applying(), asked()), post(applying(), asked())]);
    expect(two.map(({ status }) => status).sort()).toEqual([202, 409]);
    expect((await settled()).state).toBe('done');
    const { allocation } = evaluateSite(site);
    const planned = devicePlan(site, recorder, allocation.occupied[recorder.id]!, []);
    expect(planned.kind === 'plan' && planned.plan).toMatchObject({ ipInputs: (await report()).ipInputs });
    expect((await fetch(`${applying()}/settings`)).headers.get('content-disposition')).toContain(
      'hall-recorder-settings.json',
    );
  });
  it('refuse a recorder that cannot be the one that was noted, and a site that is not here', async () => {
    await running.close();
    await start({ recorder: { ...recorder, inputs: 8 } });
    const said = await post(applying(), asked());
    expect([said.status, await said.json()]).toMatchObject([
      409,
      { title: 'The recorder refused', detail: expect.stringMatching(/has 8 inputs/) as string },
    ]);
    expect((await post(`${server.address}/api/sites/nowhere/recorders/x/applying`, asked())).status).toBe(
      404,
    );
    expect((await post(`${applying()}/on`, { ...asked(), goal: 'sideways' })).status).toBe(400);
  });
  it('send a key to no other address than the one it was typed for', async () => {
    const heard: string[] = [];
    const other = createServer((request, response) => {
      heard.push(JSON.stringify(request.headers));
      response.end('{}');
    }).listen(0, '127.0.0.1');
    await new Promise((resolve) => other.once('listening', resolve));
    const address = `127.0.0.1:${(other.address() as AddressInfo).port}`;
    const said = await post(`${applying()}/on`, { ...asked(), address, goal: 'back' });
    expect([said.status, ((await said.json()) as { detail: string }).detail]).toEqual([
      409,
      expect.stringMatching(/no other address/),
    ]);
    expect(heard).toEqual([]);
    other.close();
  });
  it.skipIf(inject('postgres'))('say that a record is damaged, and go on once it is set aside', async () => {
    const file = path.join(dataDir, 'recorders', `${siteId}.${recorder.id}.json`);
    const whole = readFileSync(file, 'utf8');
    for (const bytes of ['', whole.slice(0, whole.length / 2), '{"state":"done"}', 'null']) {
      writeFileSync(file, bytes);
      expect(await (await fetch(applying())).json()).toEqual({ applying: null, damaged: true });
      for (const address of [applying(), `${applying()}/on`]) {
        const said = await post(address, address === applying() ? asked() : { ...asked(), goal: 'plan' });
        expect([said.status, ((await said.json()) as { detail: string }).detail]).toEqual([
          409,
          expect.stringMatching(/damaged/),
        ]);
      }
      expect((await fetch(applying(), { method: 'DELETE' })).status).toBe(204);
      expect(await (await fetch(applying())).json()).toEqual({ applying: null, damaged: false });
      expect(readFileSync(`${file}.damaged`, 'utf8')).toBe(bytes);
    }
    expect((await post(applying(), asked())).status).toBe(202);
    expect((await settled()).state).toBe('done');
  });
  it('lead to no file outside their folder', async () => {
    const outside = `${server.address}/api/sites/${encodeURIComponent('../../x')}/recorders/${encodeURIComponent('../y')}/applying`;
    expect(await (await fetch(outside)).json()).toEqual({ applying: null, damaged: false });
    expect((await post(outside, asked())).status).toBe(404);
  });
  it('forget what was begun when they are told to', async () => {
    expect((await fetch(applying(), { method: 'DELETE' })).status).toBe(204);
    expect(await (await fetch(applying())).json()).toEqual({ applying: null, damaged: false });
    expect((await post(`${applying()}/on`, { ...asked(), goal: 'plan' })).status).toBe(404);
  });
});
