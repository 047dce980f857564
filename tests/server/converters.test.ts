import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest';
import { converterReportSchema } from '#core/connect/converterReport';
import { soakFromCounters } from '#core/signoff/soak';
import { converterClient } from '../../server/converters/converterClient';
import { noDevices } from '../../server/demoDevices';
import { startServer, type RunningServer } from '../../server/startServer';
import { startConverter } from '../../stand-ins/converter/startConverter';
import type { Listening } from '../../stand-ins/listen';
import { demoFile, newFolder, post, root, siteId } from './serverUnderTest';

const report = converterReportSchema.parse(
  JSON.parse(readFileSync(path.join(root, 'demo', 'saltmarrow.converter.json'), 'utf8')),
);
const answerMs = 400;
const hourOf = (atMs: number): number => new Date(atMs).getHours();

describe('converters', () => {
  let running: Listening;
  beforeAll(async () => {
    running = await startConverter({ report, losesAtNight: [2] }, 0);
  });
  afterAll(() => running.close());
  const soakOfLink = async (link: number) => {
    return soakFromCounters(await converterClient(running.address, answerMs).counters(link), hourOf);
  };

  it('tell a link as it is, and know none that they have not', async () => {
    const line = converterClient(running.address, answerMs);
    expect(await line.link(2)).toEqual(report.links[1]);
    await expect(line.link(9)).rejects.toThrow('Hall coax unit has no link 9.');
    await expect(line.counters(9)).rejects.toThrow(/no link 9/);
  });
  it('count packets: three days without a drop, or with one each night', async () => {
    const whole = { kind: 'soak', hours: 72, drops: 0, lostPercent: 0, gapMinutes: 0 };
    expect(await soakOfLink(1)).toEqual({ ok: true, value: whole });
    expect(await soakOfLink(2)).toMatchObject({ ok: true, value: { hours: 72, drops: 3, worstHour: 2 } });
  });
});

describe('something else at their address', () => {
  let server: Server | undefined;
  const at = (body: string): Promise<string> =>
    new Promise((resolve) => {
      server = createServer((request, response) => {
        request.resume();
        response.end(body);
      }).listen(0, '127.0.0.1', () => resolve(`127.0.0.1:${(server!.address() as AddressInfo).port}`));
    });
  afterEach(() => {
    server?.closeAllConnections();
    server?.close();
  });
  it.each([
    ['text', 'hello', /is no converter that can be talked to/],
    ['a switch’s answer', '{"name":"x","ports":[]}', /does not say what a converter says/],
    [
      'a link twice',
      JSON.stringify({ ...report, links: [report.links[0], report.links[0]] }),
      /does not say/,
    ],
    ['more than all lost', JSON.stringify(report).replace('0.001', '101'), /does not say/],
  ])('that says %s tells of no link', async (_, body, words) => {
    await expect(converterClient(await at(body), answerMs).link(1)).rejects.toThrow(words);
  });
  it('that is not there any more is told as silence', async () => {
    const gone = await at('x');
    await new Promise((resolve) => server!.close(resolve));
    await expect(converterClient(gone, answerMs).link(1)).rejects.toThrow(/Nothing answers/);
  });
});

describe('over the wire', () => {
  let server: RunningServer;
  let running: Listening;
  beforeAll(async () => {
    running = await startConverter({ report }, 0);
    server = await startServer({
      port: 0,
      dataDir: newFolder(),
      webDir: root,
      demoFile,
      withDemo: true,
      reset: false,
      standIns: { ...noDevices, converter: Promise.resolve(running.address) },
    });
  });
  afterAll(() => Promise.all([server.close(), running.close()]));
  const ask = (address: string, link: number): Promise<Response> =>
    post(`${server.address}/api/converters/read`, { site: siteId, address, link });

  it('they are found and read; a link they have not and a closed address are refused in words', async () => {
    const { standIn } = (await (await fetch(`${server.address}/api/converters`)).json()) as {
      standIn: string;
    };
    expect(standIn).toBe(running.address);
    const answer = (await (await ask(standIn, 1)).json()) as { link: unknown; counters: { samples: [] } };
    expect(answer.link).toEqual(report.links[0]);
    expect(answer.counters.samples).toHaveLength(433);
    const statuses = [
      await ask(standIn, 9),
      await ask(standIn, 0),
      await ask('203.0.113.9:80', 1),
      await ask('127.0.0.1:1', 1),
    ].map(({ status }) => status);
    expect(statuses).toEqual([409, 400, 403, 502]);
  });
});
