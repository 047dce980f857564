import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { Page } from '@playwright/test';
import { barriers } from './axe';
import { demoAtItsTurn } from './decided';
import { choose, expect, saved, test as shared } from './fixtures';
import { StandInRecorder } from './standInRecorder';
import { startStandInSwitch } from './standInDevices';

shared.describe.configure({ timeout: 300_000 });
shared.use({ actionTimeout: 30_000 });
const test = shared.extend<{ recorder: StandInRecorder }>({
  recorder: async ({}, use) => {
    const recorder = new StandInRecorder();
    await recorder.start(10);
    await use(recorder);
    await recorder.kill();
  },
});

/** A switch with a camera on its second port that nobody has named yet. */
function newSwitch(): string {
  const idle = { isUp: false, mbps: 0, poe: { isOn: true, poeClass: 0, watts: 0 }, errors: 0, seen: [] };
  const ports = Array.from({ length: 8 }, (_, k) => ({ number: k + 1, ...idle }));
  ports[1] = Object.assign(ports[1]!, {
    isUp: true,
    mbps: 100,
    poe: { isOn: true, poeClass: 3, watts: 12.6 },
    seen: ['02:00:5e:10:00:14'],
  });
  const file = path.join(mkdtempSync(path.join(tmpdir(), 'neotrope-switch-')), 'state.json');
  writeFileSync(file, JSON.stringify({ name: 'New hall switch', serial: 'SW-0117', poeWatts: 120, ports }));
  return file;
}

/** Pushes as much of the plan into the hall recorder as the night has come to. */
async function push(page: Page, address: string): Promise<void> {
  await page.getByRole('link', { name: 'Push to the recorder' }).click();
  await expect(page.getByLabel('Recorder to write to')).toContainText('Hall recorder');
  await page.getByLabel('Address and port of the recorder').fill(address);
  await page.getByLabel('Key of the recorder').fill('ferry');
  await page.getByRole('button', { name: /^Read recorder/ }).click();
  await expect(page.getByLabel('Recorder and plan')).toBeVisible();
  await page.getByRole('button', { name: /^Apply the plan/ }).click();
  await expect(page.getByLabel('Plan on its way')).toHaveAttribute('data-state', 'done');
  await expect(page.getByLabel('Recorder and plan')).toContainText('holds the plan');
  await page.goBack();
}

/** Which of the nights of a site file a task is in, counted from 1. */
function nightOf(file: string, taskId: string): number {
  const { nights } = JSON.parse(file) as {
    nights: { date: string; jobs: { taskId: string }[] }[];
  };
  nights.sort((a, b) => a.date.localeCompare(b.date, 'en'));
  return 1 + nights.findIndex(({ jobs }) => jobs.some((job) => job.taskId === taskId));
}

/** Who is on the hall recorder on the morning that is shown, as `slot: camera`. */
const shownSlots = (page: Page) =>
  page.locator('[data-recorder="hall-recorder"] .slot').evaluateAll((cells) =>
    cells.flatMap((cell) => {
      const [slot, numbers] = [...cell.childNodes].map(({ textContent }) => textContent!.trim());
      return numbers === '·' ? [] : [`${slot}: ${numbers}`];
    }),
  );

test('a night with its recorder ends as it was planned: facts, morning and recorder are one', async ({
  page,
  server,
  recorder,
}) => {
  const { number, date, file } = await demoAtItsTurn();
  const id = await server.newSite(file);
  await page.setViewportSize({ width: 390, height: 844 });
  const clock = (time: string) => page.clock.setFixedTime(new Date(`${date}T${time}:00`));
  await clock('21:00');
  await page.goto(`${server.address}/site/${id}/cutover?view=mornings`);
  await page.getByRole('button', { name: `After night ${number}` }).click();
  await expect(page.locator(`[data-morning="${date}"]`)).toContainText('Every recorder is legal');
  const planned = await shownSlots(page);

  await page.goto(`${server.address}/site/${id}/cutover?view=tonight`);
  const start = page.locator('[data-gate="start"]');
  await start.getByRole('checkbox').first().waitFor();
  for (const check of await start.getByRole('checkbox').all()) await check.check();
  await start.getByRole('button', { name: 'Go', exact: true }).click();
  await expect(start).toContainText(/go, Surveyor 21:00/);
  const hand = page.locator('[data-in-hand]');
  const tasks = await page
    .locator('[data-tonight]')
    .evaluateAll((rows) => rows.map((row) => (row as HTMLElement).dataset['tonight']!));
  expect(tasks.filter((task) => task.startsWith('recorder-change-'))).toHaveLength(1);
  let minute = 0;
  for (const task of tasks) {
    await page.locator(`[data-tonight="${task}"]`).click();
    await expect(hand).toHaveAttribute('data-in-hand', task);
    await page.getByRole('button', { name: 'Begin', exact: true }).click();
    await expect(page.getByRole('button', { name: 'Trouble' })).toBeVisible();
    await push(page, recorder.address);
    await expect(hand).toHaveAttribute('data-in-hand', task);
    minute += 20;
    await clock(`2${1 + Math.floor(minute / 60)}:${String(minute % 60).padStart(2, '0')}`);
    // What is to be looked at comes with the card of the task.
    await expect(hand.getByText('latest start to go back')).toBeVisible();
    for (const proof of await hand.getByRole('checkbox').all()) await proof.check();
    await hand.getByRole('button', { name: /^(Camera records|Done)$/ }).click();
    await expect(page.locator(`[data-tonight="${task}"] .mark`)).toHaveText('✓');
  }
  await saved(page);

  // In the morning: what is noted as done, what the plan said, and what the recorder holds are one.
  await page.goto(`${server.address}/site/${id}/cutover?view=mornings`);
  await page.getByRole('button', { name: /^As it is now/ }).click();
  await expect(page.locator('[data-morning="now"]')).toContainText('Every recorder is legal');
  expect(await shownSlots(page)).toEqual(planned);
  const { channels, ipInputs } = await recorder.state();
  expect(channels.map(({ slot, name }) => `${slot}: ${/^\d+/.exec(name)?.[0]}`)).toEqual(planned);
  // Cameras that were changed are on the network, whoever waits for a later night still sends coax into an input that takes it.
  const late = channels.filter(({ kind }) => kind === 'coax');
  expect(late.length).toBeGreaterThan(0);
  for (const { slot } of late) expect(ipInputs).not.toContain(slot);
  expect(ipInputs).toHaveLength(13);

  // The network as it is now is that of the morning after that night: neither the old site nor the end.
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto(`${server.address}/site/${id}/connect?at=now`);
  const moments = page.getByRole('navigation', { name: 'Moment' });
  await expect(moments.locator('[aria-current]')).toHaveText('as it is now');
  const cameras = () => page.getByRole('treeitem', { name: /^\d+ / }).allTextContents();
  const now = await cameras();
  const shownAt = async (moment: string | RegExp) => {
    await moments.getByRole('button', { name: moment }).click();
    await expect(moments.locator('[aria-current]')).toHaveText(moment);
    return cameras();
  };
  const later = date.split('-').map(Number)[2]!;
  await expect.poll(() => shownAt(new RegExp(`^after \\w+ ${later} `))).toEqual(now);
  expect(await shownAt('before')).not.toEqual(now);
  expect(await shownAt('when all is done')).not.toEqual(now);
});

test('the port of a camera that was just changed is asked, kept for the sign-off, and powered off and on', async ({
  page,
  server,
}) => {
  const { date, file } = await demoAtItsTurn();
  const id = await server.newSite(file);
  const standIn = await startStandInSwitch(newSwitch());
  try {
    await page.setViewportSize({ width: 390, height: 844 });
    await page.clock.setFixedTime(new Date(`${date}T21:00:00`));
    await page.goto(`${server.address}/site/${id}/cutover?view=tonight`);
    await page.getByLabel('Night', { exact: true }).click();
    await choose(page, new RegExp(`^Night ${nightOf(file, 'swap-c22')},`));
    await page.locator('[data-tonight="swap-c22"]').click();
    const port = page.locator('.port');
    await port.getByText('Port of Long-reach switch').click();
    const where = port.getByLabel('Address of the switch');
    await where.fill(standIn.address);
    await where.press('Enter');
    await port.getByRole('button', { name: 'Read the switch' }).click();
    await port.getByRole('button', { name: /^Port 2: 02:00:5e/ }).click();
    await expect(port.locator('[data-port="2"]')).toContainText('link at 100 Mb/s, gives 12.6 W');
    expect(await barriers(page, '.tonight')).toEqual([]);
    await port.getByRole('button', { name: /^Keep 12.6 W for the sign-off/ }).click();
    await saved(page);
    await page.getByText('Readings for the sign-off').click();
    const kept = page.locator('[data-check="port-watts"]');
    await expect(kept).toContainText('12.6 W');
    await expect(kept).toHaveAttribute('data-holds', 'true');
    await port.getByLabel('Key of the switch').fill('quay');
    await port.getByRole('button', { name: 'Power it off and on' }).click();
    await expect(port.getByRole('alert')).toContainText('The key is not the switch’s.');
    await port.getByLabel('Key of the switch').fill('ferry');
    await port.getByRole('button', { name: 'Power it off and on' }).click();
    await expect(port.locator('[data-port="2"]')).toContainText('no link yet: it starts');
  } finally {
    standIn.stop();
  }
  await page.getByRole('button', { name: 'Read the switch' }).click();
  await expect(page.locator('.port').getByRole('alert')).toContainText('Nothing answers at');
});
