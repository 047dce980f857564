import type { Page } from '@playwright/test';
import { barriers } from './axe';
import { choose, expect, leaveList, saved, test } from './fixtures';

/** Adds a view on the network in the dialog that `v` opens. */
async function addView(page: Page, view: { name: string; place: string; on: string; lengthM: string }) {
  await page.keyboard.press('v');
  const dialog = page.getByRole('dialog', { name: 'Add a view on the network' });
  await dialog.getByLabel('View').fill(view.name);
  await dialog.getByRole('combobox', { name: 'Place' }).fill(view.place);
  await dialog.getByLabel('Hangs on').click();
  await choose(page, view.on);
  await dialog.getByLabel('Length of its lead').fill(view.lengthM);
  await dialog.getByRole('button', { name: 'Add the view' }).click();
  await expect(dialog).toBeHidden();
}

async function addGear(page: Page, gear: { is: string | RegExp; name: string; place: string }) {
  await page.keyboard.press('b');
  const dialog = page.getByRole('dialog', { name: 'Add network gear' });
  await dialog.getByLabel('It is').click();
  await choose(page, gear.is);
  await dialog.getByLabel('Name of the gear').fill(gear.name);
  await dialog.getByRole('combobox', { name: 'Place' }).fill(gear.place);
  await dialog.getByRole('button', { name: 'Add it' }).click();
  await expect(dialog).toBeHidden();
}

test('a small site of four pole cameras over two radios and a field switch is entered from nothing', async ({
  page,
  server,
}) => {
  await page.goto(server.address);
  await page.getByLabel('Name of the site').fill('Saltmarrow causeway');
  await page.getByLabel('Where the recorders are').fill('Causeway hut');
  await page.getByRole('button', { name: 'Start' }).click();
  await expect(page.getByText('Nothing is noted yet.')).toBeVisible();
  await page.keyboard.press('5');
  await expect(page.getByText('This site has no recorder yet.')).toBeVisible();
  await page.keyboard.press('1');
  await expect(page.getByText('Nothing is noted yet.')).toBeVisible();
  await page.keyboard.press('h');
  await expect(page.getByText('No head end gear is noted yet.')).toBeVisible();
  await page.keyboard.press('n');
  const note = page.getByRole('dialog', { name: 'Add head-end equipment' });
  await note.getByLabel('Name').fill('Hut recorder');
  await note.getByRole('button', { name: 'Add' }).click();
  await expect(note).toBeHidden();

  await page.keyboard.press('5');
  await expect(page.getByRole('heading', { name: 'Connect' })).toBeVisible();
  await addGear(page, { is: 'Network switch, there', name: 'Hut switch', place: 'Causeway hut' });
  await addGear(page, { is: 'Radio or converter, there', name: 'Hut radio', place: 'Causeway hut' });
  await addGear(page, {
    is: /To buy: PoE switch, 8 ports, 120 W/,
    name: 'Pole switch',
    place: 'Causeway pole',
  });
  await addGear(page, { is: /To buy: Radio bridge end/, name: 'Pole radio', place: 'Causeway pole' });
  for (const [k, name] of ['Causeway north', 'Causeway south', 'Slipway', 'Tide gauge'].entries())
    await addView(page, { name, place: 'Causeway pole', on: 'Pole switch', lengthM: String(6 + k) });

  const tree = page.getByRole('tree', { name: 'Network' });
  const item = (name: RegExp) => tree.getByRole('treeitem', { name });
  await expect(item(/^Pole switch/)).toContainText('4 of 8');
  const finding = page.locator('.finding');
  await expect(finding).toContainText('Cameras 1, 2, 3, 4 have no recorder yet');

  // The link between the two radios.
  await page.keyboard.press('n');
  const dialog = page.getByRole('dialog', { name: 'Note a link' });
  await dialog.getByLabel('From').click();
  await choose(page, 'Causeway hut');
  await dialog.getByLabel('Plugged into there', { exact: true }).click();
  await choose(page, 'Hut radio');
  await dialog.getByLabel('To', { exact: true }).click();
  await choose(page, 'Causeway pole');
  await dialog.getByLabel('Plugged into at the other end', { exact: true }).click();
  await choose(page, 'Pole radio');
  await dialog.getByLabel('Over').click();
  await choose(page, 'radio');
  await dialog.getByLabel('Length of the link').fill('310');
  await dialog.getByRole('button', { name: 'Note the link' }).click();
  await expect(dialog).toBeHidden();

  // A second link in a port that is taken is refused in words, and nothing of it is kept.
  const plug = async (port: string): Promise<void> => {
    await page.keyboard.press('n');
    await dialog.getByLabel('From').click();
    await choose(page, 'Causeway hut');
    await dialog.getByLabel('Plugged into there', { exact: true }).click();
    await choose(page, 'Hut switch');
    await dialog.getByLabel('Plugged into there, port').fill(port);
    await dialog.getByLabel('To', { exact: true }).click();
    await choose(page, 'Causeway pole');
    await dialog.getByRole('button', { name: 'Note the link' }).click();
  };
  await plug('3');
  await expect(dialog).toBeHidden();
  await plug('3');
  await expect(dialog.getByRole('alert')).toContainText('a free port; Causeway hut to Causeway pole');
  await dialog.getByRole('button', { name: 'Cancel' }).click();
  await page.keyboard.press('u');

  // Nothing runs on a pole without mains, and no camera is on a recorder yet.
  await item(/^Pole switch/).click();
  await page.getByLabel('Picked').getByRole('button', { name: 'Yes' }).click();
  await saved(page);
  await expect(finding).toContainText('have no recorder yet');
  await page.keyboard.press('4');
  await expect(page.locator('.tray [data-camera]')).toHaveCount(4);
  await page.keyboard.press('f');
  await expect(page.locator('.tray')).toContainText('Nothing waits here.');
  await page.keyboard.press('5');
  await expect(page.getByText('Nothing is wrong with the network at this moment.')).toBeVisible();
  expect(await barriers(page, '.connect')).toEqual([]);

  // The board of Survey does not ask for cables that are not there.
  await page.keyboard.press('1');
  await expect(page).toHaveURL(/\/survey/);
  await expect(page.getByRole('heading', { name: 'Connect' })).toBeHidden();
  await expect(page.getByText('Without a run:')).toHaveCount(0);
  await page.keyboard.press('5');
  await expect(page.getByRole('heading', { name: 'Connect' })).toBeVisible();

  // What a cut link darkens, and that the new views are not there today.
  await page.keyboard.press('f');
  await expect(page.getByRole('row', { name: /Causeway hut to Causeway pole, radio, cut/ })).toContainText(
    '4 of 4',
  );
  await page.keyboard.press('r');
  await page.getByRole('button', { name: 'today', exact: true }).click();
  await expect(item(/Tide gauge/)).toHaveCount(0);
  await page.getByRole('button', { name: 'when all is done' }).click();

  // A camera hung in the hut: the way there is asked for, and uplink, ports and cost follow.
  const costs = page.locator('.costs');
  const before = await costs.textContent();
  await item(/Slipway/).dragTo(item(/^Hut switch/));
  const move = page.getByRole('dialog', { name: /to Hut switch/ });
  expect(await barriers(page, '.p-dialog')).toEqual([]);
  await move.getByLabel('Length of the way').fill('70');
  await move.getByRole('button', { name: 'Hang it there' }).click();
  await expect(item(/^Pole switch/)).toContainText('3 of 8');
  // One for the camera, one for a lead beside that which leads on.
  await expect(item(/^Hut switch/)).toContainText('2 of 24');
  await expect(costs).not.toHaveText(before ?? '');
  await page.keyboard.press('u');
  await expect(item(/^Pole switch/)).toContainText('4 of 8');
  await expect(costs).toHaveText(before ?? '');
});

test('an IP camera that is there is noted with its slot of today, and moves from there to another', async ({
  page,
  open,
}) => {
  await open('connect');
  await page.locator('h1').click();
  await page.keyboard.press('v');
  const dialog = page.getByRole('dialog', { name: 'Add a view on the network' });
  await dialog.getByLabel('View').fill('Ticket machine');
  await dialog.getByRole('combobox', { name: 'Place' }).fill('Ticket hall');
  await dialog.getByLabel('It is').click();
  await choose(page, 'There already');
  await dialog.getByLabel('Over').click();
  await choose(page, 'radio');
  await dialog.getByLabel('Radio rate').fill('0');
  await dialog.getByLabel('Radio rate').press('Enter');
  await expect(dialog.getByRole('alert')).toContainText('more than 0');
  await dialog.getByLabel('Radio rate').fill('40');
  await dialog.getByLabel('Radio rate').press('Tab');
  await dialog.getByLabel('Recorded today on').click();
  await choose(page, 'Hall recorder 20');
  await dialog.getByRole('button', { name: 'Add the view' }).click();
  await expect(dialog).toBeHidden();
  const item = page.getByRole('tree', { name: 'Network' }).getByRole('treeitem', { name: /Ticket machine/ });
  await item.first().click();
  const picked = page.getByLabel('Picked');
  await expect(picked.getByLabel(/^Radio rate of camera/)).toHaveValue('40');

  // It waits for no slot: it is on one. A slot that a lead is in, or that another camera is on, is refused.
  await expect(picked.getByLabel(/^Slot of camera .* today$/)).toContainText('Hall recorder 20');
  await page.locator('h1').click();
  await page.keyboard.press('4');
  const tray = page.locator('.tray [data-camera]');
  await expect(tray.filter({ hasText: 'Ticket machine' })).toHaveCount(0);

  // Camera 25 is given slot 24 of its recorder, and kept by slot 20 today.
  await page.keyboard.press('5');
  await page.getByRole('treeitem', { name: /^25 / }).first().click();
  await picked.getByLabel('Slot of camera 25 today').click();
  await choose(page, 'Marshalling recorder 20');
  await saved(page);
  await open('allocate?view=order');
  await expect(
    page.getByText(
      'Camera 25, on the network already, goes from Marshalling recorder 20 to Marshalling recorder 24.',
    ),
  ).toBeVisible();
});

test('a link follows a drawn route, takes its length, and says so beside a grade that does not bear its rate', async ({
  page,
  open,
}) => {
  await open('connect');
  await page.locator('h1').click();
  await page.keyboard.press('n');
  const dialog = page.getByRole('dialog', { name: 'Note a link' });
  await dialog.getByLabel('From').click();
  await choose(page, 'Workshop');
  await dialog.getByLabel('To', { exact: true }).click();
  await choose(page, 'Ticket hall');
  await dialog.getByLabel('Routes of the link').press('ArrowDown');
  await page.getByRole('option').first().click();
  await leaveList(page);
  const length = dialog.getByLabel('Length of the link');
  await expect(length).not.toHaveValue('50');
  await length.fill('60');
  await dialog.getByLabel('What the link carries').fill('10000');
  await dialog.getByLabel('Grade of the cable').click();
  await choose(page, 'Cat 5e');
  await dialog.getByRole('button', { name: 'Note the link' }).click();
  await expect(dialog).toBeHidden();
  await saved(page);
  await page.locator('h1').click();
  await page.keyboard.press('f');
  await expect(page.getByText(/is of Cat 5e: .* are not promised over Cat 5e/).first()).toBeVisible();
});

test('an IP camera that is replaced is priced, drawn and changed anew on its own lead', async ({
  page,
  open,
}) => {
  await open('connect');
  await page.getByRole('treeitem', { name: /^25 / }).first().click();
  const picked = page.getByLabel('Picked');
  await expect(page.getByText(/Planned network 0 /)).toBeVisible();
  await expect(picked.getByLabel('Sends of camera 25')).toHaveValue('4');
  await picked.getByLabel('Port gives of camera 25').fill('400');
  await picked.getByLabel('Port gives of camera 25').press('Enter');
  await expect(picked.getByRole('alert')).toContainText('100');
  await picked.getByLabel('Port gives of camera 25').fill('7');
  await picked.getByLabel('Port gives of camera 25').press('Enter');
  await picked.getByLabel('What becomes of camera 25').click();
  await choose(page, 'Is replaced by a new one');
  await expect(page.getByText(/Planned network [1-9]/)).toBeVisible();
  await saved(page);
  await open('allocate?view=order');
  await expect(page.getByText('Camera 25 leaves Marshalling recorder 24 and joins it anew.')).toBeVisible();
  await open('connect/r01?view=hook-up');
  await page.getByRole('combobox', { name: 'Camera', exact: true }).click();
  await choose(page, '25 Kiosk queue, on the network');
  await expect(page.locator('.hook-up')).toContainText('New camera 25');
});
