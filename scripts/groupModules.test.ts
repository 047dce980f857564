import { describe, expect, it } from 'vitest';
import { groupModules, groupNames } from './groupModules.ts';

interface File {
  imports?: string[];
  asksFor?: string[];
  facade?: boolean;
  bytes?: number;
}

/** Built files of one module each, of the same name. */
const grouped = (files: Record<string, File>) =>
  Object.fromEntries(
    groupModules(
      Object.entries(files).map(([name, { imports = [], asksFor = [], facade = false, bytes = 100 }]) => ({
        fileName: name,
        // A file that is asked for by its name holds more than the module it is named for.
        moduleIds: facade ? [name, `${name}+`] : [name],
        facadeModuleId: facade ? name : null,
        imports,
        dynamicImports: asksFor,
        code: { length: bytes },
      })),
      {
        entry: 'entry',
        firstScreen: ['board'],
        frame: ['dialog', 'help'],
        thread: 'thread',
        program: 'program',
      },
    ),
  );

const start: Record<string, File> = {
  entry: { facade: true, imports: ['talk'], asksFor: ['board'] },
  board: { facade: true, imports: ['schemas', 'frame', 'words', 'talk'] },
  dialog: { facade: true, imports: ['field', 'terms', 'frame'] },
  help: { facade: true, imports: ['field'], bytes: 90_000 },
  thread: { facade: true, imports: ['talk', 'early'], asksFor: ['program'] },
  program: { facade: true, imports: ['schemas', 'ohms', 'talk', 'only'], asksFor: ['answer'] },
  answer: { facade: true, imports: ['words', 'ohms', 'guesses', 'terms'] },
  tree: { facade: true, imports: ['both', 'frame', 'curves', 'ohms'] },
  list: { facade: true, imports: ['both', 'guesses'] },
  talk: {},
  early: {},
  schemas: {},
  frame: { imports: ['schemas'] },
  words: {},
  field: {},
  terms: { imports: ['words'] },
  ohms: { imports: ['schemas'] },
  only: {},
  guesses: { bytes: 100_000, imports: ['ohms'] },
  both: { imports: ['ohms', 'field'] },
  chart: { bytes: 400_000 },
  curves: { imports: ['chart', 'both'] },
};

describe('groups of modules', () => {
  it('are told by who of the pages and of the thread asks first', () => {
    const { chart: _, curves: _curves, ...rest } = start;
    expect(grouped(rest)).toEqual({
      'entry+': 'entry-none',
      talk: 'entry-thread',
      'board+': 'first-none',
      frame: 'first-none',
      schemas: 'first-program',
      words: 'first-answers',
      field: 'frame-none',
      terms: 'frame-answers',
      both: 'views-none',
      ohms: 'views-program',
      guesses: 'views-answers',
      'thread+': 'none-thread',
      'program+': 'none-program',
      only: 'none-program',
      early: 'none-thread',
    });
  });

  it('leave a view that is opened, and whatever is large, a file of its own', () => {
    const of = grouped(start);
    expect(of['both']).toBe('views-none');
    // The last would have everybody who takes the group fetch the chart.
    for (const name of ['tree', 'tree+', 'help+', 'chart', 'curves']) expect(of[name], name).toBeUndefined();
  });

  it('import only from themselves and from those before them', () => {
    const of = grouped(start);
    for (const [name, { imports = [] }] of Object.entries(start))
      for (const other of imports)
        if (of[name] && of[other])
          expect(groupNames.indexOf(of[other]), `${name} → ${other}`).toBeLessThanOrEqual(
            groupNames.indexOf(of[name]),
          );
  });
});
