import type { Page } from '@playwright/test';
import { barriers } from './axe';
import {
  cell,
  expect,
  saved,
  test as shared,
  testOnOwnServer as test,
  type TestServer,
  verdictRow,
} from './fixtures';

test('an edit made while the server is gone is kept and saved when it is back, even over a reload', async ({
  page,
  open,
  server,
}) => {
  await open('decide/r08');
  await server.kill();
  await cell(page, 'r08', 'ip-coax-pair').click();
  await page.getByRole('button', { name: /^Choose/ }).click();
  await expect(cell(page, 'r08', 'ip-coax-pair')).toHaveClass(/chosen/);
  await expect(page.locator('.saved')).toHaveText(/not saved: the server does not answer/);
  await server.start();
  await page.reload();
  await expect(cell(page, 'r08', 'ip-coax-pair')).toHaveClass(/chosen/);
  await saved(page);
  await server.kill();
  await server.start();
  await page.reload();
  await expect(cell(page, 'r08', 'ip-coax-pair')).toHaveClass(/chosen/);
});

test('readings taken while the server is gone outlive a closed window', async ({
  page,
  open,
  server,
  siteId,
}) => {
  await open('test/r08');
  await server.kill();
  for (const [id, value] of [
    ['day-volts', '11.4'],
    ['night-volts', '8.8'],
  ] as const) {
    await verdictRow(page, id).getByRole('textbox').fill(value);
    await page.keyboard.press('Enter');
  }
  await expect(page.locator('.saved')).toHaveText(/2 edits kept in this browser/);
  // In the database of the browser, not of the window.
  await expect
    .poll(() =>
      page.evaluate(
        () =>
          new Promise<number>((resolve) => {
            const asked = indexedDB.open('neotrope-pending');
            asked.onsuccess = () => {
              const count = asked.result.transaction('edits').objectStore('edits').count();
              count.onsuccess = () => resolve(count.result);
            };
          }),
      ),
    )
    .toBe(2);
  const another = await page.context().newPage();
  await page.close();
  await server.start();
  await another.goto(`${server.address}/site/${siteId}/test/r08`);
  await expect(verdictRow(another, 'night-volts').getByRole('textbox')).toHaveValue('8.8');
  await expect(verdictRow(another, 'day-volts').getByRole('textbox')).toHaveValue('11.4');
  await saved(another);
  // Each once, and nothing is left to send.
  await another.reload();
  await expect(verdictRow(another, 'night-volts').getByRole('textbox')).toHaveValue('8.8');
  await another.keyboard.press('g');
  await expect(another.getByRole('row', { name: /Volts at the camera, night 8\.8/ })).toHaveCount(1);
});

test('a page opened while the server is gone says so and recovers', async ({
  page,
  open,
  server,
  siteId,
}) => {
  await open('survey');
  // The way back to all sites is fetched beside the board.
  await expect.poll(() => fetchedOf(page, 'SitesView')).toEqual(['css', 'js']);
  await server.kill();
  await page.evaluate((id) => history.replaceState(null, '', `/site/${id}/survey`), siteId);
  await page.getByRole('link', { name: /Saltmarrow/ }).click();
  await expect(page.getByText('The server does not answer.')).toBeVisible();
  await server.start();
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByRole('link', { name: 'Saltmarrow Ferry Terminal' })).toBeVisible();
});

/** What kinds of file of a part of the pages have come. */
const fetchedOf = (page: Page, part: string): Promise<string[]> =>
  page.evaluate((name) => {
    const came = performance.getEntriesByType('resource').map((entry) => entry.name);
    return ['css', 'js'].filter((kind) =>
      came.some((file) => file.includes(`/${name}-`) && file.endsWith(kind)),
    );
  }, part);

/** A colleague chooses for camera 8, from a window that this one hears nothing of. */
async function chooseElsewhere({ address }: TestServer, siteId: string, baseVersion: number): Promise<void> {
  const set = { id: 'c08', option: 'ip-coax-pair', at: '2026-03-12T09:00:00Z', by: 'R. Tolland' };
  const answer = await fetch(`${address}/api/sites/${siteId}/edits`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({
      id: crypto.randomUUID(),
      site: siteId,
      baseVersion,
      label: 'Choose for 8',
      operation: { kind: 'do' },
      by: 'R. Tolland',
      changes: [{ kind: 'choice', id: 'c08', set }],
    }),
  });
  expect(answer.status).toBe(200);
}

shared(
  'two windows: what one does shows in the other, and neither overwrites the other',
  async ({ page, open, context, siteId, server }) => {
    await open('decide/r08');
    const second = await context.newPage();
    await second.goto(`${server.address}/site/${siteId}/decide/r09`);
    await cell(second, 'r09', 'ip-coax-unit').click();
    await second.getByRole('button', { name: /^Choose/ }).click();
    await expect(cell(page, 'r09', 'ip-coax-unit')).toHaveClass(/chosen/);
    await cell(page, 'r08', 'ip-coax-unit').click();
    await page.getByRole('button', { name: /^Choose/ }).click();
    await expect(cell(second, 'r08', 'ip-coax-unit')).toHaveClass(/chosen/);
    await saved(page);
  },
);

shared('a device without room says that what waits is in this window only', async ({ page, open }) => {
  await page.addInitScript(() => {
    // Full for what waits; what the page remembers beside it is none of this test's.
    const kept = Storage.prototype.setItem;
    Storage.prototype.setItem = function (key: string, value: string) {
      if (key.startsWith('neotrope-pending')) throw new DOMException('full', 'QuotaExceededError');
      kept.call(this, key, value);
    };
    const put = IDBObjectStore.prototype.put;
    IDBObjectStore.prototype.put = function (value: unknown) {
      if (this.name === 'edits') throw new DOMException('full', 'QuotaExceededError');
      return put.call(this, value);
    };
  });
  await open('decide/r08');
  await page.route(/\/edits(\/in-turn)?$/, (route) => route.abort());
  await cell(page, 'r08', 'ip-coax-unit').click();
  await page.getByRole('button', { name: /^Choose/ }).click();
  await expect(page.locator('.saved')).toContainText('this device has no room: 1 edit in this window only');
  await page.getByRole('button', { name: '1 waiting' }).click();
  await expect(page.getByRole('button', { name: 'Save as a file' })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.unroute(/\/edits(\/in-turn)?$/);
  await saved(page);
});

shared(
  'an edit that meets another of the same thing is set aside with both, and can be done again after a reload',
  async ({ page, open, siteId, server }) => {
    await open('decide/r08');
    // Somebody else, from a window this one hears nothing of.
    await page.route('**/edits?after=*', (route) => route.abort());
    await chooseElsewhere(server, siteId, 0);
    await cell(page, 'r08', 'ip-coax-unit').click();
    await page.getByRole('button', { name: /^Choose/ }).click();
    await expect(
      page.getByText(/Choose for 8 Weighbridge: the same thing was changed in another window meanwhile/),
    ).toBeVisible();
    await expect(cell(page, 'r08', 'ip-coax-pair')).toHaveClass(/chosen/);
    await expect(cell(page, 'r08', 'ip-coax-unit')).not.toHaveClass(/chosen/);

    await page.unroute('**/edits?after=*');
    await page.reload();
    await page.getByRole('button', { name: '1 set aside' }).click();
    const aside = page.getByRole('dialog', { name: 'Set aside' });
    await expect(aside).toContainText('Choose for 8 Weighbridge');
    expect(await barriers(page, '.p-dialog')).toEqual([]);
    await expect(aside.getByRole('row').nth(1)).toContainText('IP over coax, multi-port unit');
    await expect(aside.getByRole('row').nth(1)).toContainText('IP over coax, converter pair');
    if (process.env['SHOT']) await page.screenshot({ path: process.env['SHOT'] });
    await aside.getByRole('button', { name: 'Use mine' }).click();
    await expect(aside).toContainText('Nothing is set aside');
    await page.keyboard.press('Escape');
    await expect(cell(page, 'r08', 'ip-coax-unit')).toHaveClass(/chosen/);
    await expect(page.getByRole('button', { name: /set aside/ })).toBeHidden();
    await saved(page);
  },
);

shared('undo takes back what is one’s own, not a colleague’s', async ({ page, open, siteId, server }) => {
  await open('decide/r09');
  await cell(page, 'r09', 'ip-coax-unit').click();
  await page.getByRole('button', { name: /^Choose/ }).click();
  await saved(page);
  await chooseElsewhere(server, siteId, 1);
  await page.reload();
  await open('decide/r09');
  await expect(cell(page, 'r08', 'ip-coax-pair')).toHaveClass(/chosen/);
  await page.keyboard.press('u');
  await expect(cell(page, 'r09', 'ip-coax-unit')).not.toHaveClass(/chosen/);
  await expect(cell(page, 'r08', 'ip-coax-pair')).toHaveClass(/chosen/);
  await expect(page.getByRole('button', { name: /^Undo/ })).toBeDisabled();
});

test('an instrument cannot be read while the server is gone: it says so, and nothing is taken', async ({
  page,
  open,
  server,
  tester,
}) => {
  await open('test/r15');
  const bar = page.getByRole('group', { name: 'Instrument' });
  await bar.getByLabel('Address of the instrument').fill(tester);
  await bar.getByLabel('Address of the instrument').press('Enter');
  await bar.getByRole('button', { name: 'Connect' }).click();
  await expect(bar).toContainText('ST-0042');
  await server.kill();
  await page.locator('h1').click();
  await page.keyboard.press('a');
  await expect(bar.getByRole('alert')).toHaveText('The server cannot be reached. Nothing was taken.');
  await expect(verdictRow(page, 'foreign-ac-volts').getByRole('textbox')).toHaveValue('');
  await server.start();
  await page.keyboard.press('a');
  await expect(verdictRow(page, 'night-volts')).toContainText('holds');
  await saved(page);
});
