import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { tableOf } from '#core/survey/lists';
import { toSiteFile, type Site } from '#core/model/site';
import { startServer } from '../server/startServer';
import { launchOptions } from '../tests/browser/chromium';
import { csvOf } from '../web/tables/writeTable';
import { against, median, type Row } from './measure';
import { generatedSite, tracedSite } from './sites';

const ms = (value: number) => `${value.toFixed(0)} ms`;

/** Milliseconds between frames while `selector` is scrolled from its top, some at each frame; an idle page where it is left out. */
const frames = (page: Page, selector?: string): Promise<number[]> =>
  page.evaluate(
    (wanted) =>
      new Promise<number[]>((resolve) => {
        const box = wanted ? document.querySelector(wanted) : null;
        const times: number[] = [];
        let last = performance.now();
        const frame = (): void => {
          const now = performance.now();
          times.push(now - last);
          last = now;
          if (box) box.scrollTop += 60;
          if (times.length < 150) requestAnimationFrame(frame);
          else resolve(times.slice(5));
        };
        requestAnimationFrame(frame);
      }),
    selector,
  );

/** Milliseconds from a key in a search field until what it leaves is on the screen, one for each key of `text`. */
const typed = (page: Page, selector: string, text: string): Promise<number[]> =>
  page.evaluate(
    async ({ wanted, keys }) => {
      const field = document.querySelector<HTMLInputElement>(wanted)!;
      const times: number[] = [];
      const shown = () => new Promise<void>((resolve) => requestAnimationFrame(() => setTimeout(resolve)));
      for (let length = 1; length <= keys.length; length += 1) {
        await shown();
        const start = performance.now();
        field.value = keys.slice(0, length);
        field.dispatchEvent(new Event('input', { bubbles: true }));
        await shown();
        times.push(performance.now() - start);
      }
      return times;
    },
    { wanted: selector, keys: text },
  );

/** Marks the frame in which a person sees the first of these, counted from when the address was asked for. */
function markFirst(selector: string): void {
  const observer = new MutationObserver(() => {
    if (!document.querySelector(selector)) return;
    observer.disconnect();
    requestAnimationFrame(() => setTimeout(() => performance.mark('first')));
  });
  observer.observe(document, { childList: true, subtree: true });
}

const perSecond = (times: readonly number[]): number =>
  (1000 * times.length) / times.reduce((sum, time) => sum + time, 0);

function scrolling(what: string, idle: readonly number[], times: readonly number[]): Row {
  const [screen, got] = [perSecond(idle), perSecond(times)];
  return {
    figure: `scrolling ${what} of 1000 runs`,
    measured: `${got.toFixed(0)} frames/s`,
    wanted: `${screen.toFixed(0)}, the screen’s rate`,
    holds: got > screen * 0.9,
  };
}

/** A site as it can be imported without its pictures. */
function withoutDrawings(site: Site) {
  const file = toSiteFile(site);
  const runs = file.runs.map((run) => ({
    ...run,
    segments: run.segments.map(({ routeIds: _, ...segment }) => segment),
  }));
  return { ...file, drawings: [], pins: [], photos: [], routes: [], runs };
}

async function importSite(address: string, site: Site): Promise<string> {
  const answer = await fetch(`${address}/api/sites/import`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(withoutDrawings(site)),
  });
  return ((await answer.json()) as { id: string }).id;
}

/** Milliseconds from asking for a site until its board is there, and until the last of its traces has been read. */
async function opened(page: Page, address: string): Promise<{ board: number; traces: number }> {
  await page.goto('about:blank');
  await page.goto(address, { waitUntil: 'commit' });
  const board = await page
    .waitForFunction(() => performance.getEntriesByName('first')[0]?.startTime)
    .then((handle) => handle.jsonValue());
  const traces = await page
    .waitForFunction(() => document.querySelector('.saved[data-whole=true]') && performance.now(), null, {
      polling: 'raf',
      timeout: 120_000,
    })
    .then((handle) => handle.jsonValue());
  return { board: board!, traces: traces as number };
}

/** Milliseconds from the key of a stage until something of it is on the screen. */
async function shownAfter(page: Page, key: string, selector: string): Promise<number> {
  await page.evaluate((wanted) => {
    for (const mark of ['asked', 'shown']) performance.clearMarks(mark);
    document.addEventListener('keydown', () => performance.mark('asked'), { capture: true, once: true });
    const observer = new MutationObserver(() => {
      if (!document.querySelector(wanted)) return;
      observer.disconnect();
      requestAnimationFrame(() => setTimeout(() => performance.mark('shown')));
    });
    observer.observe(document, { childList: true, subtree: true });
  }, selector);
  await page.keyboard.press(key);
  return page
    .waitForFunction(
      () =>
        performance.getEntriesByName('shown')[0] &&
        performance.getEntriesByName('shown')[0]!.startTime -
          performance.getEntriesByName('asked')[0]!.startTime,
      null,
      { timeout: 120_000 },
    )
    .then((handle) => handle.jsonValue() as Promise<number>);
}

/** A site with a trace on each run is open and read; then somebody asks for its round. */
async function roundShown(page: Page, address: string): Promise<number> {
  await opened(page, address);
  return shownAfter(page, '2', '.round [data-place]');
}

/** What a person with a thousand runs waits for, in this machine's Chromium. */
export async function browserFigures(root: string, reference: number): Promise<Row[]> {
  const dataDir = mkdtempSync(path.join(tmpdir(), 'neotrope-bench-'));
  const server = await startServer({
    port: 0,
    dataDir,
    webDir: path.join(root, 'dist'),
    demoFile: path.join(root, 'demo', 'saltmarrow.neotrope.json'),
    reset: false,
  });
  const site = generatedSite(1000);
  const id = await importSite(server.address, site);
  const tracedId = await importSite(server.address, tracedSite(site));
  const quarterId = await importSite(server.address, tracedSite(generatedSite(250)));
  const browser = await chromium.launch(launchOptions);
  try {
    const page = await browser.newPage({
      viewport: { width: 1280, height: 800 },
      reducedMotion: 'reduce',
      // Opened as for the first time, from the server.
      serviceWorkers: 'block',
    });
    const address = `${server.address}/site/${id}/survey`;
    const opening: number[] = [];
    await page.addInitScript(markFirst, '.board [data-run]');
    for (let round = 0; round < 8; round += 1) opening.push((await opened(page, address)).board);
    const tracedAddress = `${server.address}/site/${tracedId}/survey`;
    const [first, again] = [await opened(page, tracedAddress), await opened(page, tracedAddress)];
    const rounds = [
      await roundShown(page, `${server.address}/site/${quarterId}/survey`),
      await roundShown(page, tracedAddress),
    ] as const;
    await opened(page, address);
    const idle = await frames(page);
    const board = await frames(page, '.board');
    const runs = await frames(page, '.runs .list');
    const find = await typed(page, '.runs input[type=search]', 'weighbridge');
    const trees: number[] = [];
    for (let round = 0; round < 5; round += 1) {
      await opened(page, address);
      trees.push(await shownAfter(page, '5', '.tree [role=treeitem]'));
    }
    const tree = await frames(page, '.tree-view .scroll');
    await page.goto(`${address}?view=lists`);
    await page.locator('[data-cell]').first().waitFor();
    const list = await frames(page, '.grid');
    const findInList = await typed(page, '.find input[type=search]', 'kiosk dome');
    // Every row of the list again, each with another name.
    const table = tableOf(site, 'camera');
    const csv = csvOf({
      ...table,
      rows: table.rows.map((row) => ({
        ...row,
        cells: { ...row.cells, name: `${row.cells['name']} ${row.cells['number']}` },
      })),
    });
    await page.evaluate(() => {
      new MutationObserver(() => {
        if (
          !window.performance.getEntriesByName('preview').length &&
          document.querySelector('.news .rows li')
        )
          window.performance.mark('preview');
      }).observe(document.body, { childList: true, subtree: true });
      document
        .querySelector('input[type=file]')!
        .addEventListener('change', () => window.performance.mark('chosen'), { capture: true });
    });
    await page
      .locator('input[type=file]')
      .setInputFiles({ name: 'cameras.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) });
    await page.locator('.news .rows li').first().waitFor({ timeout: 60_000 });
    const preview = await page.evaluate(
      () =>
        performance.getEntriesByName('preview')[0]!.startTime -
        performance.getEntriesByName('chosen')[0]!.startTime,
    );
    return [
      against(reference, 'opening a site of 1000 runs', median(opening), 7),
      against(reference, '1000 runs with traces: the board is there', first.board, 20),
      against(reference, '1000 runs with traces: all read, first time', first.traces - first.board, 20),
      against(reference, '1000 runs with traces: all read, the same again', again.traces - again.board, 4),
      ...(
        [
          [250, rounds[0], 2000],
          [1000, rounds[1], 5000],
        ] as const
      ).map(([count, took, most]): Row => ({
        figure: `the round of ${count} runs with traces, weighed in threads, from the key until it is on the screen`,
        measured: ms(took),
        wanted: `under ${most} ms`,
        holds: took < most,
      })),
      scrolling('the board', idle, board),
      scrolling('the list of runs', idle, runs),
      scrolling('the table of cameras', idle, list),
      scrolling('the tree', idle, tree),
      {
        figure: 'the tree of the network of 1000 cameras, from the key until it is on the screen',
        measured: ms(median(trees)),
        wanted: 'under 300 ms',
        holds: median(trees) < 300,
      },
      {
        figure: 'a key in the search of 1000 runs, until the screen shows it',
        measured: ms(median(find)),
        wanted: 'under 50 ms',
        holds: median(find) < 50,
      },
      {
        figure: 'a key in the search of 1000 cameras in their table',
        measured: ms(median(findInList)),
        wanted: 'under 50 ms',
        holds: median(findInList) < 50,
      },
      {
        figure: 'an import of 1000 rows read, matched and previewed',
        measured: ms(preview),
        wanted: 'under 2000 ms',
        holds: preview < 2000,
      },
    ];
  } finally {
    await browser.close();
    await server.close();
    rmSync(dataDir, { recursive: true });
  }
}
