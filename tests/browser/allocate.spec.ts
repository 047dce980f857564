import { demoFile, expect, slot, test } from './fixtures';

test('a tail conflict is explained before it is made, can be forced, and is then listed', async ({
  page,
  open,
}) => {
  await open('allocate');
  const tag = page.locator('.tray [data-camera="c18"]');
  await tag.dragTo(slot(page, 'hall-recorder', 10));
  const alert = page.getByRole('alert');
  await expect(alert).toContainText(
    'Camera 18 on input 10 is IP, so inputs 10 to 16 all turn to IP, from the highest down; cameras 19, 21, 22, 23 and 24 still need coax there.',
  );
  await expect(alert).toContainText(
    'Legal: Put camera 18 on a slot after 16, or first move cameras 19, 21, 22, 23 and 24 below input 10 or change them to IP.',
  );
  await expect(slot(page, 'hall-recorder', 10)).not.toContainText('Parts cage');
  await alert.getByRole('button', { name: 'Put it there anyway' }).click();
  await expect(slot(page, 'hall-recorder', 10)).toContainText('Parts cage');
  await expect(slot(page, 'hall-recorder', 16)).toContainText('now IP');
  await expect(page.getByLabel('Broken rules').locator('p')).toHaveCount(1);
  await expect(page.getByText(/settings fall back to factory values/)).toBeVisible();
  await expect(page.getByRole('button', { name: /^Allocate/ })).toContainText('1 to put right');
  // All allocated anew, the conflict is gone: the camera is on an IP slot, and what moves is told with its reason.
  await page.keyboard.press('a');
  await expect(page.getByLabel('Broken rules')).toHaveCount(0);
  await expect(slot(page, 'hall-recorder', 16)).not.toContainText('now IP');
  await expect(page.getByLabel('What it takes')).toContainText(
    /Camera 18: from 10 to Hall recorder 19\. Camera 18 on input 10 is IP/,
  );
  await expect(page.locator('.tray')).toContainText('Nothing waits here.');
  for (const key of ['u', 'u']) await page.keyboard.press(key);
  await expect(page.locator('.tray [data-camera]')).toHaveCount(2);
});

test('several are picked together and put down on the slots that take them; streams, nights and addresses follow', async ({
  page,
  open,
}) => {
  await open('allocate');
  await page.locator('.tray [data-camera="c18"]').click();
  await page.locator('.tray [data-camera="c20"]').click({ modifiers: ['Shift'] });
  await slot(page, 'hall-recorder', 17).click();
  await expect(page.getByRole('alert')).toHaveCount(0);
  await expect(slot(page, 'hall-recorder', 19)).toContainText('Parts cage');
  await expect(slot(page, 'hall-recorder', 20)).toContainText('Slip');
  await page.keyboard.press('o');
  await expect(page.locator('[data-night="1"]')).toContainText('Camera 20 leaves');
  await page.getByLabel('Cameras in a night').fill('1');
  await page.getByLabel('Cameras in a night').press('Enter');
  await expect(page.locator('[data-night]')).toHaveCount(4);
  await page.locator('h1').click();
  await page.keyboard.press('s');
  const marshalling = page.locator('[data-storage="marshalling-recorder"]');
  await expect(marshalling).toContainText('2.2 TB short: 4.1 TB are wanted, 1.9 TB can be written to.');
  await expect(marshalling.getByLabel('Ways to close it')).toContainText('1 more disk of 4 TB, 110 EUR.');
  await page.getByLabel('Days, all cameras').fill('12');
  await page.getByLabel('Days, all cameras').press('Enter');
  await expect(marshalling).toContainText(/1\.\d TB of 1\.9 TB are wanted/);
  await page.locator('h1').click();
  await page.keyboard.press('b');
  const ready = page.locator('[data-ready="hall-recorder"]');
  await expect(ready.locator('[data-check="network"]')).toContainText('Camera 18 has no address.');
  await ready.getByRole('button', { name: 'Give addresses to those without' }).click();
  await expect(ready.getByLabel('Address of camera 18')).toHaveValue('10.20.0.118');
  await ready.getByLabel('Address of camera 20').fill('10.20.0.118');
  await ready.getByLabel('Address of camera 20').press('Enter');
  await expect(ready.locator('[data-check="addresses"]')).toContainText(
    '10.20.0.118 is given twice: camera 18, camera 20.',
  );
});

test('a slot that is taken stays with the camera that has it', async ({ page, open }) => {
  await open('allocate');
  await page.locator('.tray [data-camera="c18"]').dragTo(slot(page, 'hall-recorder', 17));
  await expect(page.getByRole('alert')).toContainText('Cameras 1 and 18 are both on slot 17.');
  await expect(page.getByRole('button', { name: 'Put it there anyway' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Cancel' }).click();
  await expect(page.getByRole('alert')).toHaveCount(0);
});

test('carrying a camera shows which slots are legal', async ({ page, open }) => {
  await open('allocate');
  await page.locator('.tray [data-camera="c18"]').click();
  await expect(slot(page, 'hall-recorder', 19)).toHaveClass(/ legal/);
  await expect(slot(page, 'hall-recorder', 10)).toHaveClass(/illegal/);
  await expect(slot(page, 'marshalling-recorder', 3)).toHaveClass(/illegal/);
  await slot(page, 'hall-recorder', 19).click();
  await expect(slot(page, 'hall-recorder', 19)).toContainText('Parts cage');
});

test('the rest is filled at once, on both recorders, in one edit', async ({ page, server }) => {
  const file = demoFile();
  const id = await server.newSite(
    JSON.stringify({
      ...file,
      choices: [
        ...file.choices,
        { id: 'c08', option: 'ip-coax-unit', at: '2026-04-01T09:00:00Z', by: 'R. Tolland' },
      ],
    }),
  );
  await page.goto(`${server.address}/site/${id}/allocate`);
  await expect(page.locator('.tray [data-camera]')).toHaveCount(3);
  await page.keyboard.press('f');
  await expect(page.locator('.tray')).toContainText('Nothing waits here.');
  await expect(slot(page, 'hall-recorder', 19)).toContainText('Parts cage');
  await expect(slot(page, 'hall-recorder', 20)).toContainText('Slip');
  await expect(slot(page, 'marshalling-recorder', 17)).toContainText('Weighbridge');
  await expect(page.getByLabel('What it takes')).toContainText(
    'Camera 20 joins Hall recorder 20. Slot matches camera number.',
  );
  await page.keyboard.press('u');
  await expect(page.locator('.tray [data-camera]')).toHaveCount(3);
});

test('a tag that has the focus is picked up and put down by Enter', async ({ page, open }) => {
  await open('allocate');
  await page.locator('.tray [data-camera="c20"]').focus();
  await page.keyboard.press('Enter');
  await expect(page.locator('.tray [data-camera="c20"]')).toHaveAttribute('aria-pressed', 'true');
  for (let k = 0; k < 19; k += 1) await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  await expect(slot(page, 'hall-recorder', 20)).toContainText('Slip');
});
