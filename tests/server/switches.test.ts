import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest';
import { soakFromCounters } from '#core/signoff/soak';
import { noDevices } from '../../server/demoDevices';
import { startServer, type RunningServer } from '../../server/startServer';
import { switchClient } from '../../server/switches/switchClient';
import type { Listening } from '../../stand-ins/listen';
import { startSwitch } from '../../stand-ins/switch/startSwitch';
import { switchStateSchema } from '../../stand-ins/switch/switch';
import { demoFile, ended, newFolder, post, root, siteId, startProcess } from './serverUnderTest';

const state = switchStateSchema.parse(
  JSON.parse(readFileSync(path.join(root, 'demo', 'saltmarrow.switch.json'), 'utf8')),
);
const answerMs = 400;

describe('a switch', () => {
  let running: Listening;
  beforeAll(async () => {
    running = await startSwitch({ state, key: 'ferry', restartMs: 300 }, 0);
  });
  afterAll(() => running.close());

  it('tells its ports as they are', async () => {
    expect(await switchClient(running.address, '', answerMs).report()).toEqual(state);
  });
  it('takes the power off a port and gives it back, for whoever holds its key', async () => {
    const line = switchClient(running.address, 'ferry', answerMs);
    await line.restartPort(1);
    const portOne = async () => (await line.report()).ports.find(({ number }) => number === 1)!;
    expect(await portOne()).toMatchObject({ isUp: false, seen: [], poe: { isOn: false, watts: 0 } });
    await expect.poll(portOne, { timeout: 20_000 }).toEqual(state.ports[0]);
  });
  it.each([
    ['a wrong key', 'quay', 1, /key is not the switch/],
    ['a port that it has not', 'ferry', 99, /no port 99/],
    ['a port without power', 'ferry', 8, /gives no power/],
  ])('refuses %s in words', async (_, key, port, words) => {
    await expect(switchClient(running.address, key, answerMs).restartPort(port)).rejects.toThrow(words);
  });
});

describe('something else at its address', () => {
  let server: Server | undefined;
  const at = (body: string | null): Promise<string> =>
    new Promise((resolve) => {
      server = createServer((request, response) => {
        request.resume();
        if (body !== null) response.end(body);
      }).listen(0, '127.0.0.1', () => resolve(`127.0.0.1:${(server!.address() as AddressInfo).port}`));
    });
  afterEach(() => {
    server?.closeAllConnections();
    server?.close();
  });
  it.each([
    ['text', 'hello', /is no switch that can be talked to/],
    ['another device’s answer', '{"model":"x"}', /does not say what a switch says/],
    [
      'ports that are none',
      JSON.stringify({ ...state, ports: [{ number: 0 }] }),
      /does not say what a switch says/,
    ],
    ['an answer without end', `"${'x'.repeat(1_200_000)}"`, /sends without end/],
    ['an answer that nests without end', '['.repeat(100_000), /nests its answer without end/],
    ['nothing', null, /Nothing answers/],
  ])('that says %s gives no report', async (_, body, words) => {
    await expect(switchClient(await at(body), '', answerMs).report()).rejects.toThrow(words);
  });
  it('that is not there any more is told as silence', async () => {
    const gone = await at('x');
    await new Promise((resolve) => server!.close(resolve));
    await expect(switchClient(gone, '', answerMs).report()).rejects.toThrow(/Nothing answers/);
  });
});

describe('over the wire', () => {
  let server: RunningServer;
  let running: Listening;
  beforeAll(async () => {
    running = await startSwitch({ state, key: 'ferry', restartMs: 50 }, 0);
    server = await startServer({
      port: 0,
      dataDir: newFolder(),
      webDir: root,
      demoFile,
      withDemo: true,
      reset: false,
      standIns: { ...noDevices, switch: Promise.resolve(running.address) },
    });
  });
  afterAll(() => Promise.all([server.close(), running.close()]));
  const ask = (at: string, body: object): Promise<Response> =>
    post(`${server.address}/api/switches/${at}`, body);

  it('it is found, read and its port started anew; a closed address is refused before anything is asked', async () => {
    const { standIn } = (await (await fetch(`${server.address}/api/switches`)).json()) as { standIn: string };
    expect(standIn).toBe(running.address);
    expect(await (await ask('read', { site: siteId, address: standIn })).json()).toEqual(state);
    const restart = (key: string) => ask('restart-port', { site: siteId, address: standIn, key, port: 2 });
    expect([(await restart('ferry')).status, (await restart('x')).status]).toEqual([204, 409]);
    expect((await ask('read', { site: siteId, address: '203.0.113.9:80' })).status).toBe(403);
    expect((await ask('read', { site: siteId, address: '127.0.0.1:1' })).status).toBe(502);
    expect((await ask('restart-port', { site: siteId, address: standIn, key: 'k', port: 0 })).status).toBe(
      400,
    );
  });
  it('the demo brings its own up, which goes with it', async () => {
    const { process: child, address } = await startProcess(['--demo', '--data', newFolder(), '--port', '0']);
    const { standIn } = (await (await fetch(`${address}/api/switches`)).json()) as { standIn: string };
    expect((await fetch(`http://${standIn}/state`)).status).toBe(200);
    child.kill('SIGTERM');
    await ended(child);
    await expect
      .poll(
        () =>
          fetch(`http://${standIn}/state`).then(
            () => 'there',
            () => 'gone',
          ),
        { timeout: 20_000 },
      )
      .toBe('gone');
  });
});

describe('a soak by the counters of a switch', () => {
  let running: Listening;
  beforeAll(async () => {
    running = await startSwitch({ state, key: 'ferry', restartMs: 300, losesAtNight: [2] }, 0);
  });
  afterAll(() => running.close());
  const hourOf = (atMs: number): number => new Date(atMs).getHours();
  const soakOfPort = async (port: number) => {
    const found = soakFromCounters(await switchClient(running.address, '', answerMs).counters(port), hourOf);
    if (!found.ok) throw new Error(found.problems.join(' '));
    return found.value;
  };

  it('is three days without a drop on a sound port', async () => {
    expect(await soakOfPort(1)).toEqual({
      kind: 'soak',
      hours: 72,
      lostPercent: 0,
      drops: 0,
      gapMinutes: 0,
    });
  });
  it('tells of a link that goes away by night, and when', async () => {
    expect(await soakOfPort(2)).toMatchObject({ hours: 72, drops: 3, worstHour: 2 });
  });
  it('knows no port that is not there', async () => {
    await expect(switchClient(running.address, '', answerMs).counters(99)).rejects.toThrow(/no port 99/);
  });
});
