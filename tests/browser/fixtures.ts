import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { expect, test as base, type Page } from '@playwright/test';

export const root = path.resolve(import.meta.dirname, '../..');
const demo = readFileSync(path.join(root, 'demo', 'saltmarrow.neotrope.json'), 'utf8');

/** A server of the test's own, that can be killed and started again on the same data and port. */
export class TestServer {
  private child: ChildProcess | undefined;
  readonly data = mkdtempSync(path.join(tmpdir(), 'neotrope-browser-'));
  address = '';
  constructor(private readonly args: readonly string[] = []) {}

  async start(): Promise<void> {
    const port = this.address ? new URL(this.address).port : '0';
    const child = spawn(
      process.execPath,
      ['programs/server.js', '--data', this.data, '--port', port, ...this.args],
      { cwd: root },
    );
    this.child = child;
    this.address = await new Promise((resolve, reject) => {
      let said = '';
      const hear = (data: Buffer) => {
        said += data.toString();
        const address = /http:\/\/127\.0\.0\.1:\d+/.exec(said)?.[0];
        if (address) resolve(address);
      };
      child.stdout.on('data', hear);
      child.stderr.on('data', hear);
      child.once('exit', (code) => reject(new Error(`the server ended with ${code}: ${said}`)));
    });
  }

  async kill(signal: NodeJS.Signals = 'SIGKILL'): Promise<void> {
    const { child } = this;
    // Who was ended by a signal has no code.
    if (!child || child.exitCode !== null || child.signalCode !== null) return;
    const gone = new Promise((resolve) => child.once('exit', resolve));
    child.kill(signal);
    await gone;
  }

  /** Imports the demo site once more and gives its id, so that every test has a site of its own. */
  async newSite(text = demo): Promise<string> {
    const response = await fetch(`${this.address}/api/sites/import`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: text,
    });
    return ((await response.json()) as { id: string }).id;
  }
}

export const demoFile = (): {
  cameras: { id: string; number: number }[];
  placements: unknown[];
  choices: { id: string }[];
} & Record<string, unknown> => JSON.parse(demo);

/** The demo's equipment without its monitors, for sites that do not have all of its cameras. */
export const equipmentWithoutMonitors = (): object[] =>
  (demoFile()['equipment'] as { gear: { kind: string } }[]).filter(({ gear }) => gear.kind !== 'monitor');

interface Opened {
  server: TestServer;
  siteId: string;
  open: (stage?: string) => Promise<void>;
}

/** `open` shows a stage of the test's own copy of the demo site. Whatever the page logs as an error fails the test. */
export const test = base.extend<Opened & { quiet: undefined }, { shared: TestServer; tester: string }>({
  /** Where a stand-in cable tester listens, a process of its own with its clips well on. */
  tester: [
    async ({}, use) => {
      const demo = path.join(root, 'demo', 'saltmarrow');
      const child: ChildProcess = spawn(
        process.execPath,
        [
          'programs/tester.js',
          '--site',
          `${demo}.neotrope.json`,
          '--truth',
          `${demo}.truth.json`,
          '--slips',
          '0',
          '--seed',
          '11',
        ],
        { cwd: root },
      );
      const address = await new Promise<string>((resolve, reject) => {
        let said = '';
        const hear = (data: Buffer) => {
          said += data.toString();
          const found = /listens at (\S+)/.exec(said)?.[1];
          if (found) resolve(found);
        };
        child.stdout!.on('data', hear);
        child.stderr!.on('data', hear);
        child.once('exit', () => reject(new Error(`the stand-in ended: ${said}`)));
      });
      await use(address);
      child.kill();
    },
    { scope: 'worker' },
  ],
  shared: [
    async ({}, use) => {
      const server = new TestServer();
      await server.start();
      await use(server);
      await server.kill('SIGTERM');
    },
    { scope: 'worker' },
  ],
  server: async ({ shared }, use) => use(shared),
  siteId: async ({ server }, use) => use(await server.newSite()),
  open: async ({ page, server, siteId }, use) =>
    use(async (stage = 'survey') => {
      await page.goto(`${server.address}/site/${siteId}/${stage}`);
      await expect(page.locator('.stage h1, .stage .empty strong').first()).toBeVisible();
    }),
  quiet: [
    async ({ page }, use) => {
      const errors: string[] = [];
      // What a test takes from the network is no fault of the page.
      const hear = (text: string): void => {
        if (!/Failed to (load resource|fetch dynamically imported)|Unable to preload|net::ERR/.test(text))
          errors.push(text);
      };
      page.on('pageerror', (error) => hear(error.message));
      page.on('console', (message) => {
        if (message.type() === 'error') hear(message.text());
      });
      await use(undefined);
      expect(errors).toEqual([]);
    },
    { auto: true },
  ],
});
export { expect };

/** The same on a server of the test's own, with no site yet, which it may end without ending that of others. */
export const testOnOwnServer = test.extend<{ server: TestServer }>({
  server: async ({}, use) => {
    const server = new TestServer();
    await server.start();
    await use(server);
    await server.kill('SIGTERM');
  },
});

/** Every edit so far has been answered by the server. */
export const saved = (page: Page) => expect(page.locator('.saved')).toHaveText(/saved \d/);
export const runInList = (page: Page, name: string) =>
  page.getByRole('complementary', { name: 'Runs' }).getByRole('button', { name });
export const verdictRow = (page: Page, id: string) => page.locator(`tr[data-verdict="${id}"]`);
export const cell = (page: Page, runId: string, option: string) =>
  page.locator(`tr[data-run="${runId}"] [data-option="${option}"]`);
export const slot = (page: Page, recorder: string, number: number) =>
  page.locator(`[data-recorder="${recorder}"] [data-slot="${number}"]`);

/** Clicks a choice of an open list and waits until the list is gone, because the focus returns to its field only then. */
export async function choose(page: Page, name: string | RegExp): Promise<void> {
  const option = page.getByRole('option', { name });
  await option.click();
  await expect(option).toBeHidden();
}

/** Leaves an open list of which several are picked, and waits until it is gone, for the same reason. */
export async function leaveList(page: Page): Promise<void> {
  await page.keyboard.press('Escape');
  await expect(page.getByRole('listbox')).toHaveCount(0);
}
