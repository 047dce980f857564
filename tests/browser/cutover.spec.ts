import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import ICAL from 'ical.js';
import { barriers } from './axe';
import { decidedDemo } from './decided';
import { expect, leaveList, saved, test, type TestServer } from './fixtures';

test.describe.configure({ timeout: 300_000 });
test.use({ actionTimeout: 30_000 });

/** Some weeks before the first night that the demo may begin. */
const before = new Date('2026-05-04T10:00:00');

async function open(
  page: Page,
  server: TestServer,
  view = 'nights',
  edit = (text: string) => text,
): Promise<string> {
  await page.clock.setFixedTime(before);
  const id = await server.newSite(edit(await decidedDemo()));
  await page.goto(`${server.address}/site/${id}/cutover?view=${view}`);
  await expect(page.locator('.cutover h1')).toBeVisible();
  return id;
}
/** Plans, and takes the first nights that are found. */
async function plan(page: Page): Promise<void> {
  await page.getByRole('button', { name: /^Plan (the nights|again)/ }).click();
  await expect(page.getByText(/so far, at least/)).toBeVisible({ timeout: 120_000 });
  await page.getByRole('button', { name: /^Enough/ }).click();
  await expect(page.locator('.sums')).toContainText(/\d+ nights?, .* dark view-hours/);
}
const nightOf = (page: Page, task: string) =>
  page.locator('[data-night]', { has: page.locator(`[data-task="${task}"]`) });

test('the nights are planned, a task is dragged, and what must not be is said with its rule', async ({
  page,
  server,
}) => {
  // All nights in sight: what is dragged is not scrolled away under the hand.
  await page.setViewportSize({ width: 1280, height: 1700 });
  await open(page, server);
  await expect(page.getByText('No night is agreed yet.')).toBeVisible();
  expect(await barriers(page, '.cutover')).toEqual([]);
  await plan(page);
  const nights = page.locator('[data-night]');
  const count = await nights.count();
  expect(count).toBeGreaterThan(3);
  await expect(page.locator('[data-objection]')).toHaveCount(0);
  expect(await barriers(page, '.cutover')).toEqual([]);

  // To a night that is free: it goes there and is promised for it.
  const free = page.locator('[data-line$=" free"]');
  const freeDate = (await free.getAttribute('data-line'))!.slice(0, 10);
  await page.locator('[data-task="swap-c12"]').first().dragTo(free);
  await expect(page.locator(`[data-night="${freeDate}"] [data-task="swap-c12"]`).first()).toBeVisible();
  await expect(page.getByRole('region', { name: 'Task in hand' })).toContainText('Promised for this night.');

  // Camera 17 sits on an input that turns under it: it cannot go to another night.
  const tied = page.locator('[data-task="swap-c17"]').first();
  const from = await nightOf(page, 'swap-c17').first().getAttribute('data-night');
  const target = page.locator(`[data-night="${freeDate}"] [data-line]`).first();
  await tied.dragTo(target);
  const refused = page.locator('[data-refused]');
  await expect(refused).toContainText(/17 Bay doors: change over stays where it is/);
  await expect(refused).toContainText(
    /has to be in the night of Hall recorder: turn inputs to IP: its input turns under it/,
  );
  await expect(nightOf(page, 'swap-c17').first()).toHaveAttribute('data-night', from!);

  // Keys alone: another night by the sheet of the task, and all of it taken back.
  await saved(page);
  await page.reload();
  await expect(page.locator(`[data-night="${freeDate}"] [data-task="swap-c12"]`).first()).toBeVisible();
  await page.keyboard.press('u');
  await expect(page.locator(`[data-night="${freeDate}"]`)).toHaveCount(0);
});

test('nights that come before what they need say so, and wait for it once it is noted when it is ordered', async ({
  page,
  server,
}) => {
  await open(page, server);
  await plan(page);
  const late = page.locator('[data-late]');
  await expect(late).toContainText(/tasks before the nights should have begun by now/);
  await late.getByRole('button', { name: 'Tasks' }).click();
  const noParts = page.getByText('late: its night will not have it');
  await expect(noParts.first()).toBeVisible();
  await page.keyboard.press('n');
  await late.getByRole('button', { name: 'Crew and rules' }).click();
  const today = await page.evaluate(() => new Date().toLocaleDateString('sv'));
  await page.getByLabel('Date on which everything is ordered').fill(today);
  await page.getByLabel('Date on which everything is ordered').press('Enter');
  await saved(page);
  await plan(page);
  await page.keyboard.press('n');
  await expect(page.locator('[data-night]').first()).toBeVisible();
  await expect(late).toHaveCount(0);
  await page.keyboard.press('s');
  await expect(page.getByText('In the nights')).toBeVisible();
  await expect(noParts).toHaveCount(0);
});

test('lane cameras are never dark together: what stands against it is said, and the nights change', async ({
  page,
  server,
}) => {
  // Four people, so that two lane cameras could be changed at once.
  await open(page, server, 'rules', (text) => {
    const file = JSON.parse(text) as { crew: { id: string; name: string; skills: string[] }[] };
    const more = ['P. Strand', 'M. Sluice'].map((name, k) => ({
      id: `more-${k}`,
      name,
      skills: ['cable', 'height', 'network'],
    }));
    return JSON.stringify({ ...file, crew: [...file.crew, ...more] });
  });
  expect(await barriers(page, '.cutover')).toEqual([]);
  await page.getByLabel('Name of a new rule').fill('Lane cameras');
  await page.locator('form.rule .p-multiselect').click();
  for (const name of ['6 Lane 1 and 2', '7 Lane 3 and 4', '8 Weighbridge'])
    await page.getByRole('option', { name }).click();
  await leaveList(page);
  await page.getByRole('button', { name: 'Add the rule' }).click();
  await expect(page.locator('[data-rule]')).toHaveCount(1);

  // A restart of the hall recorder leaves two of them dark: said, with the rule.
  await page.getByRole('button', { name: /^Plan the nights/ }).click();
  const alarm = page.locator('.cutover').getByRole('alert');
  await expect(alarm).toContainText(
    /Hall recorder: turn inputs to IP leaves 2 views of Lane cameras dark at once/,
    {
      timeout: 60_000,
    },
  );
  // The minutes of a restart are agreed with whoever watches; then there are nights, and no two of them together.
  await page.getByLabel('but for the minutes of a restart').check();
  await plan(page);
  await page.goto(page.url().replace('view=rules', 'view=nights'));
  const times = async (task: string) => {
    const title = await page.locator(`[data-task="${task}"]`).first().getAttribute('title');
    const [, start, end] = /(\d\d:\d\d) to (\d\d:\d\d)/.exec(title!)!;
    const minutes = (clock: string) => (Number(clock.slice(0, 2)) * 60 + Number(clock.slice(3)) + 180) % 1440;
    return {
      night: await nightOf(page, task).first().getAttribute('data-night'),
      start: minutes(start!),
      end: minutes(end!),
    };
  };
  const lanes = await Promise.all(['swap-c06', 'swap-c07', 'swap-c08'].map(times));
  for (const one of lanes)
    for (const other of lanes)
      if (one !== other && one.night === other.night)
        expect(one.end <= other.start || other.end <= one.start).toBe(true);
});

test('what cannot be is said with its way out: a short shift, nobody who can, a blackout over everything', async ({
  page,
  server,
}) => {
  await open(page, server, 'rules');
  const end = page.getByLabel('When the shift ends');
  await end.fill('23:00');
  await end.press('Enter');
  const again = page.getByRole('button', { name: /^Plan the nights/ });
  await again.click();
  await expect(page.locator('.cutover').getByRole('alert')).toContainText(
    /takes .* with the time to take it back, and the shift has 2 h 00 min/,
  );
  await end.fill('25:99');
  await end.press('Enter');
  await expect(page.getByText('Enter a time, e.g. 21:00.')).toBeVisible();
  await end.fill('05:00');
  await end.press('Enter');
  for (const name of ['B. Quay', 'R. Tolland'])
    await page
      .locator('[data-crew]', { has: page.getByLabel(`Name of ${name}`) })
      .getByRole('button', { name: 'Remove' })
      .click();
  await again.click();
  await expect(page.locator('.cutover').getByRole('alert')).toContainText(/change over/);
  await page.keyboard.press('u');
  await page.keyboard.press('u');
  await page.locator('.fields .p-multiselect').click();
  for (const day of ['Tue', 'Wed', 'Thu']) await page.getByRole('option', { name: day }).click();
  await leaveList(page);
  const mondays = Array.from({ length: 110 }, (_, k) =>
    new Date(Date.UTC(2026, 4, 4 + 7 * k)).toISOString().slice(0, 10),
  );
  const closed = page.getByLabel('Dates on which nothing may be touched');
  await closed.fill(mondays.join(', '));
  await closed.press('Enter');
  await again.click();
  await expect(page.locator('.cutover').getByRole('alert')).toContainText(
    'No night can begin: every working day is one on which nothing may be touched.',
  );
});

test('lists, labels, night card and calendar go out, and another parser reads the calendar', async ({
  page,
  server,
}) => {
  await open(page, server);
  await plan(page);
  const count = await page.locator('[data-night]').count();
  await page.getByRole('button', { name: /^Lists and labels/ }).click();
  await expect(page.getByRole('table', { name: 'Pick list' })).toContainText('Converter, known good');
  expect(await barriers(page, '.cutover')).toEqual([]);
  const fetched = async (name: string | RegExp, at = 0) => {
    const coming = page.waitForEvent('download');
    await page.getByRole('button', { name }).nth(at).click();
    return readFileSync(await (await coming).path());
  };
  const calendar = new ICAL.Component(ICAL.parse((await fetched(/^Calendar/)).toString()));
  const events = calendar.getAllSubcomponents('vevent').map((one) => new ICAL.Event(one));
  expect(events).toHaveLength(count);
  expect(events[0]!.startDate.toString()).toBe('2026-05-11T21:00:00');
  expect(new Set(events.map(({ uid }) => uid)).size).toBe(count);
  const orders = (await fetched('CSV', 1)).toString();
  expect(orders).toContain('What,Count,Needed by');
  expect((await fetched(/^Order list, XLSX/)).subarray(0, 2).toString()).toBe('PK');
  for (const name of [/^Night card/, /^Labels for both/])
    expect((await fetched(name)).subarray(0, 5).toString()).toBe('%PDF-');
});

test('a night is worked on a phone, with one put back and one that takes too long, and the rest is planned again', async ({
  page,
  server,
  browser,
}) => {
  const id = await open(page, server);
  await plan(page);
  await saved(page);
  const date = (await page.locator('[data-night]').first().getAttribute('data-night'))!;
  const tasks = await page
    .locator('[data-night]')
    .first()
    .locator('[data-task]:not(.second)')
    .evaluateAll((bars) => bars.map((bar) => (bar as HTMLElement).dataset['task']!));
  expect(tasks.length).toBeGreaterThan(1);

  const phone = await browser.newPage({ viewport: { width: 390, height: 844 }, colorScheme: 'dark' });
  const clock = (time: string) => phone.clock.setFixedTime(new Date(`${date}T${time}:00`));
  await clock('20:50');
  await phone.goto(`${server.address}/site/${id}/cutover?view=tonight`);
  const start = phone.locator('[data-gate="start"]');
  await start.getByRole('checkbox').first().waitFor();
  expect(await barriers(phone, '.tonight')).toEqual([]);
  // Nobody begins before somebody said go, and a go with something open needs its reason.
  await expect(phone.getByRole('button', { name: 'Begin', exact: true })).toBeDisabled();
  await start.getByRole('button', { name: 'Go', exact: true }).click();
  await expect(start.getByRole('alert')).toContainText('Say why it goes on all the same');
  // All ticked and said in one breath: what is asked is what is ticked, however long the evaluation takes.
  await start.evaluate((gate) => {
    for (const check of gate.querySelectorAll<HTMLInputElement>('[type=checkbox]')) check.click();
    gate.querySelector<HTMLButtonElement>('button.go')!.click();
  });
  await expect(start).toContainText(/go, Surveyor 20:50/);

  const hand = phone.locator('[data-in-hand]');
  const begin = async () => {
    await phone.getByRole('button', { name: 'Begin', exact: true }).click();
    const sure = phone.getByRole('alertdialog');
    if (await sure.isVisible()) await sure.getByRole('button', { name: 'Begin' }).click();
    await expect(phone.getByRole('button', { name: 'Trouble' })).toBeVisible();
  };
  const first = (await hand.getAttribute('data-in-hand'))!;
  // What the sign-off asks of a camera is read on the card of its change.
  const swap = tasks.find((task) => task.startsWith('swap-'))!;
  await phone.locator(`[data-tonight="${swap}"]`).click();
  await hand.getByText('Readings for the sign-off').click();
  const labels = hand.locator('[data-check="labels"]');
  await labels.getByRole('button', { name: /: yes$/ }).click();
  await expect(labels).toHaveAttribute('data-holds', 'true');
  await expect(phone.locator('.saved')).toHaveText(/saved \d/);
  expect(await barriers(phone, '.tonight')).toEqual([]);
  await phone.locator(`[data-tonight="${first}"]`).click();
  // The first holds: the desk sees it live.
  await begin();
  await expect(page.locator(`[data-task="${first}"].under-way`).first()).toBeVisible();
  // Down in the plant room there is no network: it is worked on all the same, and told once there is one.
  await phone.context().setOffline(true);
  await clock('22:10');
  for (const proof of await hand.getByRole('checkbox').all()) await proof.check();
  await hand.getByRole('button', { name: /^(Camera records|Done)$/ }).click();
  await expect(phone.locator(`[data-tonight="${first}"] .mark`)).toHaveText('✓');
  await expect(phone.locator('.saved')).toContainText(/\d edits? kept/);
  await expect(page.locator(`[data-task="${first}"].under-way`).first()).toBeVisible();
  await phone.context().setOffline(false);
  await expect(page.locator(`[data-task="${first}"].done`).first()).toBeVisible();
  // The second takes longer than at worst, and goes back.
  const second = (await hand.getAttribute('data-in-hand'))!;
  expect(second).not.toBe(first);
  await begin();
  await hand.getByRole('button', { name: 'Trouble' }).click();
  await phone.getByLabel('What is wrong').fill('no link over the old cable');
  await phone.getByRole('button', { name: 'Note it' }).click();
  await expect(hand).toContainText('Trouble: no link over the old cable');
  await phone.clock.setFixedTime(new Date(new Date(`${date}T22:10:00`).getTime() + 6 * 3600_000));
  await phone.reload();
  await expect(hand.getByRole('alert')).toContainText(/longer than at worst/);
  await hand.getByRole('button', { name: /back$|^Put it back|^Restore/ }).click();
  await phone.getByRole('button', { name: 'It is back' }).click();
  await expect(phone.locator(`[data-tonight="${second}"] .mark`)).toHaveText('↩');
  await expect(phone.locator('.saved')).toHaveText(/saved \d/);
  expect(await barriers(phone, '.tonight')).toEqual([]);
  await phone.close();

  // At the desk in the morning: what was put back has another night, what holds has its own.
  await page.clock.setFixedTime(new Date(`${date}T23:59:00`));
  await plan(page);
  await expect(page.locator(`[data-task="${second}"]:not(.second)`)).toHaveCount(2);
  await expect(page.locator(`[data-task="${first}"]:not(.second)`)).toHaveCount(1);
  await expect(page.locator('[data-objection]')).toHaveCount(0);
  await page.getByRole('button', { name: /^Mornings/ }).click();
  await page.getByRole('button', { name: /^As it is now/ }).click();
  await expect(page.locator('[data-morning="now"]')).toContainText('Every recorder is legal');
});

test('hours of a recorder hold its restart, a task is added, and a change-over is prepared before', async ({
  page,
  server,
}) => {
  await open(page, server, 'rules');
  const hours = page.getByLabel('When Hall recorder may restart');
  await hours.fill('in the small hours');
  await hours.press('Enter');
  await expect(page.getByText('Enter two times, e.g. 22:00–04:00.')).toBeVisible();
  await hours.fill('01:00 to 04:00');
  await hours.press('Enter');
  await expect(hours).toHaveValue('01:00–04:00');
  expect(await barriers(page, '.cutover')).toEqual([]);

  await hours.blur();
  await page.keyboard.press('s');
  const form = page.getByRole('form', { name: 'Add a task' });
  await form.getByRole('button', { name: 'Add the task' }).click();
  await expect(form.getByRole('alert')).toHaveText('Enter what is to be done.');
  await form.getByLabel('What is to be done').fill('Hang the new sign');
  await form.getByRole('button', { name: 'Add the task' }).click();
  await expect(page.getByRole('button', { name: 'Hang the new sign', exact: true })).toBeVisible();
  await page.getByRole('button', { name: '1 Hall north desk: change over' }).click();
  const prepared = page.getByLabel('Minutes that are done before in a task of its own');
  await prepared.fill('40');
  await prepared.press('Enter');
  await expect(page.locator('[data-task-row="prepare-c01"]')).toContainText('32 · 40 · 64');
  await expect(page.locator('[data-task-row="swap-c01"]')).toContainText('93 · 116 · 186');
  expect(await barriers(page, '.cutover')).toEqual([]);

  // So late no camera whose input turns can be changed in the same night.
  await page.getByRole('button', { name: /^Plan the nights/ }).click();
  await expect(
    page.locator('.cutover').getByText(/may restart from 01:00 to 04:00; widen those hours/),
  ).toBeVisible({
    timeout: 60_000,
  });
  await page.keyboard.press('r');
  await hours.fill('23:00-03:00');
  await hours.press('Enter');
  await hours.blur();
  await page.keyboard.press('s');
  await plan(page);
  // What is ordered is begun so long before the night that needs it.
  await expect(page.locator('[data-task-row^="order-"]').first()).toContainText(/by \w{3} \d+ (Apr|May)/);
  await expect(page.locator('[data-task-row^="own-"]')).toContainText(/May|Jun/);
  await page.getByRole('button', { name: 'Hall recorder: turn inputs to IP' }).first().click();
  const sheet = page.getByRole('region', { name: 'Task in hand' });
  await expect(sheet).toContainText('Hall recorder may restart from 23:00 to 03:00');
  await expect(sheet).toContainText(/ (23|0[0-2]):\d\d–(23|0[0-2]):\d\d, not after 0[0-2]:/);
});

test('a night that is not sure enough says which task would have to leave it', async ({ page, server }) => {
  await open(page, server, 'tasks');
  await plan(page);
  await page.getByRole('button', { name: '12 Mast, turning: change over' }).click();
  const worst = page.getByLabel('Minutes, at worst');
  await worst.fill('330');
  await worst.press('Enter');
  await worst.blur();
  await page.keyboard.press('n');
  await page.getByRole('button', { name: 'What would help?' }).click();
  const help = page.locator('[data-help]').first();
  await expect(help).toContainText(/change over to \w{3} \d+ \w{3,4}: \d+ % here, \d+ % there\./);
  await help.getByRole('button', { name: 'Move it' }).click();
  await expect(page.getByRole('button', { name: 'What would help?' })).toHaveCount(0);
  await expect(page.locator('[data-objection]')).toHaveCount(0);
});
