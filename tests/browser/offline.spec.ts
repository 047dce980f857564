import { readFileSync } from 'node:fs';
import type { BrowserContext, Page } from '@playwright/test';
import { barriers } from './axe';
import { cell, demoFile, expect, saved, testOnOwnServer as test, type TestServer } from './fixtures';

test.use({ serviceWorkers: 'allow' });
test.describe.configure({ timeout: 240_000 });

/** The pictures of the demo: one is fetched after the other. */
const drawingCount = (demoFile()['drawings'] as unknown[]).length;

/** Opens a site, once, until all of it can be opened again without a network. */
async function openToKeep(page: Page, address: string): Promise<void> {
  await page.goto(address);
  await expect(page.locator('.stage h1, .stage .empty strong').first()).toBeVisible();
  await expect(page.locator('.saved')).toHaveAttribute('data-whole', 'true');
  // The site and its drawings are kept once the page has nothing better to do.
  await expect
    .poll(() =>
      page.evaluate(async () => {
        const pictures = await window.caches.open('neotrope-pictures');
        const databases = await indexedDB.databases();
        return databases.some(({ name }) => name === 'neotrope-sites') ? (await pictures.keys()).length : 0;
      }),
    )
    .toBe(drawingCount);
}
/** Chooses for the camera of a run that is in sight, and goes on. */
async function chooseFor(page: Page, runId: string, option: string): Promise<void> {
  await cell(page, runId, option).click();
  await page.getByRole('button', { name: /^Choose/ }).click();
}
async function versionOf(server: TestServer, siteId: string): Promise<number> {
  const answer = await fetch(`${server.address}/api/sites/${siteId}`);
  return ((await answer.json()) as { version: number }).version;
}
async function intoFlight(context: BrowserContext, server: TestServer): Promise<void> {
  await context.setOffline(true);
  await server.kill();
}
async function land(context: BrowserContext, server: TestServer): Promise<void> {
  await server.start();
  await context.setOffline(false);
}

test('a day without a network: survey, test and decide on a phone, and all of it is saved on landing', async ({
  page,
  server,
  context,
}) => {
  const siteId = await server.newSite();
  const home = `${server.address}/site/${siteId}`;
  await openToKeep(page, `${home}/survey`);
  await intoFlight(context, server);

  // Opened anew in flight: the list of sites says what is here, the site is as it was.
  await page.goto(server.address);
  await page.getByRole('region', { name: 'On this device' }).getByRole('link').click();
  await expect(page.locator('.saved')).toContainText('no network: as known here at');
  expect(await barriers(page, '.frame > header')).toEqual([]);

  // Decide.
  await page.goto(`${home}/decide/r08`);
  await chooseFor(page, 'r08', 'ip-coax-unit');
  await expect(cell(page, 'r08', 'ip-coax-unit')).toHaveClass(/chosen/);
  // Test: foreign voltage of a run, on the bench.
  await page.goto(`${home}/test/r21`);
  await page.getByLabel(/meter proved/).check();
  await page.getByRole('textbox', { name: 'Foreign voltage, AC' }).fill('0.1');
  await page.getByRole('textbox', { name: 'Foreign voltage, AC' }).press('Enter');
  await expect(page.locator('.saved')).toContainText('2 edits kept in this browser');
  // The drawing is there, with its picture.
  await page.goto(`${home}/survey?view=drawing`);
  await expect
    .poll(() =>
      page.evaluate(async () => {
        const image = document.querySelector<SVGImageElement>('.drawing image, svg image');
        const href = image?.getAttribute('href') ?? image?.getAttribute('xlink:href');
        return href ? (await fetch(href)).ok : false;
      }),
    )
    .toBe(true);

  // What waits is listed, and can be carried by hand.
  await page.getByRole('button', { name: /^2 waiting/ }).click();
  const waiting = page.getByRole('dialog', { name: 'Waiting for the server' });
  await expect(waiting.getByRole('listitem')).toHaveCount(2);
  expect(await barriers(page, '.p-dialog')).toEqual([]);
  const download = page.waitForEvent('download');
  await waiting.getByRole('button', { name: 'Save as a file' }).click();
  const carried = readFileSync((await (await download).path())!, 'utf8');
  expect((JSON.parse(carried) as { edits: unknown[] }).edits).toHaveLength(2);
  await page.keyboard.press('Escape');

  await land(context, server);
  await saved(page);
  expect(await versionOf(server, siteId)).toBe(2);
});

test('two phones apart change the same field: both values are shown, and a person says which', async ({
  page,
  server,
  context,
  browser,
}) => {
  const siteId = await server.newSite();
  const address = `${server.address}/site/${siteId}/decide/r08`;
  await openToKeep(page, address);
  const elsewhere = await browser.newContext({ serviceWorkers: 'allow' });
  const other = await elsewhere.newPage();
  await openToKeep(other, address);
  await intoFlight(context, server);
  await elsewhere.setOffline(true);

  await chooseFor(page, 'r08', 'ip-coax-unit');
  await chooseFor(other, 'r08', 'ip-coax-pair');
  // Another camera as well, which nobody else touched.
  await chooseFor(other, 'r09', 'keep');
  await expect(other.locator('.saved')).toContainText('2 edits kept in this browser');

  // The one lands first; the other comes after it.
  await land(context, server);
  await saved(page);
  await elsewhere.setOffline(false);
  await other.getByRole('button', { name: '1 set aside' }).click();
  const aside = other.getByRole('dialog', { name: 'Set aside' });
  await expect(aside.getByRole('columnheader').nth(1)).toContainText(/Yours, Surveyor, /);
  await expect(aside.getByRole('columnheader').nth(2)).toContainText(/Theirs, Surveyor, /);
  const row = aside.getByRole('row').nth(1);
  await expect(row).toContainText('IP over coax, converter pair');
  await expect(row).toContainText('IP over coax, multi-port unit');
  await aside.getByRole('button', { name: 'Use mine' }).click();
  await expect(aside).toContainText('Nothing is set aside');
  await other.keyboard.press('Escape');
  await saved(other);
  await expect(cell(other, 'r08', 'ip-coax-pair')).toHaveClass(/chosen/);
  await page.reload();
  await expect(cell(page, 'r08', 'ip-coax-pair')).toHaveClass(/chosen/);
  await expect(cell(page, 'r09', 'keep')).toHaveClass(/chosen/);
  await elsewhere.close();
});

test('what waited on one device is carried to another as a file', async ({
  page,
  server,
  context,
  browser,
}) => {
  const siteId = await server.newSite();
  const address = `${server.address}/site/${siteId}/decide/r08`;
  await openToKeep(page, address);
  await intoFlight(context, server);
  await chooseFor(page, 'r08', 'ip-coax-unit');
  await page.getByRole('button', { name: /^1 waiting/ }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as a file' }).click();
  const file = (await (await download).path())!;
  const text = readFileSync(file, 'utf8');

  await server.start();
  const desk = await (await browser.newContext()).newPage();
  // A server that is slow to take photos leaves something waiting, so that the dialog can be come to.
  await desk.goto(address);
  await expect(cell(desk, 'r08', 'ip-coax-unit')).toBeVisible();
  await desk.route(/\/edits(\/in-turn)?$/, (route) => route.abort());
  await chooseFor(desk, 'r09', 'keep');
  await desk.getByRole('button', { name: /^1 waiting/ }).click();
  const dialog = desk.getByRole('dialog', { name: 'Waiting for the server' });
  const give = (content: string) =>
    dialog
      .getByLabel('File of waiting edits')
      .setInputFiles({ name: 'waiting.json', mimeType: 'application/json', buffer: Buffer.from(content) });
  await give(text.slice(0, -30));
  await expect(dialog.getByRole('alert')).toContainText('no file of waiting edits, or was cut short');
  await give(text);
  await expect(dialog.getByText('Taken in: 1 edit, 0 photos')).toBeVisible();
  await desk.unroute(/\/edits(\/in-turn)?$/);
  await desk.keyboard.press('Escape');
  await saved(desk);
  await expect(cell(desk, 'r08', 'ip-coax-unit')).toHaveClass(/chosen/);

  // The phone lands at last: what it had is known already, and done once.
  await context.setOffline(false);
  await page.keyboard.press('Escape');
  await saved(page);
  expect(await versionOf(server, siteId)).toBe(2);
});
