import { createServer } from 'node:net';
import { readdirSync, readFileSync, statSync } from 'node:fs';
import path from 'node:path';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { deviceDoor } from '../../server/http/deviceDoor';
import { keepPace } from '../../server/http/pace';
import type { Refused } from '../../server/http/refused';
import { openLine } from '../../server/instruments/line';
import { serverLog } from '../../server/log/serverLog';
import { startServer, type RunningServer } from '../../server/startServer';
import { demoFile, newFolder, post, root, siteId } from './serverUnderTest';

let server: RunningServer;
beforeAll(async () => {
  server = await startServer({
    port: 0,
    dataDir: newFolder(),
    webDir: path.join(root, 'dist'),
    demoFile,
    withDemo: true,
    reset: false,
  });
});
afterAll(() => server.close());

describe('devices are reached in private networks, and elsewhere by name only', () => {
  const refusal = async (address: string, named: string[] = []): Promise<number | string> =>
    deviceDoor(() => Promise.resolve(named.map((host) => ({ host, by: 'x', at: '' }))))('a', address).catch(
      (error: unknown) => (error as Refused).details.status,
    );
  it.each([
    ['192.168.1.60:80', '192.168.1.60:80'],
    ['10.20.0.5:80', '10.20.0.5:80'],
    ['127.0.0.1:5025', '127.0.0.1:5025'],
    ['[::1]:5025', '[::1]:5025'],
    ['[fd00::5]:80', '[fd00::5]:80'],
  ])('%s is', async (address, at) => expect(await refusal(address)).toBe(at));
  it.each([
    '169.254.169.254:80',
    '[fe80::1]:80',
    '203.0.113.5:80',
    '0.0.0.0:80',
    '255.255.255.255:80',
    '[::ffff:169.254.169.254]:80',
    '100.64.0.1:80',
  ])('%s is not, and nothing is asked there', async (address) => expect(await refusal(address)).toBe(403));
  it('a name is resolved before it is judged', async () => {
    expect(await refusal('localhost:80')).toMatch(/^(127\.0\.0\.1|\[::1\]):80$/);
    expect(await refusal('no-such-device.invalid:80')).toBe(502);
  });
  it('a person can allow one for a site', async () =>
    expect(await refusal('203.0.113.5:80', ['203.0.113.5'])).toBe('203.0.113.5:80'));
  it('over the wire it is said in words, for instruments and recorders', async () => {
    const closed = { address: '169.254.169.254:80' };
    for (const [at, body] of [
      ['/instrument/identify', { site: siteId, ...closed }],
      ['/recorders/read', { site: siteId, ...closed }],
      [`/sites/${siteId}/recorders/hall-recorder/applying`, { ...closed, key: 'k', by: 'R. Tolland' }],
    ] as const) {
      const answer = await post(`${server.address}/api${at}`, body);
      expect(answer.status).toBe(403);
      expect(await answer.json()).toMatchObject({ kind: 'not-allowed', host: '169.254.169.254' });
    }
  });
  it('what is allowed is listed with who said so, is open for that site alone, and can be withdrawn', async () => {
    const hosts = `${server.address}/api/sites/${siteId}/hosts`;
    const asked = (site: string): Promise<Response> =>
      post(`${server.address}/api/recorders/read`, { site, address: '0.0.0.0:1' });
    expect((await asked(siteId)).status).toBe(403);
    expect((await post(hosts, { host: '0.0.0.0', by: 'R. Tolland' })).status).toBe(204);
    expect(await (await fetch(hosts)).json()).toMatchObject({
      hosts: [{ host: '0.0.0.0', by: 'R. Tolland' }],
    });
    expect([(await asked(siteId)).status, (await asked('another')).status]).toEqual([502, 403]);
    expect((await fetch(`${hosts}/0.0.0.0`, { method: 'DELETE' })).status).toBe(204);
    expect((await asked(siteId)).status).toBe(403);
    expect((await post(hosts, { host: 'http://x', by: 'R. Tolland' })).status).toBe(400);
    expect((await post(`${server.address}/api/sites/atlantis/hosts`, { host: 'x', by: 'x' })).status).toBe(
      404,
    );
  });
  it('a port that there is none of and a key that goes into no request are refused before anything is asked', async () => {
    expect(
      (await post(`${server.address}/api/recorders/read`, { site: siteId, address: '127.0.0.1:70000' }))
        .status,
    ).toBe(400);
    const key = await post(`${server.address}/api/sites/${siteId}/recorders/hall-recorder/applying`, {
      address: '127.0.0.1:80',
      key: 'Schlüssel\n',
      by: 'R. Tolland',
    });
    expect(key.status).toBe(400);
    expect(await key.json()).toMatchObject({ problems: [{ path: 'key' }] });
  });
  it('a closed port and one that hangs up are told alike', async () => {
    const hangsUp = createServer((socket) => socket.destroy()).listen(0, '127.0.0.1');
    await new Promise((resolve) => hangsUp.once('listening', resolve));
    const { port } = hangsUp.address() as { port: number };
    await new Promise((resolve) => hangsUp.close(resolve));
    const answer = await post(`${server.address}/api/instrument/identify`, {
      site: siteId,
      address: `127.0.0.1:${port}`,
    });
    expect(answer.status).toBe(502);
    expect(((await answer.json()) as { detail: string }).detail).toMatch(/^Nothing answers at/);
  });
  it('an address in brackets is reached', async () => {
    const device = createServer((socket) => socket.on('data', () => socket.write('ECHO,1\n'))).listen(
      0,
      '::1',
    );
    await new Promise((resolve) => device.once('listening', resolve));
    const { port } = device.address() as { port: number };
    const line = await openLine(`[::1]:${port}`, { connectMs: 2000, answerMs: 2000 });
    expect(await line.ask('*IDN?')).toBe('ECHO,1');
    line.close();
    device.close();
  });
});

describe('another site’s page', () => {
  const ask = (address: string, asker: string) =>
    fetch(`${server.address}${address}`, { headers: { 'sec-fetch-site': asker } });
  it('starts no work here, by a picture or a link either', async () => {
    for (const asker of ['cross-site', 'same-site']) {
      expect((await ask(`/api/sites/${siteId}/plan?seconds=1`, asker)).status).toBe(403);
      expect((await ask(`/api/sites/${siteId}/file`, asker)).status).toBe(403);
    }
    for (const asker of ['same-origin', 'none']) expect((await ask('/api/sites', asker)).status).toBe(200);
  });
});

describe('a pace', () => {
  const through = async (pace: ReturnType<typeof keepPace>, work: () => Promise<void>): Promise<number> =>
    pace({ state: { visitor: { kind: 'without-accounts' } } } as never, work).then(
      () => 200,
      (error: unknown) => (error as Refused).details.status,
    );
  it('asks whoever is too fast to come back, and others go on', async () => {
    const pace = keepPace({ what: 'sites', aMinute: 5, atOnce: 2 });
    let finish = (): void => undefined;
    const waiting = new Promise<void>((resolve) => (finish = resolve));
    const going = [through(pace, () => waiting), through(pace, () => waiting)];
    // The limiter answers a moment later; both are in by then.
    await vi.waitFor(async () => expect(await through(pace, () => Promise.resolve())).toBe(429));
    finish();
    expect(await Promise.all(going)).toEqual([200, 200]);
    const statuses: number[] = [];
    for (let k = 0; k < 6; k += 1) statuses.push(await through(pace, () => Promise.resolve()));
    expect(statuses).toContain(429);
  });
});

describe('what broke inside', () => {
  it('is noted by its kind and place, and no fact of a customer with it', async () => {
    const said = vi.spyOn(console, 'error').mockImplementation(() => undefined);
    const folder = newFolder();
    const log = await serverLog(folder);
    const fault = Object.assign(new Error(`insert into fact values ('Harbour safe, code 4711')`), {
      code: 'SQLITE_X',
    });
    log.fault('An answer failed', fault, { method: 'POST', route: '/api/sites/:id/edits' });
    await log.close();
    const text = String(said.mock.calls[0]![0]);
    said.mockRestore();
    const kept = readFileSync(path.join(folder, 'logs', 'neotrope.1.log'), 'utf8');
    expect(text).toMatch(/^An answer failed: Error SQLITE_X at POST \/api\/sites\/:id\/edits: at /);
    expect(JSON.parse(kept)).toMatchObject({ level: 50, msg: 'An answer failed', kind: 'Error SQLITE_X' });
    for (const said of [text, kept]) {
      expect(said).not.toContain('4711');
      expect(said.length).toBeLessThan(1200);
    }
  });
  it('takes ten megabytes at most, however much goes wrong', async () => {
    const said = vi.spyOn(console, 'error').mockImplementation(() => undefined);
    const folder = newFolder();
    for (let start = 0; start < 3; start += 1) {
      const log = await serverLog(folder);
      for (let n = 0; n < 12_000; n += 1) log.fault('An answer failed', new Error('again'));
      await log.close();
    }
    said.mockRestore();
    const files = readdirSync(path.join(folder, 'logs'));
    const bytes = files.reduce((sum, name) => sum + statSync(path.join(folder, 'logs', name)).size, 0);
    expect(files.length).toBeLessThanOrEqual(5);
    expect(bytes).toBeGreaterThan(5_000_000);
    expect(bytes).toBeLessThan(11_000_000);
  });
});
