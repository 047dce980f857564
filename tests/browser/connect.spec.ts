import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { barriers } from './axe';
import { startStandInSwitch } from './standInDevices';
import { choose, demoFile, expect, runInList, saved, test } from './fixtures';

/** The demo with choices, each camera on a slot of a recorder. */
function withChoices(options: Record<string, string>): string {
  const who = { at: '2026-04-01T09:00:00Z', by: 'R. Tolland' };
  const entries = Object.entries(options);
  const demo = demoFile() as unknown as Record<'placements' | 'networkCameras', { id: string }[]>;
  return JSON.stringify({
    ...demo,
    choices: entries.map(([id, option]) => ({ id, option, ...who })),
    placements: [
      ...entries.map(([id], index) => ({ id, recorderId: 'hall-recorder', slot: 17 + index })),
      ...demo.placements.filter(({ id }) => demo.networkCameras.some((camera) => camera.id === id)),
    ],
  });
}
const options = {
  c01: 'ip-coax-unit',
  c02: 'ip-coax-unit',
  c18: 'new-category',
  c23: 'wireless',
  c24: 'wireless',
};
const failure = (page: Page, name: RegExp) => page.getByRole('row', { name });

test('a link that is missing is named, noted, and tells what goes dark when it is cut', async ({
  page,
  server,
}) => {
  const id = await server.newSite(withChoices(options));
  await page.goto(`${server.address}/site/${id}/allocate`);
  await expect(page.getByRole('heading', { name: 'Allocate' })).toBeVisible();
  await page.keyboard.press('5');
  await expect(page.getByRole('heading', { name: 'Connect' })).toBeVisible();
  const worst = page.getByRole('status').filter({ hasText: 'camera 18 does not reach the recorder' });
  await expect(worst).toContainText('No link is noted from Workshop to Ticket hall');
  await page.keyboard.press('n');
  const dialog = page.getByRole('dialog', { name: 'Note a link' });
  await dialog.getByRole('button', { name: 'Note the link' }).click();
  await expect(dialog).toContainText('Say which two places it joins.');
  await dialog.getByLabel('From').click();
  await choose(page, 'Workshop');
  await dialog.getByLabel('To').click();
  await choose(page, 'Ticket hall');
  await dialog.getByLabel('Length of the link').fill('62');
  await dialog.getByRole('button', { name: 'Note the link' }).click();
  await expect(dialog).toBeHidden();
  await expect(page.getByText('Nothing is wrong with the network at this moment.')).toBeVisible();
  await saved(page);
  await page.keyboard.press('f');
  await expect(failure(page, /^Workshop to Ticket hall, category cable, cut/)).toContainText('1 of 25');
  await expect(failure(page, /^Radio from .* to Field switch, Gatehouse, cut/)).toContainText('23, 24');
  // It turns out to be fibre, of which others use two of six.
  await page.keyboard.press('r');
  const picked = page.getByLabel('Picked');
  await page
    .getByRole('treeitem', { name: /Workshop/ })
    .first()
    .press('Enter');
  await picked.getByRole('button', { name: /^Workshop to Ticket hall/ }).press('Enter');
  await picked.getByRole('button', { name: 'Change the link' }).click();
  const change = page.getByRole('dialog', { name: 'Change a link' });
  await expect(change.getByLabel('Length of the link')).toHaveValue('62');
  await change.getByLabel('Over').click();
  await choose(page, 'fibre');
  await change.getByLabel('Fibres in the cable').fill('6');
  await change.getByLabel('Fibres in the cable').press('Enter');
  await change.getByLabel('Fibres in use').fill('7');
  await change.getByLabel('Fibres in use').press('Enter');
  await change.getByRole('button', { name: 'Change the link' }).click();
  await expect(change.getByRole('alert')).toHaveText('At most as many fibres are in use as there are.');
  await change.getByLabel('Fibres in use').fill('2');
  await change.getByLabel('Length of the link').fill('320');
  await change.getByLabel('Length of the link').press('Enter');
  await change.getByLabel('Grade of the fibre').click();
  await choose(page, 'Multimode, OM1');
  await change.getByRole('button', { name: 'Change the link' }).click();
  await expect(change).toBeHidden();
  await expect(page.getByText('is 320 m of OM1: 1000 Mb/s reach 275 m over that.')).toBeVisible();
  await picked.getByRole('button', { name: 'Change the link' }).click();
  await change.getByLabel('Grade of the fibre').click();
  await choose(page, 'Single mode, OS2');
  await change.getByRole('button', { name: 'Change the link' }).click();
  await expect(change).toBeHidden();
  await expect(page.getByText('of OM1')).toHaveCount(0);
  await expect(picked).toContainText('Workshop to Ticket hall, fibre');
  await expect(picked).toContainText('320 m');
  await page.keyboard.press('u');
  await page.keyboard.press('u');
  await expect(picked).toContainText('Workshop to Ticket hall, category cable');
  await page.keyboard.press('u');
  await expect(page.getByText('No link is noted from Workshop to Ticket hall')).toBeVisible();
});

test('the tree is walked by keys and told as a tree; a camera is hung on another switch, and ports follow', async ({
  page,
  server,
}) => {
  const site = JSON.parse(withChoices({ c01: 'ip-coax-unit', c22: 'ip-category' })) as {
    equipment: object[];
  };
  const gear = { kind: 'switch', ports: 8, poePorts: 8, poeWatts: 120, uplinkMbps: 1000 };
  for (const name of ['Shelf switch', 'Rack switch'])
    site.equipment.push({ id: name.toLowerCase().replace(' ', '-'), name, placeId: 'ticket-hall', gear });
  const id = await server.newSite(JSON.stringify(site));
  await page.goto(`${server.address}/site/${id}/connect`);
  const tree = page.getByRole('tree', { name: 'Network' });
  const item = (name: RegExp) => tree.getByRole('treeitem', { name });
  await expect(item(/^Hall recorder/)).toBeVisible();
  expect(await barriers(page, '.connect')).toEqual([]);
  await page.keyboard.press('ArrowDown');
  await expect(item(/^Hall recorder/)).toBeFocused();

  // Recorder, unit, fibre and the other switch are plugged into the first one; one of these leads on.
  await expect(item(/^Rack switch/)).toContainText('4 of 8');
  await expect(item(/^Shelf switch/)).toContainText('0 of 8');
  // How many ports are taken, and how that is counted.
  await item(/^Rack switch/).click();
  await page
    .getByLabel('Picked')
    .getByRole('button', { name: /^ports/ })
    .click();
  const why = page.getByRole('complementary', { name: 'Why' });
  await expect(why).toContainText('Rack switch, ports 4');
  await expect(why).toContainText('A port for each camera on it');
  await item(/22 Shed gable/).click();
  await expect(why).toBeHidden();
  const picked = page.getByLabel('Picked');
  await expect(picked).toContainText('category cable');
  await picked.getByLabel('Device of camera 22').click();
  await choose(page, 'Shelf switch');
  await expect(item(/^Shelf switch/)).toContainText('1 of 8');
  await expect(item(/22 Shed gable/)).toContainText('set by hand');
  await saved(page);
  await item(/22 Shed gable/).dragTo(item(/^Rack switch/));
  await expect(item(/^Rack switch/)).toContainText('4 of 8');
  await picked.getByRole('button', { name: 'Let it be given one' }).click();
  await expect(item(/22 Shed gable/)).not.toContainText('set by hand');

  await page.getByRole('button', { name: 'today', exact: true }).click();
  await expect(item(/^Coax unit/)).toHaveCount(0);
  await page.keyboard.press('.');
  await expect(page).toHaveURL(/at=night-1/);
});

test('a hook-up says in words what its facts say, and is saved as a drawing', async ({ page, server }) => {
  const id = await server.newSite(withChoices(options));
  await page.goto(`${server.address}/site/${id}/connect/r08?view=hook-up&at=today`);
  const sheet = page.locator('article.sheet');
  await expect(sheet).toContainText('Camera 8 Weighbridge, today');
  await expect(sheet).toContainText('13.2 V DC, fuse 1.1 A');
  await expect(sheet).toContainText('go out carry plus (+) from the supply’s + terminal');
  await expect(page.getByRole('img', { name: /Marshalling recorder, input 8/ })).toBeVisible();
  expect(await barriers(page, '.connect')).toEqual([]);
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as SVG' }).click(),
  ]);
  const svg = readFileSync(await download.path(), 'utf8');
  expect(svg).toContain('Marshalling box, output');
  expect(svg).not.toContain('var(--');
  await page.getByRole('button', { name: 'when all is done' }).click();
  await expect(page.getByText('Nothing is chosen for this camera yet')).toBeVisible();
  await page.goto(`${server.address}/site/${id}/connect/r01?view=hook-up`);
  await expect(sheet).toContainText('centre to centre and shield to shield');
  await expect(page.getByRole('img', { name: /Coax unit, Ticket hall.*Coax converter/ })).toBeVisible();

  // A camera that hangs on the network has its hook-up too; picking a run beside it goes back to that.
  await page.getByRole('combobox', { name: 'Camera', exact: true }).click();
  await choose(page, '25 Kiosk queue, on the network');
  await expect(page.getByRole('heading', { name: /^Camera 25 Kiosk queue/ })).toBeVisible();
  await expect(page.locator('.hook-up')).toContainText('Office injector');
  expect(await barriers(page, '.hook-up-view')).toEqual([]);
  await runInList(page, 'Hall north desk').click();
  await expect(page.getByRole('heading', { name: /^Camera 1 Hall north desk/ })).toBeVisible();
});

test('a switch is read, a port that differs is found, and what hangs on a port is named and started anew', async ({
  page,
  server,
}) => {
  const site = JSON.parse(withChoices({ c20: 'new-category', c21: 'new-category' })) as {
    networkConfigs: object[];
  };
  site.networkConfigs = [{ id: 'c20', hardwareAddress: '02:00:5e:10:00:14' }];
  const id = await server.newSite(JSON.stringify(site));
  const standIn = await startStandInSwitch();
  try {
    await page.goto(`${server.address}/site/${id}/connect?view=switch`);
    const address = page.getByLabel('Address of the switch');
    await address.fill(standIn.address);
    await address.press('Enter');
    await page.getByRole('button', { name: 'Read the switch' }).click();
    const ports = page.getByRole('table', { name: 'Ports of the switch' });
    const port = (n: number) => ports.getByRole('row').nth(n);
    await expect(port(1)).toContainText('20 Slip');
    await expect(port(3)).toContainText('1240 frames came in damaged');
    await expect(port(4)).toContainText('0a:4c:11:00:7e:02, which is no camera that is noted');
    await expect(
      page.getByText('Camera 21 is planned here; its hardware address is not noted'),
    ).toBeVisible();
    await port(2)
      .getByLabel(/^Camera of 02:00/)
      .click();
    await choose(page, '21 Paint store');
    await expect(port(2)).toContainText('21 Paint store');
    await expect(port(2)).toContainText(/gives 12\.6 W, .* were planned/);
    await saved(page);
    expect(await barriers(page, '.connect')).toEqual([]);
    await page.getByLabel('Key of the switch').fill('quay');
    await port(2).getByRole('button', { name: 'Restart' }).click();
    await expect(page.locator('.switch').getByRole('alert')).toContainText('The key is not the switch’s.');
    await page.getByLabel('Key of the switch').fill('ferry');
    await port(2).getByRole('button', { name: 'Restart' }).click();
    await expect(port(2)).toContainText('none');
  } finally {
    standIn.stop();
  }
  await page.getByRole('button', { name: 'Read the switch' }).click();
  await expect(page.locator('.switch').getByRole('alert')).toContainText('Nothing answers at');
});

test('a box or a stroke opens its sheet: what it is, what hangs on it, what comes through', async ({
  page,
  server,
}) => {
  const id = await server.newSite(withChoices(options));
  await page.goto(`${server.address}/site/${id}/connect`);
  await page.getByRole('treeitem', { name: /^Coax unit, Ticket hall/ }).click();
  await page.keyboard.press('i');
  const unit = page.getByRole('complementary', { name: 'Sheet of Coax unit, Ticket hall' });
  await expect(unit).toContainText('Coax unit at Ticket hall, planned');
  await expect(unit.getByRole('heading', { name: '2 cameras, 12 Mb/s' })).toBeVisible();
  await expect(unit.getByRole('row', { name: /Hall north desk coax, data and power, 34 m/ })).toBeVisible();
  expect(await barriers(page, '.part-sheet')).toEqual([]);
  // From there along the link, and what goes over it.
  await unit
    .getByRole('button', { name: /Coax unit, Ticket hall/ })
    .first()
    .click();
  const link = page.getByRole('complementary', { name: /^Sheet of .*Coax unit, Ticket hall/ });
  await expect(link).toContainText('Carries');
  await expect(link.getByRole('row')).toHaveCount(2);
  await page.keyboard.press('i');
  await expect(link).toBeHidden();
});
