import path from 'node:path';
import { expect, it } from 'vitest';
import { startServer } from '../../server/startServer';
import { addPerson, findPerson } from '../../server/accounts/people';
import { hashOfPassword } from '../../server/accounts/passwords';
import { rolesOf, setMember } from '../../server/accounts/members';
import { openStore } from '../../server/store/openStore';
import { drillResults } from '../../server/store/drillResults';
import { firmRecord } from '../../server/store/firmRecord';
import { openDatabase } from '../../server/sharedStore/openDatabase';
import { moveIn } from '../../server/sharedStore/moveIn';
import { drillResult } from '../server/drillResult';
import { databaseFor } from '../server/placeUnderTest';
import { choosing, demoFile, newFolder, post, root, siteId } from '../server/serverUnderTest';

const started = (dataDir: string, database?: string) =>
  startServer({
    port: 0,
    dataDir,
    webDir: path.join(root, 'dist'),
    demoFile,
    withDemo: true,
    reset: false,
    ...(database !== undefined && { shared: { database } }),
  });

const ended = drillResult('A. Marrow', '2-K7QF');

it('a data folder moves into a database whole: sites, logs, pictures, people, roles, the firm and drills, and once', async () => {
  const dataDir = newFolder();
  const own = await started(dataDir);
  const site = `${own.address}/api/sites/${siteId}`;
  for (let n = 0; n < 12; n += 1)
    await post(`${site}/edits`, choosing('c08', n % 2 ? 'keep' : 'ip-coax-unit', n));
  const [file, log] = [
    await (await fetch(`${site}/file`)).text(),
    await (await fetch(`${site}/edits?after=0`)).text(),
  ];
  const database = (await databaseFor(newFolder()))!;
  await expect(moveIn(dataDir, database)).rejects.toThrow(/in use by another Neotrope/);
  await own.close();
  const before = { orm: await openStore(dataDir), now: () => new Date().toISOString() };
  const id = (await addPerson(before, 'A. Marrow', 'guest', await hashOfPassword('lanes at low water')))!;
  await setMember(before, siteId, id, 'crew');
  const firm = { name: 'Saltmarrow Integrators', address: '3 Causeway Row' };
  await firmRecord(before.orm, before.now).set(firm, 'A. Marrow');
  await drillResults(before.orm).keep([ended]);
  await before.orm.close(true);

  expect(await moveIn(dataDir, database)).toEqual({ sites: 1, pictures: expect.any(Number) as number });
  await expect(moveIn(dataDir, database)).rejects.toThrow(/already. Nothing was moved/);
  const after = { orm: await openDatabase(database), now: before.now };
  expect((await findPerson(after, 'a. marrow'))?.id).toBe(id);
  expect(await rolesOf(after, id)).toEqual(new Map([[siteId, 'crew']]));
  expect(await firmRecord(after.orm, after.now).read()).toEqual(firm);
  expect(await drillResults(after.orm).all()).toEqual([ended]);
  // Without people it is open to whoever sits here, which is how the test looks at it.
  await after.orm.em.fork().execute('delete from person');
  await after.orm.close(true);
  const shared = await started(newFolder(), database);
  const there = `${shared.address}/api/sites/${siteId}`;
  expect(await (await fetch(`${there}/file`)).text()).toBe(file);
  expect(await (await fetch(`${there}/edits?after=0`)).text()).toBe(log);
  expect((await post(`${there}/edits`, choosing('c09', 'keep', 12))).status).toBe(200);
  await shared.close();
});
