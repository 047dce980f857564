import { execFileSync } from 'node:child_process';
import type { BrowserContext, Page } from '@playwright/test';
import { barriers } from './axe';
import { decidedDemo } from './decided';
import { cell, expect, root, saved, test as shared, TestServer } from './fixtures';

function firstCode(server: TestServer): string {
  const out = execFileSync(
    process.execPath,
    ['programs/people.js', 'invite', '--role', 'admin', '--data', server.data],
    { cwd: root, encoding: 'utf8' },
  );
  return out.split('\n')[0]!;
}
/** A server that everybody signs in to; its pages are opened by a name, as passkeys need one. */
const test = shared.extend<{ home: string; first: string; firm: TestServer }>({
  firm: async ({}, use) => {
    const server = new TestServer(['--trust-proxy', '--name', 'localhost', '--demo']);
    await use(server);
    await server.kill('SIGTERM');
  },
  /** A code for the first administrator, made beside the server as whoever runs it makes it. */
  first: async ({ firm }, use) => use(firstCode(firm)),
  home: async ({ firm, first: _ }, use) => {
    await firm.start();
    await use(firm.address.replace('127.0.0.1', 'localhost'));
  },
});
const password = 'lanes at low water';
const demoId = 'saltmarrow-ferry-terminal';

/** A device that keeps passkeys. */
async function withPasskeys(page: Page): Promise<void> {
  const session = await page.context().newCDPSession(page);
  await session.send('WebAuthn.enable');
  await session.send('WebAuthn.addVirtualAuthenticator', {
    options: {
      protocol: 'ctap2',
      transport: 'internal',
      hasResidentKey: true,
      hasUserVerification: true,
      isUserVerified: true,
      automaticPresenceSimulation: true,
    },
  });
}
async function joinByPassword(page: Page, home: string, code: string, name: string): Promise<void> {
  await page.goto(`${home}/join#${code}`);
  await page.getByLabel('Your name').fill(name);
  await page.getByLabel(/^Password/).fill(password);
  await page.getByRole('button', { name: 'Join with a password' }).click();
  await expect(page.getByText(`Signed in as ${name}`)).toBeVisible();
}
async function signIn(page: Page, name: string): Promise<void> {
  const dialog = page.getByRole('dialog', { name: 'Sign in' });
  await dialog.getByLabel('Name').fill(name);
  await dialog.getByLabel('Password').fill(password);
  await dialog.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(dialog).toBeHidden();
}
/** The code that a dialog or page has just made. */
const codeShown = async (page: Page): Promise<string> =>
  (await page.getByRole('group', { name: 'New invitation' }).locator('.code').textContent())!;

test('a firm comes together: an administrator by passkey, a surveyor by his invitation, each with what he may do', async ({
  page,
  first,
  home,
  browser,
}) => {
  await withPasskeys(page);
  await page.goto(`${home}/join#${first}`);
  await expect(page.getByText('Whoever runs the server invites you as Administrator')).toBeVisible();
  expect(page.url()).not.toContain('#');
  await page.getByLabel('Your name').fill('A. Marrow');
  await page.getByRole('button', { name: 'Join with a passkey' }).click();
  await expect(page.getByText('Signed in as A. Marrow')).toBeVisible();

  // Out, and in again by the passkey that was made.
  await page.getByRole('link', { name: 'Your account' }).click();
  await expect(page.getByText('for localhost, since')).toBeVisible();
  expect(await barriers(page, 'body')).toEqual([]);
  await page.getByRole('button', { name: 'Sign out', exact: true }).first().click();
  const dialog = page.getByRole('dialog', { name: 'Sign in' });
  expect(await barriers(page, '.p-dialog')).toEqual([]);
  const signed = page.waitForRequest('**/api/sign-in/passkey');
  await dialog.getByRole('button', { name: 'Sign in with a passkey' }).click();
  const overheard = (await signed).postData()!;
  await expect(dialog).toBeHidden();
  // What was signed once is worth nothing a second time.
  const replayed = await page.evaluate(
    async (body) =>
      (
        await fetch('/api/sign-in/passkey', {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body,
        })
      ).status,
    overheard,
  );
  expect(replayed).toBe(401);
  await expect(page.getByRole('link', { name: 'Saltmarrow Ferry Terminal' })).toBeVisible();

  // A surveyor for the one site.
  await page.getByRole('link', { name: 'Saltmarrow Ferry Terminal' }).click();
  await page.getByRole('button', { name: 'You m' }).click();
  await page.getByRole('button', { name: 'Who comes to this site' }).click();
  const comes = page.getByRole('dialog', { name: 'Who comes to this site' });
  await comes.getByRole('button', { name: 'Invite' }).click();
  const code = await codeShown(page);
  expect(await barriers(page, '.p-dialog')).toEqual([]);

  const phone: BrowserContext = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const surveyor = await phone.newPage();
  await joinByPassword(surveyor, home, code, 'R. Tolland');
  await expect(surveyor.getByText('Surveyor', { exact: true })).toBeVisible();
  await expect(surveyor.getByRole('heading', { name: 'Start a site' })).toBeHidden();
  await surveyor.goto(`${home}/site/${demoId}/test/r08`);
  await expect(surveyor.locator('.saved')).toContainText('you as Surveyor');
  await surveyor.getByLabel(/meter proved/).check();
  await surveyor.getByRole('textbox', { name: 'Foreign voltage, AC' }).fill('0.1');
  await surveyor.getByRole('textbox', { name: 'Foreign voltage, AC' }).press('Enter');
  await expect(surveyor.locator('.saved')).toHaveText(/saved \d/);
  const by = await surveyor.evaluate(async (id) => {
    const { entries } = (await (await fetch(`/api/sites/${id}/edits?after=0`)).json()) as {
      entries: { by: string }[];
    };
    return entries.at(-1)?.by;
  }, demoId);
  expect(by).toBe('R. Tolland');

  // He reads; he does not decide.
  await surveyor.goto(`${home}/site/${demoId}/decide/r08`);
  await cell(surveyor, 'r08', 'ip-coax-unit').click();
  await surveyor.getByRole('button', { name: /^Choose/ }).click();
  await expect(surveyor.getByText('your role here is Surveyor, which does not change this')).toBeVisible();
  await expect(cell(surveyor, 'r08', 'ip-coax-unit')).not.toHaveClass(/chosen/);

  // A code that was used is worth nothing to the next.
  const intruder = await (await browser.newContext()).newPage();
  await intruder.goto(`${home}/join#${code}`);
  await expect(intruder.getByRole('alert')).toContainText('used already, withdrawn, or is too old');
  await intruder.goto(`${home}/site/${demoId}/survey`);
  await expect(intruder.getByRole('dialog', { name: 'Sign in' })).toBeVisible();
  await expect(intruder.getByText('Weighbridge')).toBeHidden();

  // The administrator sees all of it.
  await page.goto(`${home}/people`);
  await expect(page.getByText('joined by invitation').first()).toBeVisible();
  expect(await barriers(page, 'body')).toEqual([]);
  await page.setViewportSize({ width: 390, height: 844 });
  for (const view of ['people', 'account', 'join']) {
    await page.goto(`${home}/${view}`);
    const main = page.getByRole('main');
    await expect(main.getByRole('button').first()).toBeVisible();
    expect(await barriers(page, 'body'), view).toEqual([]);
    const beyond = await main.evaluate(({ scrollWidth, clientWidth }) => scrollWidth - clientWidth);
    expect(beyond, `${view} fits a phone`).toBeLessThanOrEqual(0);
  }
  await phone.close();
});

test('a customer reads the offer and the sign-off, says yes to the one and signs the other, and does nothing else', async ({
  page,
  first,
  home,
  browser,
}) => {
  const file = await decidedDemo('c03');
  await joinByPassword(page, home, first, 'A. Marrow');
  const [siteId, code] = await page.evaluate(async (text) => {
    const send = async (to: string, body: string) =>
      (await (
        await fetch(`/api/${to}`, { method: 'POST', headers: { 'content-type': 'application/json' }, body })
      ).json()) as { id: string; code: string };
    const { id } = await send('sites/import', text);
    return [id, (await send(`sites/${id}/invitations`, '{"role":"customer"}')).code] as const;
  }, file);

  const tablet = await browser.newContext({ viewport: { width: 1024, height: 768 } });
  const holm = await tablet.newPage();
  await joinByPassword(holm, home, code, 'J. Holm');
  await holm.goto(home);
  await holm.getByRole('link', { name: 'Saltmarrow Ferry Terminal' }).click();
  await expect(holm.getByRole('table', { name: 'Price' })).toContainText('Cameras');
  expect(await barriers(holm, 'body')).toEqual([]);
  await holm.getByRole('button', { name: 'Accept the offer' }).click();
  await expect(holm.getByRole('region', { name: 'The offer' })).toContainText('Accepted by J. Holm');

  const acceptance = holm.getByRole('region', { name: 'Acceptance', exact: true });
  await expect(acceptance.getByRole('checkbox')).toHaveCount(1);
  await acceptance.getByRole('button', { name: 'Accept', exact: true }).click();
  await expect(acceptance.getByRole('alert')).toHaveText('Sign in the box.');
  const box = (await acceptance.getByLabel('Sign here').boundingBox())!;
  await holm.mouse.move(box.x + 30, box.y + 50);
  await holm.mouse.down();
  await holm.mouse.move(box.x + 140, box.y + 30, { steps: 6 });
  await holm.mouse.up();
  await acceptance.getByRole('button', { name: 'Accept', exact: true }).click();
  await expect(acceptance).toContainText('1 of 33 accepted');
  await expect(acceptance).toContainText('Nothing waits for your name today');
  // The pack is there from the first acceptance on.
  await holm.getByRole('button', { name: 'Hand-over', exact: true }).click();
  await expect(holm.getByRole('table', { name: 'Cables' })).toContainText('Mast, turning');
  await holm.setViewportSize({ width: 390, height: 844 });
  expect(await holm.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  expect(await barriers(holm, 'body')).toEqual([]);

  // All else of the site is not his.
  await holm.goto(`${home}/site/${siteId}/survey`);
  await expect(holm.getByText('Weighbridge')).toBeHidden();
  await page.goto(`${home}/site/${siteId}/signoff/r03?view=sign`);
  await expect(page.locator('[data-signed="J. Holm"]')).toContainText('3 Turnstiles');
  await tablet.close();
});

/** Chooses what is in hand. The window may have heard already that nobody is signed in, and have a dialog before everything else. */
const pressChoose = (page: Page) => page.getByRole('button', { name: /^Choose/ }).dispatchEvent('click');

test('whoever is signed out or loses his role in the middle of the work loses nothing of it', async ({
  page,
  first,
  home,
  browser,
}) => {
  await joinByPassword(page, home, first, 'A. Marrow');
  await page.goto(`${home}/people`);
  await page.getByRole('button', { name: 'Make a code' }).click();
  const code = await codeShown(page);
  const desk = await (await browser.newContext()).newPage();
  await joinByPassword(desk, home, code, 'B. Quay');
  // His own site: whoever starts one owns it.
  await desk.getByRole('button', { name: 'A fresh demo' }).click();
  await expect(desk.locator('.saved')).toContainText('you as Owner');
  const siteId = /site\/([^/]+)/.exec(desk.url())![1]!;
  await desk.goto(`${home}/site/${siteId}/decide/r08`);
  await expect(cell(desk, 'r08', 'ip-coax-unit')).toBeVisible();

  // Signed out from elsewhere: the edit waits, and goes once he is in again.
  await cell(desk, 'r08', 'ip-coax-unit').click();
  await desk.context().clearCookies();
  await pressChoose(desk);
  await expect(desk.getByRole('dialog', { name: 'Sign in' })).toBeVisible();
  await expect(desk.locator('.saved')).toContainText('sign in again. 1 edit kept in this browser');
  await signIn(desk, 'B. Quay');
  await saved(desk);
  await expect(cell(desk, 'r08', 'ip-coax-unit')).toHaveClass(/chosen/);
  await cell(desk, 'r08', 'ip-coax-pair').click();

  // His role is taken away: what he does then is set aside with the reason.
  const own = await (await browser.newContext()).newPage();
  await own.goto(home);
  await signIn(own, 'A. Marrow');
  const taken = await own.evaluate(async (id) => {
    const { members } = (await (await fetch(`/api/sites/${id}/people`)).json()) as {
      members: { id: string; name: string }[];
    };
    const give = (person: string, role: string) =>
      fetch(`/api/sites/${id}/people`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ person, role }),
      });
    return (await give(members[0]!.id, 'viewer')).status;
  }, siteId);
  // The last owner stays one, until there is another.
  expect(taken).toBe(422);
  await own.getByRole('link', { name: 'People' }).click();
  await own.locator('[data-person="B. Quay"]').getByRole('button', { name: 'Remove' }).click();
  await own.getByRole('button', { name: 'Remove B. Quay' }).click();
  await expect(own.locator('[data-person="B. Quay"]')).toBeHidden();
  await pressChoose(desk);
  await expect(desk.getByRole('dialog', { name: 'Sign in' })).toBeVisible();
  await expect(desk.locator('.saved')).toContainText('1 edit kept in this browser');

  // Somebody else signs in on that device: what waits of the one before does not go out under his name.
  await signIn(desk, 'A. Marrow');
  await expect(cell(desk, 'r08', 'ip-coax-unit')).toHaveClass(/chosen/);
  await expect(desk.locator('.saved')).toContainText('saved');
  const versions = await own.evaluate(
    async (id) => ((await (await fetch(`/api/sites/${id}`)).json()) as { version: number }).version,
    siteId,
  );
  expect(versions).toBe(1);
});
