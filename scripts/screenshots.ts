// `npm run screenshots`: takes the pictures in docs/screenshots/ from the demo data.
import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { startServer } from '../server/startServer';
import { launchOptions } from '../tests/browser/chromium';

const root = path.resolve(import.meta.dirname, '..');
const folder = path.join(root, 'docs', 'screenshots');

interface Shot { name: string; stage: string; dark?: boolean; phone?: boolean; act?: (page: Page) => Promise<void> }

const chooseUnit = async (page: Page) => {
  await page.locator('tr[data-run="r08"] [data-option="ip-coax-unit"]').click();
  await page.getByRole('button', { name: /^Choose/ }).click();
  await page.locator('tr[data-run="r08"] .chosen').waitFor();
};

const pickRoute = async (page: Page) => {
  const box = (await page.locator('[data-route="west-ramp-spur"] .grip').boundingBox())!;
  await page.mouse.click(box.x + box.width / 2, box.y + box.height / 2);
};
const pickRows = async (page: Page) => {
  await page.getByRole('searchbox', { name: 'Find in the list' }).fill('quay');
  await page.getByLabel('Pick all rows').check();
};
const importRows = async (page: Page) => {
  const text = 'No;View;Locaton;Night (W);Remark\n8;Weighbridge deck;Lanes;9,5;new lamp\n25;Rope store;Workshop;4;\n9;Kiosk A;Kiosks;bright;\n10;Kiosk B;Atlantis;3;\n';
  await page.getByLabel('Table to import').setInputFiles({ name: 'cameras.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await page.getByRole('dialog').getByRole('listitem').first().waitFor();
};

const shots: Shot[] = [
  { name: 'board', stage: 'survey' },
  { name: 'run-sheet', stage: 'survey/r13', act: (page) => page.keyboard.press('e') },
  { name: 'drawing', stage: 'survey/r14?view=drawing&drawing=site-plan', act: pickRoute },
  { name: 'drawing-dark', stage: 'survey/r03?view=drawing&drawing=hall-plan', dark: true, act: (page) => page.locator('[data-pin="camera/c03"]').click() },
  { name: 'lists', stage: 'survey?view=lists', act: pickRows },
  { name: 'import', stage: 'survey?view=lists', act: importRows },
  { name: 'head-end', stage: 'survey?view=head-end&thing=supply/hall-box' },
  { name: 'gaps', stage: 'survey?view=gaps', act: (page) => page.keyboard.press('x') },
  { name: 'walk-phone', stage: 'survey?view=walk', phone: true },
  { name: 'test', stage: 'test/r08', act: (page) => page.keyboard.press('w') },
  { name: 'test-dark', stage: 'test/r14', dark: true, act: (page) => page.keyboard.press('w') },
  { name: 'decide', stage: 'decide/r08', act: chooseUnit },
  { name: 'allocate', stage: 'allocate/r08', act: (page) => page.locator('.tray [data-camera="c08"]').click() },
  { name: 'allocate-conflict', stage: 'allocate/r18', act: async (page) => {
    await page.locator('.tray [data-camera="c18"]').click();
    await page.locator('[data-recorder="hall-recorder"] [data-slot="10"]').click();
  } },
  { name: 'plan', stage: 'plan' },
  { name: 'keys', stage: 'decide/r08', act: (page) => page.keyboard.press('?') },
  { name: 'survey-phone', stage: 'survey/r13', phone: true },
  { name: 'test-phone', stage: 'test/r08', phone: true },
];

const server = await startServer({ port: 0, dataDir: mkdtempSync(path.join(tmpdir(), 'neotrope-pictures-')), webDir: path.join(root, 'dist'), demoFile: path.join(root, 'demo', 'saltmarrow.neotrope.json'), withDemo: true, reset: false });
const browser = await chromium.launch(launchOptions);
for (const name of readdirSync(folder)) rmSync(path.join(folder, name));
for (const { name, stage, dark = false, phone = false, act } of shots) {
  const page = await browser.newPage({ viewport: phone ? { width: 390, height: 844 } : { width: 1280, height: 800 }, colorScheme: dark ? 'dark' : 'light', reducedMotion: 'reduce' });
  await page.goto(`${server.address}/site/saltmarrow-ferry-terminal/${stage}`);
  await page.locator('.stage h1').first().waitFor();
  await act?.(page);
  await page.evaluate(() => document.fonts.ready);
  await page.waitForLoadState('networkidle');
  await page.screenshot({ path: path.join(folder, `${name}.png`), animations: 'disabled' });
  await page.close();
  console.log(name);
}
await browser.close();
await server.close();
