import { describe, expect, it } from 'vitest';
import { groupModules } from './groupModules.ts';

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
      { entry: 'entry', firstScreen: ['board'], thread: 'thread' },
    ),
  );

const start: Record<string, File> = {
  entry: { facade: true, imports: ['talk'], asksFor: ['board'] },
  board: { facade: true, imports: ['schemas', 'frame', 'words', 'talk'] },
  thread: { facade: true, imports: ['schemas', 'ohms', 'talk'], asksFor: ['answer'] },
  answer: { facade: true, imports: ['words', 'ohms', 'guesses'] },
  talk: {},
  schemas: {},
  frame: { imports: ['schemas'] },
  words: {},
  ohms: { imports: ['schemas'] },
  guesses: { bytes: 100_000 },
};

describe('groups of modules', () => {
  it('are told by who fetches them at the start', () => {
    expect(grouped(start)).toEqual({
      'entry+': 'start',
      talk: 'start-shared',
      'board+': 'page',
      frame: 'page',
      schemas: 'shared',
      words: 'shared-later',
      'thread+': 'reckoning',
      ohms: 'reckoning',
      'answer+': 'answers',
      guesses: 'answers',
    });
  });

  it('leave a view that is opened, and whatever is large, a file of its own', () => {
    const { tree, chart, curves, both } = grouped({
      ...start,
      tree: { facade: true, imports: ['both', 'frame', 'curves'] },
      list: { facade: true, imports: ['both'] },
      both: { imports: ['ohms', 'frame', 'guesses'] },
      chart: { bytes: 400_000 },
      curves: { imports: ['chart', 'both'] },
    });
    expect(both).toBe('stages');
    expect([tree, chart]).toEqual([undefined, undefined]);
    // In the group it would have everybody fetch the chart.
    expect(curves).toBeUndefined();
  });

  it('never wait for each other', () => {
    const files = {
      ...start,
      both: { imports: ['frame', 'guesses'] },
      tree: { facade: true, imports: ['both'] },
    };
    const of = grouped(files);
    const importsOf = (group: string) =>
      new Set(
        Object.entries(files)
          .filter(([name]) => of[name] === group)
          .flatMap(([, { imports = [] }]: [string, File]) => imports.flatMap((name) => of[name] ?? []))
          .filter((other) => other !== group),
      );
    const reaches = (from: string, to: string): boolean =>
      [...importsOf(from)].some((group) => group === to || reaches(group, to));
    for (const group of new Set(Object.values(of))) expect(reaches(group, group), group).toBe(false);
  });
});
