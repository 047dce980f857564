import path from 'node:path';
import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import {
  historyOf,
  type Change,
  type LogEntry,
  type EditOperation,
  type OptionKind,
  type SiteFile,
} from '#core/model/site';
import { startServer, type RunningServer } from '../../server/startServer';
import { placeFor } from './placeUnderTest';
import { demo, demoFile, newFolder, post, root } from './serverUnderTest';

let server: RunningServer;
beforeAll(async () => {
  server = await startServer({
    port: 0,
    ...(await placeFor(newFolder())),
    webDir: path.join(root, 'dist'),
    demoFile,
    reset: false,
  });
});
afterAll(() => server.close());

interface Served {
  version: number;
  file: SiteFile;
  log: LogEntry[];
}

/** A person at a window of his own on a site, who sends again on the new version when he was behind. */
class Person {
  constructor(readonly siteId: string) {}
  private readonly address = () => `${server.address}/api/sites/${this.siteId}`;
  read = async (): Promise<Served> => (await fetch(this.address())).json() as Promise<Served>;
  async edit(changes: Change[], operation: EditOperation = { kind: 'do' }): Promise<string> {
    const id = crypto.randomUUID();
    for (;;) {
      const { version } = await this.read();
      const answer = await post(`${this.address()}/edits`, {
        id,
        site: this.siteId,
        baseVersion: version,
        label: 'x',
        operation,
        by: 'x',
        changes,
      });
      if (answer.status !== 409) {
        expect(answer.status).toBe(200);
        return id;
      }
    }
  }
  async undo(): Promise<void> {
    const last = historyOf((await this.read()).log).undoable.at(-1);
    if (last) await this.edit(last.inverse, { kind: 'undo', of: last.id });
  }
  async redo(): Promise<void> {
    const last = historyOf((await this.read()).log).redoable.at(-1);
    if (last) await this.edit(last.changes, { kind: 'redo', of: last.id });
  }
}

async function newPerson(): Promise<Person> {
  const response = await post(`${server.address}/api/sites/import`, demo());
  return new Person(((await response.json()) as { id: string }).id);
}
const choose = (id: string, option: OptionKind): Change => ({
  kind: 'choice',
  id,
  set: { id, option, at: '2026-03-12T09:00:00Z', by: 'x' },
});
const someChange = fc
  .record({
    id: fc.constantFrom('c04', 'c05', 'c06', 'c07'),
    option: fc.constantFrom<OptionKind>('keep', 'hd-coax', 'ip-coax-unit'),
  })
  .map(({ id, option }) => choose(id, option));

describe('undo and redo over the wire', () => {
  it('everything undone is the site as it was; everything done again is the site as it became', async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(someChange, { minLength: 1, maxLength: 5 }), async (changes) => {
        const person = await newPerson();
        const before = (await person.read()).file;
        for (const change of changes) await person.edit([change]);
        const became = (await person.read()).file;
        for (const _ of changes) await person.undo();
        expect((await person.read()).file).toEqual(before);
        for (const _ of changes) await person.redo();
        expect((await person.read()).file).toEqual(became);
        expect(historyOf((await person.read()).log).undoable).toHaveLength(changes.length);
      }),
      { numRuns: 6 },
    );
  });
});

describe('many at once', () => {
  it('every edit happens once, in some order, and the log leads from the first state to the last', async () => {
    const person = await newPerson();
    const ids = await Promise.all(
      Array.from({ length: 12 }, (_, k) =>
        person.edit([choose(`c${String(k + 4).padStart(2, '0')}`, 'keep')]),
      ),
    );
    const { log, version, file } = await person.read();
    expect(version).toBe(12);
    expect(log.map(({ version: at }) => at)).toEqual(Array.from({ length: 12 }, (_, k) => k + 1));
    expect([...log.map(({ id }) => id)].sort()).toEqual([...ids].sort());
    expect(file.choices.filter(({ option }) => option === 'keep').length).toBeGreaterThanOrEqual(12);
  });
});

describe('what goes out', () => {
  it('a name that a spreadsheet would run is defused in the CSV, and stays as it is in the site file', async () => {
    const person = await newPerson();
    const { file } = await person.read();
    const evil = '=HYPERLINK("http://elsewhere","x")';
    await person.edit([{ kind: 'camera', id: 'c04', set: { ...file.cameras[3]!, name: evil } }]);
    const csv = await (await fetch(`${server.address}/api/sites/${person.siteId}/plan.csv`)).text();
    expect(csv).toContain(`"'=HYPERLINK(""http://elsewhere"",""x"")"`);
    expect((await person.read()).file.cameras[3]!.name).toBe(evil);
  });
  it('a site that is renamed is listed under its new name', async () => {
    const person = await newPerson();
    const { file } = await person.read();
    await person.edit([
      { kind: 'about', id: 'about', set: { ...file.about, name: 'Saltmarrow, east pier' } },
    ]);
    const { sites } = (await (await fetch(`${server.address}/api/sites`)).json()) as {
      sites: { id: string; name: string }[];
    };
    expect(sites.find(({ id }) => id === person.siteId)?.name).toBe('Saltmarrow, east pier');
  });
});
