import { createServer, type AddressInfo, type Server, type Socket } from 'node:net';
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest';
import { noDevices } from '../../server/demoDevices';
import { startServer, type RunningServer } from '../../server/startServer';
import { InstrumentError } from '../../server/instruments/instrumentError';
import { identify, readTest, type Asked } from '../../server/instruments/readTest';
import { parseSiteFile } from '#core/model/site';
import truthFile from '../../demo/saltmarrow.truth.json';
import { startTester, type RunningTester } from '../../stand-ins/tester/startTester';
import { truthSchema } from '#core/test/instrument';
import { demo, demoFile, ended, newFolder, post, root, siteId, startProcess } from './serverUnderTest';

const site = (() => {
  const read = parseSiteFile(JSON.stringify(demo()));
  if (read.kind === 'refused') throw new Error('the demo is not sound');
  return read.value;
})();
const bench = (slips = 0) => ({ site, truth: truthSchema.parse(truthFile), random: Math.random, slips });
const patience = { connectMs: 500, answerMs: 300 };
const asked: Asked = { test: 'coax-loop-ohms', runNumber: 14, state: 'isolated', current: 'dc' };

/** An instrument that answers each line as it is told to. */
const fakes: { server: Server; sockets: Set<Socket> }[] = [];
function fake(answers: (line: string, socket: Socket) => string | null): Promise<string> {
  const sockets = new Set<Socket>();
  const server = createServer((socket) => {
    sockets.add(socket);
    socket.on('error', () => undefined);
    let buffer = '';
    socket.on('data', (data) => {
      buffer += data.toString('latin1');
      for (let end = buffer.indexOf('\n'); end >= 0; end = buffer.indexOf('\n')) {
        const said = answers(buffer.slice(0, end), socket);
        buffer = buffer.slice(end + 1);
        if (said !== null && !socket.destroyed) socket.write(said);
      }
    });
  });
  fakes.push({ server, sockets });
  return new Promise((resolve) =>
    server.listen(0, '127.0.0.1', () => resolve(`127.0.0.1:${(server.address() as AddressInfo).port}`)),
  );
}
afterEach(() => {
  for (const { server, sockets } of fakes.splice(0)) {
    for (const socket of sockets) socket.destroy();
    server.close();
  }
});

const failure = async (talk: Promise<unknown>): Promise<InstrumentError> => {
  const error: unknown = await talk.then(
    () => null,
    (reason: unknown) => reason,
  );
  expect(error).toBeInstanceOf(InstrumentError);
  return error as InstrumentError;
};
/** A plain meter: knows who it is, has no routes, and reads whatever it is told. */
const meter = (reading: string | ((line: string, socket: Socket) => string | null)) => {
  let errors = 0;
  return fake((line, socket) => {
    if (line.startsWith('*IDN?')) return 'Hand made,Meter,7,1\n';
    if (line.startsWith('*CLS')) return null;
    if (/^ROUT/i.test(line)) {
      errors += 1;
      return null;
    }
    if (/^SYST/i.test(line))
      return errors > 0 ? ((errors -= 1), '-113,"Undefined header"\n') : '0,"No error"\n';
    return typeof reading === 'string' ? reading : reading(line, socket);
  });
};

describe('an instrument over its line protocol', () => {
  let tester: RunningTester;
  beforeAll(async () => {
    tester = await startTester(bench());
  });
  afterAll(() => tester.close());

  it('says who it is', async () =>
    expect(await identify(tester.address, patience)).toEqual({
      name: 'Saltmarrow Instruments Cable tester stand-in',
      serial: 'ST-0042',
    }));
  it('reads every test that an instrument can read', async () => {
    const read = async (test: Asked['test'], over: Partial<Asked> = {}) =>
      (await readTest(tester.address, { ...asked, test, ...over }, { connectMs: 500, answerMs: 3000 })).found;
    expect(await read('coax-loop-ohms')).toMatchObject({
      test: 'coax-loop-ohms',
      value: expect.closeTo(33.4, -0.5) as number,
    });
    expect(await read('foreign-ac-volts')).toMatchObject({ value: expect.closeTo(0.1, 0) as number });
    expect(await read('shield-earth-volts', { runNumber: 17, state: 'live' })).toMatchObject({
      value: expect.closeTo(4.1, 0) as number,
    });
    expect(await read('insulation-megohms', { runNumber: 16, state: 'disconnected' })).toMatchObject({
      test: 'insulation-megohms',
    });
    expect(await read('continuity')).toEqual({ test: 'continuity', found: 'through' });
    expect(await read('night-volts', { runNumber: 8, state: 'live' })).toMatchObject({
      value: expect.closeTo(8.8, 0) as number,
    });
    expect(await read('day-volts', { runNumber: 13, state: 'live', current: 'ac' })).toMatchObject({
      value: expect.closeTo(25.5, 0) as number,
    });
    expect(await read('link', { runNumber: 1 })).toMatchObject({ test: 'link', deliveredWatts: 12 });
    const trace = await read('reflectometer');
    expect(trace.test === 'reflectometer' && trace.trace.counts.length).toBe(3072);
  });
  it('is believed when it refuses, in its own words', async () => {
    const refused = await failure(readTest(tester.address, { ...asked, state: 'live' }, patience));
    expect(refused).toMatchObject({
      kind: 'refused',
      message: expect.stringMatching(/volts on the line/) as string,
    });
    expect(await failure(readTest(tester.address, { ...asked, runNumber: 999 }, patience))).toMatchObject({
      kind: 'refused',
      message: expect.stringMatching(/no run 999/) as string,
    });
    expect(
      (await failure(readTest(tester.address, { ...asked, test: 'picture' }, patience))).message,
    ).toMatch(/write down what you see/);
  });
  it('is asked once more where a clip lost contact, and then believed', async () => {
    let turn = 0;
    const slipping = await startTester({ ...bench(1), random: () => ((turn += 1) % 2 === 1 ? 0.5 : 0.999) });
    // Slips at a share of one: every measurement loses contact, also the second.
    expect(await failure(readTest(slipping.address, asked, patience))).toMatchObject({
      kind: 'refused',
      message: expect.stringMatching(/lost contact/) as string,
    });
    await slipping.close();
  });
  it('many at once do not mix their answers up', async () => {
    const read = await Promise.all(
      Array.from({ length: 12 }, (_, k) =>
        readTest(
          tester.address,
          { ...asked, runNumber: k % 2 ? 14 : 1 },
          { connectMs: 2000, answerMs: 3000 },
        ),
      ),
    );
    read.forEach(({ found }, k) => expect('value' in found && found.value > 20).toBe(k % 2 === 1));
  });
});

describe('a plain meter and a bad one', () => {
  it('without routes it reads what its leads are on', async () => {
    expect(await readTest(await meter('12.40\n'), asked, patience)).toEqual({
      name: 'Hand made Meter',
      serial: '7',
      found: { test: 'coax-loop-ohms', value: 12.4 },
    });
    expect((await readTest(await meter('+1.240E+01\r\n'), asked, patience)).found).toMatchObject({
      value: 12.4,
    });
  });
  it('nobody there', async () => {
    const address = await meter('1\n');
    for (const { server } of fakes) await new Promise((resolve) => server.close(resolve));
    expect(await failure(readTest(address, asked, patience))).toMatchObject({ kind: 'unreachable' });
  });
  it('too slow', async () =>
    expect(await failure(readTest(await meter(() => null), asked, patience))).toMatchObject({
      kind: 'slow',
      message: expect.stringMatching(/MEASure:RESistance\? within 0\.3 seconds/) as string,
    }));
  it('hangs up in the middle', async () => {
    const address = await meter((_, socket) => {
      socket.write('12.');
      socket.destroy();
      return null;
    });
    expect(await failure(readTest(address, asked, patience))).toMatchObject({ kind: 'dropped' });
  });
  it.each([
    ['words', 'many ohms\n', 'garbage'],
    ['nothing', '\n', 'garbage'],
    ['noise', '\x00\xff\x13\n', 'garbage'],
    ['a minus', '-3\n', 'garbage'],
  ] as const)('answers %s', async (_, said, kind) => {
    expect(await failure(readTest(await meter(said), asked, patience))).toMatchObject({ kind });
  });
  it('never stops', async () => {
    const address = await meter(() => 'x'.repeat(1_200_000));
    expect(await failure(readTest(address, asked, { connectMs: 500, answerMs: 5000 }))).toMatchObject({
      kind: 'garbage',
      message: expect.stringMatching(/without end/) as string,
    });
  });
  it('cuts a trace short', async () => {
    const address = await meter(`2,0.001,500,${Array.from({ length: 40 }, () => 3).join(',')}\n`);
    expect(await failure(readTest(address, { ...asked, test: 'reflectometer' }, patience))).toMatchObject({
      kind: 'garbage',
      message: expect.stringMatching(/40 of 500 samples/) as string,
    });
  });
  it('a trace finer than is kept is thinned', async () => {
    const address = await meter(
      `0.5,1e-7,40000,${Array.from({ length: 40_000 }, (_, k) => (k < 40 ? 900_000 : 0)).join(',')}\n`,
    );
    const { found } = await readTest(
      address,
      { ...asked, test: 'reflectometer' },
      { connectMs: 500, answerMs: 5000 },
    );
    expect(found.test === 'reflectometer' && found.trace).toMatchObject({ stepNs: 1.5 });
  });
});

describe('over HTTP', () => {
  let server: RunningServer;
  let tester: RunningTester;
  beforeAll(async () => {
    tester = await startTester(bench());
    server = await startServer({
      port: 0,
      dataDir: newFolder(),
      webDir: root,
      demoFile,
      reset: false,
      standIns: { ...noDevices, tester: Promise.resolve(tester.address) },
    });
  });
  afterAll(() => Promise.all([server.close(), tester.close()]));
  const ask = (path: string, body: unknown) =>
    post(`${server.address}/api/instrument/${path}`, { site: siteId, ...(body as object) });

  it('tells where the stand-in is, and reads with it', async () => {
    expect(await (await fetch(`${server.address}/api/instrument`)).json()).toMatchObject({
      standIn: tester.address,
      reads: expect.arrayContaining(['reflectometer']) as string[],
    });
    expect(await (await ask('identify', { address: tester.address })).json()).toMatchObject({
      serial: 'ST-0042',
    });
    expect(await (await ask('read', { address: tester.address, ...asked })).json()).toMatchObject({
      found: { test: 'coax-loop-ohms' },
    });
  });
  it('says what was wrong with the question and with the instrument', async () => {
    expect((await ask('read', { address: 'nowhere', ...asked })).status).toBe(400);
    expect((await ask('read', { address: tester.address, ...asked, runNumber: 0 })).status).toBe(400);
    const refused = await ask('read', { address: tester.address, ...asked, state: 'live' });
    expect(refused.status).toBe(409);
    expect(await refused.json()).toMatchObject({ kind: 'refused', title: 'No reading' });
    expect((await ask('identify', { address: '127.0.0.1:1' })).status).toBe(502);
  });
});

describe('the demo', () => {
  it('brings its stand-in up as a process of its own, which goes with it', async () => {
    const started = await startProcess(['--demo', '--port', '0', '--data', newFolder()]);
    const { standIn } = (await (await fetch(`${started.address}/api/instrument`)).json()) as {
      standIn: string;
    };
    expect((await identify(standIn, { connectMs: 2000, answerMs: 2000 })).serial).toBe('ST-0042');
    started.process.kill('SIGKILL');
    await ended(started.process);
    await expect
      .poll(
        () =>
          identify(standIn, { connectMs: 500, answerMs: 500 }).then(
            () => 'there',
            () => 'gone',
          ),
        { timeout: 10_000 },
      )
      .toBe('gone');
  });
});
