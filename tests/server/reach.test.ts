import { X509Certificate } from 'node:crypto';
import { mkdirSync, statSync, writeFileSync } from 'node:fs';
import { request } from 'node:https';
import path from 'node:path';
import { generate } from 'selfsigned';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { startServer, type RunningServer } from '../../server/startServer';
import { ownIdentity, standsFor } from '../../server/tls/ownAuthority';
import { reachOf } from '../../server/tls/reach';
import { demoFile, newFolder, root, runToEnd } from './serverUnderTest';

const day = 24 * 3600 * 1000;
const names = ['saltmarrow.local', '192.0.2.20', 'fd00::20', 'localhost', '127.0.0.1', '::1'];

describe('the server’s own authority', () => {
  it('signs a certificate for every name and address, and stays the same as these change', async () => {
    const folder = newFolder();
    const now = new Date('2026-03-12T09:00:00Z');
    const { server, authority } = await ownIdentity(folder, names, now);
    const certificate = new X509Certificate(server.cert);
    expect(certificate.verify(new X509Certificate(authority).publicKey)).toBe(true);
    expect(new X509Certificate(authority).ca).toBe(true);
    expect(certificate.ca).toBe(false);
    expect(names.every((name) => standsFor(server.cert, name))).toBe(true);
    expect(standsFor(server.cert, 'elsewhere.example')).toBe(false);
    // Phones take none that is good for longer.
    expect(Date.parse(certificate.validTo) - Date.parse(certificate.validFrom)).toBeLessThanOrEqual(
      398 * day,
    );
    expect(await ownIdentity(folder, names, now)).toEqual({ server, authority });
    const moved = await ownIdentity(folder, [...names, '192.0.2.21'], now);
    expect(moved.authority).toBe(authority);
    expect(standsFor(moved.server.cert, '192.0.2.21')).toBe(true);
    const nextYear = await ownIdentity(folder, names, new Date(now.getTime() + 370 * day));
    expect(nextYear.authority).toBe(authority);
    expect(nextYear.server.cert).not.toBe(moved.server.cert);
    const muchLater = await ownIdentity(folder, names, new Date(now.getTime() + 3640 * day));
    expect(muchLater.authority).not.toBe(authority);
    expect(statSync(path.join(folder, 'authority', 'authority.key')).mode & 0o077).toBe(0);
  });
});

describe('how a server is reached', () => {
  const now = new Date('2026-03-12T09:00:00Z');
  const refusal = (options: Parameters<typeof reachOf>[0]) =>
    reachOf(options, newFolder(), now).then(
      () => 'nothing',
      (error: Error) => error.message,
    );
  it('is by this machine alone unless it is asked for, and never by others without HTTPS', async () => {
    expect(await reachOf({}, newFolder(), now)).toMatchObject({ host: '127.0.0.1', isShared: false });
    expect(await refusal({ host: '0.0.0.0' })).toMatch(/Without HTTPS only this machine is served/);
    expect(await refusal({ host: '192.0.2.20' })).toMatch(/--share, or give --cert and --key/);
    expect(await refusal({ host: '192.0.2.20', trustProxy: true, name: 'x.example' })).toMatch(
      /Without HTTPS/,
    );
    expect(await refusal({ host: 'pier' })).toMatch(/an address of this machine in figures/);
    expect(await refusal({ trustProxy: true })).toMatch(/needs --name/);
    expect(await refusal({ cert: 'x' })).toMatch(/go together/);
    expect(await refusal({ share: true, cert: 'x', key: 'y' })).toMatch(/leave --cert/);
  });
  it('refuses a certificate that ran out, is not of its key, or is none, in one line', async () => {
    const folder = newFolder();
    mkdirSync(folder, { recursive: true });
    const file = (name: string, text: string) => {
      writeFileSync(path.join(folder, name), text);
      return path.join(folder, name);
    };
    const made = (from: number, to: number) =>
      generate([{ name: 'commonName', value: 'pier.example' }], {
        algorithm: 'sha256',
        keyType: 'ec',
        notBeforeDate: new Date(now.getTime() + from * day),
        notAfterDate: new Date(now.getTime() + to * day),
        extensions: [{ name: 'subjectAltName', altNames: [{ type: 2, value: 'pier.example' }] }],
      });
    const [good, old, early] = [await made(-1, 90), await made(-90, -1), await made(1, 90)];
    const key = file('good.key', good.private);
    const cert = file('good.crt', good.cert);
    const reach = await reachOf({ cert, key, host: '0.0.0.0' }, folder, now);
    expect(reach).toMatchObject({ isShared: true });
    expect(reach.names).toContain('pier.example');
    expect(await refusal({ cert: file('old.crt', old.cert), key: file('old.key', old.private) })).toMatch(
      /ran out on/,
    );
    expect(await refusal({ cert: file('new.crt', early.cert), key: file('new.key', early.private) })).toMatch(
      /is valid from/,
    );
    expect(await refusal({ cert, key: file('other.key', old.private) })).toMatch(/is not the key of/);
    expect(await refusal({ cert: file('text.crt', 'a letter'), key })).toMatch(/is not a certificate/);
    expect(await refusal({ cert, key: file('text.key', 'a letter') })).toMatch(/is not a private key/);
    expect(await refusal({ cert: path.join(folder, 'none'), key })).toMatch(/cannot be read/);
  });
  it('is said on the command line in one line, with nothing opened', async () => {
    for (const args of [
      ['--host', '0.0.0.0'],
      ['--trust-proxy', '--name', 'pier.example'],
    ]) {
      const { code, err, out } = await runToEnd([...args, '--port', '0', '--data', newFolder()]);
      expect(code).toBe(2);
      expect(err.trim().split('\n')).toHaveLength(1);
      expect(out).toBe('');
    }
  });
});

describe('a shared server', () => {
  let server: RunningServer;
  let authority: string;
  beforeAll(async () => {
    const dataDir = newFolder();
    server = await startServer({
      port: 0,
      dataDir,
      webDir: path.join(root, 'dist'),
      demoFile,
      withDemo: true,
      reset: false,
      reach: { share: true, host: '127.0.0.1' },
    });
    authority = (await ownIdentity(dataDir, ['localhost'], new Date())).authority;
  });
  afterAll(() => server.close());

  const ask = (to: string, headers: Record<string, string> = {}, ca: string | undefined = authority) =>
    new Promise<{ status: number; text: string }>((resolve, reject) => {
      const asked = request(
        `${server.address}${to}`,
        { headers, family: 4, servername: 'localhost', ...(ca !== undefined && { ca }) },
        (answer) => {
          let text = '';
          answer.on('data', (data: Buffer) => (text += data.toString()));
          answer.on('end', () => resolve({ status: answer.statusCode!, text }));
        },
      );
      asked.once('error', reject);
      asked.end();
    });

  it('answers over HTTPS to whoever trusts its authority, and lets nobody in without an account', async () => {
    expect(server.address).toMatch(/^https:\/\/localhost:/);
    expect(server.firstCode).toMatch(/^([a-z0-9]{5}-){3}[a-z0-9]{5}$/);
    expect(await ask('/api/visitor')).toEqual({ status: 200, text: '{"kind":"stranger"}' });
    expect((await ask('/api/sites')).status).toBe(401);
    await expect(ask('/api/visitor', {}, '')).rejects.toThrow(/certificate|self-signed/);
    const { text } = await ask('/api/authority.crt');
    expect(new X509Certificate(text).fingerprint256).toBe(new X509Certificate(authority).fingerprint256);
  });
  it('answers nothing under a name that is not its own', async () => {
    const { status, text } = await ask('/api/visitor', { host: 'elsewhere.example' });
    expect(status).toBe(403);
    expect(text).toContain('This server answers only under');
  });
});
