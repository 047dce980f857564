import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { applyChanges, type Change, type LogEntry, type Site } from '#core/model/site';
import { startServer } from '../server/startServer';
import { launchOptions } from '../tests/browser/chromium';
import { median, type Row } from './measure';
import { demoSite } from './sites';

const queuedCount = 1000;
const rounds = 7;

/** As many choices as somebody could make in a very long day apart, as a file that is carried by hand. */
function waitingFile(site: Site, siteId: string): string {
  const ids = Object.keys(site.camera);
  let now = site;
  const edits = Array.from({ length: queuedCount }, (_, k): LogEntry => {
    const id = ids[k % ids.length]!;
    const at = '2026-03-12T09:00:00Z';
    const option = Math.floor(k / ids.length) % 2 === 0 ? 'keep' : 'hd-coax';
    const changes: Change[] = [{ kind: 'choice', id, set: { id, option, at, by: 'Surveyor' } }];
    const applied = applyChanges(now, changes);
    if (applied.kind === 'refused') throw new Error(JSON.stringify(applied.problems));
    now = applied.value.site;
    return {
      id: crypto.randomUUID(),
      site: siteId,
      baseVersion: 0,
      version: k + 1,
      label: `Choose for ${id}`,
      operation: { kind: 'do' },
      by: 'Surveyor',
      at,
      changes,
      inverse: applied.value.inverse,
    };
  });
  return JSON.stringify({ format: 'neotrope-waiting', version: 1, site: siteId, edits, photos: [] });
}

/** Milliseconds from asking for a site until its board is on the screen. */
async function opened(page: Page, address: string): Promise<number> {
  await page.goto('about:blank');
  await page.goto(address, { waitUntil: 'commit' });
  const board = await page
    .waitForFunction(() => document.querySelector('.board [data-run]') && performance.now(), null, {
      polling: 'raf',
    })
    .then((handle) => handle.jsonValue());
  return board as number;
}

/** Milliseconds until everything that waited has been answered. */
async function synced(page: Page, file: string): Promise<number> {
  await page.route(/\/edits(\/in-turn)?$/, (route) => route.abort());
  // Something has to wait before the list of it can be come to.
  await page.keyboard.press('m');
  await page.getByRole('textbox', { name: 'Customer' }).fill('Harbour office');
  await page.getByRole('textbox', { name: 'Customer' }).press('Enter');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /waiting$/ }).click();
  await page
    .getByLabel('File of waiting edits')
    .setInputFiles({ name: 'waiting.json', mimeType: 'application/json', buffer: Buffer.from(file) });
  await page.getByText(`Taken in: ${queuedCount} edits`).waitFor({ timeout: 120_000 });
  await page.unroute(/\/edits(\/in-turn)?$/);
  await page.evaluate(() => {
    window.performance.mark('landed');
    window.dispatchEvent(new Event('online'));
  });
  const done = await page
    .waitForFunction(
      () => /saved \d/.test(document.querySelector('.saved')?.textContent ?? '') && performance.now(),
      null,
      { polling: 'raf', timeout: 300_000 },
    )
    .then((handle) => handle.jsonValue());
  const landed = await page.evaluate(() => window.performance.getEntriesByName('landed')[0]!.startTime);
  return (done as number) - landed;
}

/** Opening without a network, and coming back into one with a day's work. */
export async function flight(): Promise<Row[]> {
  const root = process.cwd();
  const dataDir = mkdtempSync(path.join(tmpdir(), 'neotrope-bench-'));
  const demoFile = path.join(root, 'demo', 'saltmarrow.neotrope.json');
  const options = {
    port: 0,
    dataDir,
    webDir: path.join(root, 'dist'),
    demoFile,
    withDemo: true,
    reset: false,
  };
  const server = await startServer(options);
  const browser = await chromium.launch(launchOptions);
  try {
    const siteId = 'saltmarrow-ferry-terminal';
    const address = `${server.address}/site/${siteId}/survey`;
    const context = await browser.newContext({
      viewport: { width: 1280, height: 800 },
      reducedMotion: 'reduce',
    });
    const page = await context.newPage();
    await opened(page, address);
    await page.evaluate(async () => void (await navigator.serviceWorker.ready));
    await opened(page, address);
    await page.waitForFunction(async () =>
      (await indexedDB.databases()).some(({ name }) => name === 'neotrope-sites'),
    );
    // The browser's own word for no network: nothing of the page is asked of the server then.
    await context.setOffline(true);
    const times: number[] = [];
    for (let round = 0; round < rounds; round += 1) times.push(await opened(page, address));
    await page.getByText('no network: as known here at').waitFor();
    await context.setOffline(false);
    await context.close();

    const desk = await (
      await browser.newContext({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' })
    ).newPage();
    await opened(desk, address);
    const sync = await synced(desk, waitingFile(demoSite(), siteId));
    return [
      {
        figure: 'the demo, opened before, opened without a network',
        measured: `${median(times).toFixed(0)} ms`,
        wanted: 'under 1 s',
        holds: median(times) < 1000,
      },
      {
        figure: `${queuedCount} edits that waited, sent and answered`,
        measured: `${(sync / 1000).toFixed(1)} s`,
        wanted: 'under 5 s',
        holds: sync < 5000,
      },
    ];
  } finally {
    await browser.close();
    await server.close();
    rmSync(dataDir, { recursive: true });
  }
}
