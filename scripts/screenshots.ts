// `npm run screenshots`: takes the pictures in docs/screenshots/ from the demo data.
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { parseSiteFile } from '#core/model/site';
import { createRandom } from '#core/shared/random';
import { networkSchema } from '../stand-ins/recorder/network';
import { initialState, picturesOf } from '../stand-ins/recorder/recorder';
import { startRecorder } from '../stand-ins/recorder/startRecorder';
import { startTester } from '../stand-ins/tester/startTester';
import { truthSchema } from '#core/test/instrument';
import { startServer } from '../server/startServer';
import { launchOptions } from '../tests/browser/chromium';

const root = path.resolve(import.meta.dirname, '..');
const folder = path.join(root, 'docs', 'screenshots');

interface Shot {
  name: string;
  path: string;
  dark?: boolean;
  phone?: boolean;
  /** The moment that the page takes for now, where its view is about one. */
  at?: string;
  act?: (page: Page) => Promise<void>;
}

const ofSite = (view: string): string => `/site/saltmarrow-ferry-terminal/${view}`;

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
const findPlan = async (page: Page) => {
  await page.getByRole('button', { name: /^Find (the best plan|it again)/ }).click();
  await page.getByText('proven best').waitFor();
  await page.locator('[data-next]').waitFor();
  await page.getByText('Length of the run').waitFor();
};
/** Isolates the run, reads all with the stand-in and shows its trace. */
const readRampEast = async (page: Page) => {
  const bar = page.getByRole('group', { name: 'Instrument' });
  await bar.getByRole('button', { name: 'Connect' }).click();
  await bar.getByText('ST-0042').waitFor();
  await page.getByLabel(/meter proved on a known source/).check();
  await page.locator('h1').click();
  await page.keyboard.press('i');
  await page.keyboard.press('a');
  await page
    .locator('[data-verdict="link"]')
    .getByText(/at the far end/)
    .waitFor();
  await page.locator('h1').click();
  await page.keyboard.press('e');
  await page.getByRole('table', { name: 'Events' }).waitFor();
  await page.getByLabel('Height of echoes').click();
  await page.getByRole('option', { name: '× 5' }).click();
};

/** Decides for every camera by the best plan, gives each its slot, and plans the nights. */
const planNights = async (page: Page) => {
  await page.keyboard.press('3');
  await page.getByRole('button', { name: /^Best plan/ }).click();
  await page.getByRole('button', { name: /^Find (the best plan|it again)/ }).click();
  await page.getByText('proven best').waitFor();
  await page.getByRole('button', { name: /^Adopt/ }).click();
  await page.locator('.decide .head').getByText('all decided').waitFor();
  await page.keyboard.press('4');
  await page.getByRole('button', { name: /^Fill the rest/ }).click();
  await page.getByText('no decided camera waits').waitFor();
  await page.keyboard.press('6');
  await page.getByRole('button', { name: /^Plan the nights/ }).click();
  await page.getByRole('button', { name: /^Plan again/ }).waitFor({ timeout: 120_000 });
  await page.locator('[data-night]').first().waitFor();
};
/** The offer of what was decided for the nights. */
const offerOf = async (page: Page) => {
  await page.getByRole('table', { name: 'Price' }).waitFor();
};
/** Reads the links of both gates, which carry less than was thought. */
const readGates = async (page: Page) => {
  for (const [camera, rate] of [
    ['c23', '30'],
    ['c24', '31'],
  ]) {
    await page.locator(`[data-thing="camera/${camera}"]`).getByRole('button').click();
    const field = page.getByLabel('Rate of the link, new reading');
    await field.fill(rate!);
    await field.press('Enter');
    await page.locator('[data-check="throughput"]').getByText(`${rate} Mb/s`).waitFor();
  }
  await page.locator('[data-difference]').waitFor();
};
/** Says go, and begins with the first task. */
const beginNight = async (page: Page) => {
  const gate = page.locator('[data-gate="start"]');
  await gate.getByRole('checkbox').first().waitFor();
  for (const check of await gate.getByRole('checkbox').all()) await check.check();
  await gate.getByRole('button', { name: 'Go', exact: true }).click();
  await page.getByText('latest start to go back').waitFor();
  await page.locator('[data-in-hand]').evaluate((card) => card.scrollIntoView());
};

/** Measures as somebody would who was called: volts first, then dead, then the loop. */
const measureInDrill = async (page: Page) => {
  await page.getByRole('list', { name: 'Tests' }).waitFor();
  await page.keyboard.press('m');
  const log = page.getByRole('region', { name: 'Log' }).getByRole('listitem');
  const steps = [
    'Foreign voltage, AC',
    'Picture',
    'Run isolated',
    'Run both ends off',
    'Foreign voltage, AC',
    'Loop, centre and shield',
  ];
  let done = 0;
  for (const step of steps) {
    if (step.startsWith('Run')) await page.keyboard.press(step.endsWith('isolated') ? 'i' : 'd');
    else {
      const button = page.getByRole('list', { name: 'Tests' }).getByRole('button', { name: step });
      await page.keyboard.press((await button.locator('kbd').first().innerText()).trim());
    }
    done += 1;
    await log.nth(done - 1).waitFor();
  }
};

/** Gives every camera that waits its slot, and holds the recorder against its plan. */
const readRecorder = async (page: Page) => {
  await page.keyboard.press('r');
  await page.keyboard.press('a');
  await page.getByText('Nothing waits here.').waitFor();
  await page.keyboard.press('b');
  await page
    .locator('[data-ready="hall-recorder"]')
    .getByRole('button', { name: 'Give addresses to those without' })
    .click();
  await page.keyboard.press('w');
  await page.getByRole('button', { name: /^Read recorder/ }).click();
  await page.getByLabel('Recorder and plan').waitFor();
};

const shots: Shot[] = [
  { name: 'board', path: ofSite('survey') },
  { name: 'drawing', path: ofSite('survey/r14?view=drawing&drawing=site-plan'), act: pickRoute },
  { name: 'lists', path: ofSite('survey?view=lists'), act: pickRows },
  {
    name: 'walk-phone',
    path: ofSite('survey?view=walk'),
    phone: true,
    act: (page) => page.locator('.walk .card').waitFor(),
  },
  { name: 'test', path: ofSite('test/r08'), act: (page) => page.keyboard.press('w') },
  { name: 'trace-dark', path: ofSite('test/r13'), dark: true, act: readRampEast },
  {
    name: 'cause',
    path: ofSite('test/r13?view=cause'),
    act: (page) => page.locator('.cause [data-cause]').first().waitFor(),
  },
  { name: 'decide', path: ofSite('decide/r08'), act: chooseUnit },
  { name: 'best-plan', path: ofSite('decide/r14?view=plan'), act: findPlan },
  {
    name: 'allocate',
    path: ofSite('allocate/r08'),
    act: (page) => page.locator('.tray [data-camera="c08"]').click(),
  },
  { name: 'recorder', path: ofSite('allocate?view=device'), act: readRecorder },
  {
    name: 'connect',
    path: ofSite('connect'),
    act: (page) => page.locator('.tree [role="treeitem"]').first().waitFor(),
  },
  {
    name: 'hook-up',
    path: ofSite('connect/r08?view=hook-up&at=today'),
    act: (page) => page.locator('.hook-up').waitFor(),
  },
  {
    name: 'power',
    path: ofSite('connect?view=power'),
    act: (page) => page.locator('.roots').waitFor(),
  },
  { name: 'nights', path: ofSite('cutover'), at: '2026-05-04T10:00:00', act: planNights },
  {
    name: 'night-phone',
    path: ofSite('cutover?view=tonight'),
    dark: true,
    phone: true,
    at: '2026-05-11T20:51:00',
    act: beginNight,
  },
  { name: 'offer', path: ofSite('papers'), act: offerOf },
  { name: 'signoff', path: ofSite('signoff/r24'), act: readGates },
  { name: 'drill', path: '/drills/joint-or-length', act: measureInDrill },
];

const demoFile = path.join(root, 'demo', 'saltmarrow.neotrope.json');
const demo = parseSiteFile(readFileSync(demoFile, 'utf8'));
if (demo.kind === 'refused') throw new Error('the demo is not sound');
const truth = truthSchema.parse(
  JSON.parse(readFileSync(path.join(root, 'demo', 'saltmarrow.truth.json'), 'utf8')),
);
const tester = await startTester({ site: demo.value, truth, random: createRandom(3), slips: 0 });
const network = networkSchema.parse(
  JSON.parse(readFileSync(path.join(root, 'demo', 'saltmarrow.network.json'), 'utf8')),
);
const hall = demo.value.recorder['hall-recorder']!;
const pictures = picturesOf(demo.value, hall.id);
const recorder = await startRecorder(
  {
    sold: { recorder: hall, network, pictures },
    memory: initialState({ recorder: hall, network, pictures }),
    key: 'ferry',
    minuteMs: 100,
    keep: () => undefined,
  },
  0,
);
const server = await startServer({
  standIns: {
    tester: Promise.resolve(tester.address),
    recorders: Promise.resolve({ [hall.id]: recorder.address }),
    switch: Promise.resolve(null),
    converter: Promise.resolve(null),
  },
  port: 0,
  dataDir: mkdtempSync(path.join(tmpdir(), 'neotrope-pictures-')),
  webDir: path.join(root, 'dist'),
  demoFile,
  withDemo: true,
  reset: false,
});
/** Waits for every picture of a page, those inside drawings too, which are none of the document's own. */
async function picturesShown(page: Page): Promise<void> {
  await page.waitForFunction(() => [...document.images].every(({ complete }) => complete));
  await page.evaluate(async () => {
    const inDrawings = [...document.querySelectorAll<SVGImageElement>('svg image')];
    await Promise.all(
      inDrawings.map(({ href }) => Object.assign(new Image(), { src: href.baseVal }).decode()),
    );
    await new Promise((resolve) => requestAnimationFrame(() => requestAnimationFrame(resolve)));
  });
}

const browser = await chromium.launch(launchOptions);
/** Taken whole before the folder is touched: a run that fails loses no picture. */
const taken = new Map<string, Buffer>();
for (const { name, path: shown, dark = false, phone = false, at, act } of shots) {
  const page = await browser.newPage({
    viewport: phone ? { width: 390, height: 844 } : { width: 1280, height: 800 },
    colorScheme: dark ? 'dark' : 'light',
    reducedMotion: 'reduce',
  });
  if (at) await page.clock.setFixedTime(new Date(at));
  await page.goto(`${server.address}${shown}`);
  await page.locator('h1').first().waitFor();
  await act?.(page);
  await page.evaluate(() => document.fonts.ready);
  await picturesShown(page);
  taken.set(`${name}.png`, await page.screenshot({ animations: 'disabled' }));
  await page.close();
  console.log(name);
}
for (const name of readdirSync(folder)) rmSync(path.join(folder, name));
for (const [name, picture] of taken) writeFileSync(path.join(folder, name), picture);
await browser.close();
await server.close();
await tester.close();
await recorder.close();
