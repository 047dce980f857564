import { mkdirSync, writeFileSync } from 'node:fs';
import { get, type IncomingMessage } from 'node:http';
import path from 'node:path';
import { buffer } from 'node:stream/consumers';
import { brotliDecompressSync, gunzipSync } from 'node:zlib';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { startServer, type RunningServer } from '../../server/startServer';
import { compressPages } from '../../scripts/compressPages.mjs';
import { demoFile, newFolder } from './serverUnderTest';

const script = `export const lanes = ${JSON.stringify(Array.from({ length: 400 }, (_, lane) => lane))};\n`;
const page = '<!doctype html><title>Neotrope</title><script type="module" src="/assets/a.js"></script>';

let server: RunningServer;
beforeAll(async () => {
  const webDir = newFolder();
  mkdirSync(path.join(webDir, 'assets'));
  writeFileSync(path.join(webDir, 'index.html'), page);
  writeFileSync(path.join(webDir, 'assets', 'a.js'), script);
  await compressPages(webDir);
  server = await startServer({
    port: 0,
    dataDir: newFolder(),
    webDir,
    demoFile,
    withDemo: false,
    reset: false,
  });
});
afterAll(() => server.close());

/** An answer as it comes over the line, not unpacked. */
async function asSent(address: string, encodings: string): Promise<{ head: IncomingMessage; body: Buffer }> {
  const head = await new Promise<IncomingMessage>((resolve, reject) =>
    get(server.address + address, { headers: { 'accept-encoding': encodings } }, resolve).once(
      'error',
      reject,
    ),
  );
  return { head, body: await buffer(head) };
}

describe('what pages are made of', () => {
  it.each([
    ['br, gzip', 'br', brotliDecompressSync],
    ['gzip', 'gzip', gunzipSync],
    ['identity', undefined, (bytes: Buffer) => bytes],
  ] as const)('goes to whoever takes %s as it was packed once', async (takes, encoding, unpacked) => {
    const { head, body } = await asSent('/assets/a.js', takes);
    expect(head.statusCode).toBe(200);
    expect(head.headers['content-encoding']).toBe(encoding);
    expect(head.headers['content-type']).toMatch(/javascript/);
    expect(head.headers['cache-control']).toContain('immutable');
    expect(head.headers.vary).toMatch(/accept-encoding/i);
    expect(unpacked(body).toString()).toBe(script);
  });
  it('is the page itself at every address without an ending', async () => {
    const { head, body } = await asSent('/site/saltmarrow-ferry-terminal/survey', 'identity');
    expect([head.headers['cache-control'], body.toString()]).toEqual(['no-cache', page]);
  });
});
