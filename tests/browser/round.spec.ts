import { barriers } from './axe';
import { choose, demoFile, expect, test } from './fixtures';

test('the round: what to test in the time at hand, place by place, and anew after a reading', async ({
  page,
  open,
}) => {
  await open('test');
  const round = page.getByRole('region', { name: 'The round' });
  const firstStop = round.locator('[data-place="ticket-hall"]').first();
  await expect(firstStop.getByRole('heading')).toContainText('At the recorder, Ticket hall');
  await expect(round.getByRole('img', { name: /^The round on Site: 1 Ticket hall/ })).toBeVisible();
  await expect(round).toContainText(/\d+ tests at 2 places in 2\.0 h: \d+ % of what all tests together/);
  expect(await barriers(page, '.round')).toEqual([]);

  // More hours reach more places, and more is told.
  await round.getByRole('textbox', { name: 'Time at hand' }).fill('8');
  await page.keyboard.press('Enter');
  await expect(round.locator('[data-place]')).not.toHaveCount(2);
  await expect(round).toContainText(/there and back, ladder/);

  const ofFirst = firstStop.getByRole('listitem').filter({ hasText: 'Hall north desk' });
  await expect(ofFirst.filter({ hasText: 'Picture' })).toHaveCount(1);
  await ofFirst.getByRole('link').first().click();
  await page.getByRole('button', { name: 'Clean', exact: true }).click();
  await page.goBack();
  await expect(firstStop).toBeVisible();
  await expect(ofFirst.filter({ hasText: 'Picture' })).toHaveCount(0);
});

test('the round by the work that tests save: nothing to save yet, and with choices hours, money and a test a camera', async ({
  page,
  open,
  server,
}) => {
  await open('test');
  const round = page.getByRole('region', { name: 'The round' });
  await round.getByRole('combobox', { name: 'Choose tests by' }).click();
  await choose(page, 'the work they save');
  await expect(round).toContainText('No test is left in this time that what is chosen hangs on.');

  // The same site before anybody has tested it, with every camera to go over its coax from a unit.
  const file = demoFile();
  const who = { option: 'ip-coax-unit', by: 'R. Tolland', at: '2026-03-02T10:00:00Z' };
  const choices = file.cameras.flatMap(({ id, number }) => (number <= 24 ? [{ id, ...who }] : []));
  const id = await server.newSite(JSON.stringify({ ...file, readings: [], choices, placements: [] }));
  await page.goto(`${server.address}/site/${id}/test`);
  await expect(round).toContainText(
    /\d+ tests? at \d places? in \d\.\d h: knowing first, before what is chosen is built, saves \d+(\.\d+)? h of work \(\d+ EUR\).* on average, \d+ % of what all such tests could save\./,
  );
  await expect(
    round.getByRole('listitem').filter({ hasText: 'Loop, centre and shield' }).first(),
  ).toBeVisible();
  const links = round.getByRole('link');
  const names = await links.allTextContents();
  expect(new Set(names).size).toBe(names.length);
  expect(await barriers(page, '.round')).toEqual([]);
});
