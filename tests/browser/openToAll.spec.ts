import type { Page } from '@playwright/test';
import { allocateViews } from '../../web/stages/allocate/views';
import { connectViews } from '../../web/stages/connect/views';
import { decideViews } from '../../web/stages/decide/views';
import { surveyViews } from '../../web/stages/survey/views';
import { testViews } from '../../web/stages/test/views';
import { barriers } from './axe';
import { expect, test } from './fixtures';

/** Every view of every stage, with a run in hand and without. */
const pages: Record<string, string[]> = {
  survey: ['survey', ...surveyViews.map(({ id }) => `survey/r17?view=${id}`)],
  test: ['test', ...testViews.map(({ id }) => `test/r13?view=${id}`)],
  decide: ['decide', ...decideViews.map(({ id }) => `decide/r13?view=${id}`)],
  allocate: allocateViews.map(({ id }) => `allocate/r18?view=${id}`),
  connect: ['connect', ...connectViews.map(({ id }) => `connect/r18?view=${id}`)],
  // What is asked before anybody signs needs decisions; its views are looked at where those are made.
  signoff: ['signoff/r08', 'signoff/r08?view=policy'],
  // All papers are made of the same blocks: the one with a panel, and one of drawings.
  papers: ['papers', 'papers?view=hook-ups'],
};
/** Every view is looked at in both themes and at three widths: the window is made narrower, and turned to the other theme on the way. */
const looks = [
  { width: 1280, turns: false },
  { width: 390, turns: true },
  { width: 320, turns: false },
] as const;
const halves = [0, 1].map((half) => ({
  half,
  of: <T>(all: readonly T[]): T[] => all.filter((_, index) => index % 2 === half),
}));

for (const [stage, views] of Object.entries(pages))
  for (const { half, of } of halves)
    test(`${stage} stands in nobody’s way, part ${half + 1}`, async ({ page, open }) => {
      const root = page.locator('html');
      for (const view of of(views)) {
        await page.setViewportSize({ width: 1280, height: 820 });
        await open(view);
        await expect(page.locator('.saved')).toHaveAttribute('data-whole', 'true');
        for (const { width, turns } of looks) {
          await page.setViewportSize({ width, height: 820 });
          const theme = (await root.getAttribute('data-theme'))!;
          if (turns) {
            await page.keyboard.press('t');
            await expect(root).not.toHaveAttribute('data-theme', theme);
          }
          const look = `${view}, ${turns ? 'turned' : theme} at ${width}`;
          // The narrowest look is the narrow one with less room: what is there for whom is the same.
          if (width > 320) expect(await barriers(page, 'html'), look).toEqual([]);
          // Nothing is to be scrolled sideways but what is wide by its nature.
          expect(await page.evaluate(() => document.documentElement.scrollWidth), look).toBeLessThanOrEqual(
            width,
          );
        }
      }
    });

test('dialogs that every stage has stand in nobody’s way', async ({ page, open }) => {
  await open('survey/r17');
  for (const [key, name] of [
    ['m', 'You and the site'],
    ['?', 'Keys'],
    ['Control+k', 'Find'],
    ['n', 'Add a run'],
  ] as const) {
    await page.keyboard.press(key);
    const dialog = page.getByRole('dialog', { name });
    await expect(dialog).toBeVisible();
    expect(await barriers(page, '.p-dialog'), name).toEqual([]);
    await dialog.getByRole('button', { name: 'Close' }).first().click();
    await expect(dialog).toBeHidden();
  }
});

const opened = (page: Page, name: string | RegExp) => page.getByRole('dialog', { name });
/** A key of a view does something once its code is there. */
const pressed = (key: string) => async (page: Page) =>
  expect(async () => {
    await page.keyboard.press(key);
    await expect(page.getByRole('dialog')).toBeVisible({ timeout: 3000 });
  }).toPass();
/** Every dialog of a stage, and how it is come to. */
const dialogs: [name: string, view: string, come: (page: Page) => Promise<void>][] = [
  ['Add head-end equipment', 'survey?view=head-end', pressed('n')],
  [
    'Cable by its data sheet',
    'survey/r01',
    async (page) => {
      await page.keyboard.press('e');
      await page.getByRole('button', { name: 'By data sheet' }).click();
    },
  ],
  [
    'Import cameras',
    'survey?view=lists',
    async (page) => {
      await page.getByRole('button', { name: 'Cameras', exact: true }).click();
      await page.getByLabel('Table to import').setInputFiles({
        name: 'cameras.csv',
        mimeType: 'text/csv',
        buffer: Buffer.from('number,view,place\n8,Deck,Lanes\n30,Loft,Rope loft\n'),
      });
      await expect(opened(page, 'Import cameras').getByText('“Rope loft”').first()).toBeVisible();
    },
  ],
  [
    'Link over converters',
    'test/r11',
    async (page) => {
      await page.keyboard.press('i');
      await page.getByLabel(/meter proved/).check();
      for (const of of ['AC', 'DC']) {
        await page.getByRole('textbox', { name: `Foreign voltage, ${of}` }).fill('0.1');
        await page.getByRole('textbox', { name: `Foreign voltage, ${of}` }).press('Enter');
      }
      await page.getByRole('button', { name: 'Write down' }).click();
    },
  ],
  [
    'What it was',
    'test/r13?view=cause',
    (page) => page.getByRole('button', { name: 'Note what it was' }).click(),
  ],
  ['Add network gear', 'connect', pressed('b')],
  ['Add a view on the network', 'connect', pressed('v')],
  [/link/i.source, 'connect', pressed('n')],
];
for (const { half, of } of halves)
  test(`dialogs of the stages stand in nobody’s way, part ${half + 1}`, async ({ page, open }) => {
    for (const [name, view, come] of of(dialogs)) {
      await page.setViewportSize({ width: 1280, height: 820 });
      await open(view);
      await expect(page.locator('.saved')).toHaveAttribute('data-whole', 'true');
      await come(page);
      const dialog = opened(page, new RegExp(name, 'i'));
      await expect(dialog).toBeVisible();
      for (const width of [1280, 390]) {
        await page.setViewportSize({ width, height: 820 });
        expect(await barriers(page, '.p-dialog'), `${name} at ${width}`).toEqual([]);
        const box = (await dialog.boundingBox())!;
        expect(box.x, `${name} begins on the screen`).toBeGreaterThanOrEqual(0);
        expect(box.x + box.width, `${name} ends on the screen`).toBeLessThanOrEqual(width);
      }
    }
  });

test('with colours of one’s own and without movement everything is still told apart', async ({
  page,
  open,
}) => {
  await page.emulateMedia({ forcedColors: 'active', reducedMotion: 'reduce' });
  await open('decide/r17');
  const outlineOf = (selector: string) =>
    page
      .locator(selector)
      .first()
      .evaluate((element) => getComputedStyle(element).outlineStyle);
  expect(await outlineOf('.run.here')).toBe('solid');
  expect(await outlineOf('[role="gridcell"][aria-selected="true"]')).toBe('solid');
  expect(await outlineOf('.stage-tab.now')).toBe('solid');
  expect(await barriers(page, 'html')).toEqual([]);
});
