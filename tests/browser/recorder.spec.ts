import { demoFile, expect, test as shared, TestServer } from './fixtures';
import { StandInRecorder } from './standInRecorder';

/** The demo where camera 24 is given up, so that the last input can turn, and cameras 18 and 20 are ready to join. */
function ready(): string {
  const file = demoFile() as ReturnType<typeof demoFile> & {
    choices: object[];
    placements: object[];
    networkConfigs: object[];
  };
  return JSON.stringify({
    ...file,
    cameras: file.cameras.map((camera) => (camera.id === 'c24' ? { ...camera, mayGo: true } : camera)),
    choices: [...file.choices, { id: 'c24', option: 'retire', at: '2026-04-01T09:00:00Z', by: 'R. Tolland' }],
    placements: [
      ...file.placements,
      { id: 'c18', recorderId: 'hall-recorder', slot: 16 },
      { id: 'c20', recorderId: 'hall-recorder', slot: 20 },
    ],
    networkConfigs: [
      ...file.networkConfigs,
      ...['18', '20'].map((number) => ({
        id: `c${number}`,
        address: `10.20.0.1${number}`,
        passwordHeldBy: 'R. Tolland',
      })),
    ],
  });
}

const test = shared.extend<{ recorder: StandInRecorder }>({
  recorder: async ({}, use) => {
    const recorder = new StandInRecorder();
    await recorder.start(4000);
    await use(recorder);
    await recorder.kill();
  },
  // Its own server, to be killed in the middle.
  server: async ({}, use) => {
    const server = new TestServer();
    await server.start();
    await use(server);
    await server.kill();
  },
  siteId: async ({ server }, use) => use(await server.newSite(ready())),
});

test('a plan goes into the recorder over a restart that wipes it, while the recorder and the server vanish in the middle', async ({
  page,
  open,
  recorder,
  server,
}) => {
  // The server is slow to say which recorders it knows: an address that is typed meanwhile stays.
  let answerNow = (): void => undefined;
  const patience = new Promise<void>((resolve) => (answerNow = resolve));
  await page.route('**/api/recorders', async (route) => {
    await patience;
    await route.continue();
  });
  await open('allocate?view=device');
  await page.getByLabel('Address and port of the recorder').fill(recorder.address);
  answerNow();
  await page.getByRole('button', { name: /^Read recorder/ }).click();
  const compared = page.getByLabel('Recorder and plan');
  await expect(compared.locator('[data-device-slot="16"]')).toContainText('24 Gate out, coax');
  await expect(compared.locator('[data-device-slot="16"]')).toContainText('18 Parts cage, 10.20.0.118');
  await expect(compared).toContainText('Set input 16 to IP, and restart');
  // Without its key nothing is applied; with a wrong one it refuses in its own words.
  const apply = page.getByRole('button', { name: /^Apply the plan/ });
  await expect(apply).toBeDisabled();
  const key = page.getByLabel('Key of the recorder');
  await key.fill('wrong');
  await apply.click();
  const under = page.getByLabel('Plan on its way');
  await expect(under).toContainText('The key is not the recorder’s.');
  await key.fill('ferry');
  await under.getByRole('button', { name: 'Go on from here' }).click();
  await expect(under).toContainText('Now: Set input 16 to IP, and restart');
  // In the restart both go away.
  await recorder.kill();
  await server.kill();
  await server.start();
  await expect(under).toHaveAttribute('data-state', 'broken-off');
  await expect(under).toContainText('Neotrope was ended in the middle. Nothing is lost: go on, or go back.');
  await recorder.start(10);
  expect(await recorder.state()).toMatchObject({ ipInputs: [16], factoryValues: true });
  await under.getByRole('button', { name: 'Go on from here' }).click();
  await expect(under).toHaveAttribute('data-state', 'done');
  await expect(compared).toContainText('holds the plan');
  // The recorder's own state is the plan, and its settings are back.
  const state = await recorder.state();
  expect([state.ipInputs, state.factoryValues, state.timeSource]).toEqual([[16], false, '10.20.0.1']);
  expect(
    state.channels
      .filter(({ kind }) => kind === 'ip')
      .map(({ slot, name, address }) => [slot, name, address]),
  ).toEqual([
    [16, '18 Parts cage', '10.20.0.118'],
    [17, '1 Hall north desk', '10.20.0.101'],
    [18, '2 Hall south desk', '10.20.0.102'],
    [20, '20 Slip', '10.20.0.120'],
  ]);
  expect(state.channels.find(({ slot }) => slot === 3)!.name).toBe('3 Turnstiles');
  // And back again.
  await under.getByRole('button', { name: 'Go back to what was there' }).click();
  await expect(under).toContainText('Done, back to what was there');
  expect((await recorder.state()).ipInputs).toEqual([]);
  await expect(under.getByRole('link', { name: 'Saved settings' })).toBeVisible();
});
