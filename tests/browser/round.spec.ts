import { barriers } from './axe';
import { expect, test } from './fixtures';

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
