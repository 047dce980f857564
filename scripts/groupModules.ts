import type { Rolldown } from 'vite';

/** What of a built file tells who fetches it. */
type Chunk = Pick<
  Rolldown.OutputChunk,
  'fileName' | 'facadeModuleId' | 'moduleIds' | 'imports' | 'dynamicImports'
> & {
  code: { length: number };
};

/** Modules that the pages begin with. */
export interface Starts {
  /** The page itself: it starts the thread and fetches the rest. */
  entry: string;
  /** What is on the screen first. */
  firstScreen: readonly string[];
  /** What stands around every site, and is fetched as soon as the first screen stands. */
  frame: readonly string[];
  /** The thread that works out the site: it asks for the site and fetches its program. */
  thread: string;
  /** What the thread works the site out with. */
  program: string;
}

/** Who of the pages asks for a module first, the earliest before the others. */
const pageSides = ['entry', 'first', 'frame', 'views', 'none'] as const;
/** Who of the thread does: what it begins with, its program, what that fetches later, or nobody. */
const threadSides = ['thread', 'program', 'answers', 'none'] as const;

export type GroupName = `${(typeof pageSides)[number]}-${(typeof threadSides)[number]}`;

/** All groups. What is in one imports only from itself and from those before it. */
export const groupNames: readonly GroupName[] = pageSides.flatMap((page) =>
  threadSides.map((thread): GroupName => `${page}-${thread}`),
);

/** Whether the thread runs what is in a group: it has no document, which fetching ahead takes. */
export const isForThread = (name: GroupName): boolean => !name.endsWith('-none');

/** What is not smaller than this stays a file of its own: who does not need it should not fetch it. */
const ownFileBytes = 60_000;

/**
 * Puts modules into groups by who asks for them first. A bundler by itself makes a file of every set of modules that the
 * same views use: hundreds, most of them smaller than what asking for them costs.
 *
 * Whoever asks for a module asks for what it imports too, at the latest then: no two groups wait for each other.
 */
export function groupModules(all: readonly Chunk[], starts: Starts): Map<string, GroupName> {
  const chunks = new Map(all.map((chunk) => [chunk.fileName, chunk]));
  /** Everything that is fetched along with some files, themselves included. */
  const fetchedWith = (files: Iterable<string>): Set<string> => {
    const fetched = new Set<string>();
    const fetch = (file: string): void => {
      const chunk = chunks.get(file);
      if (chunk === undefined || fetched.has(file)) return;
      fetched.add(file);
      chunk.imports.forEach(fetch);
    };
    [...files].forEach(fetch);
    return fetched;
  };
  const fetchedBy = (modules: readonly string[]) =>
    fetchedWith(
      all.flatMap(({ fileName, facadeModuleId }) =>
        facadeModuleId !== null && modules.includes(facadeModuleId) ? [fileName] : [],
      ),
    );
  const entry = fetchedBy([starts.entry]);
  const first = fetchedBy(starts.firstScreen);
  const frame = fetchedBy(starts.frame);
  const thread = fetchedBy([starts.thread]);
  const program = fetchedBy([starts.program]);
  const answers = fetchedWith([...thread, ...program].flatMap((file) => chunks.get(file)!.dynamicImports));
  const views = fetchedWith(
    all.flatMap(({ fileName, facadeModuleId }) =>
      facadeModuleId === null || thread.has(fileName) || answers.has(fileName) ? [] : [fileName],
    ),
  );
  const pageSide = (file: string) => {
    if (entry.has(file)) return 'entry';
    if (first.has(file)) return 'first';
    if (frame.has(file)) return 'frame';
    return views.has(file) ? 'views' : 'none';
  };
  const threadSide = (file: string) => {
    if (thread.has(file)) return 'thread';
    if (program.has(file)) return 'program';
    return answers.has(file) ? 'answers' : 'none';
  };
  const groupOf = (file: string): GroupName => `${pageSide(file)}-${threadSide(file)}`;
  /** A view is fetched when it is opened, and what is large when it is needed. */
  const staysApart = (file: string): boolean => {
    const { facadeModuleId, code } = chunks.get(file)!;
    if ([entry, first, thread, program].some((early) => early.has(file))) return false;
    return facadeModuleId !== null || (groupOf(file) === 'views-none' && code.length >= ownFileBytes);
  };
  const groups = new Map<string, GroupName>();
  for (const { fileName, facadeModuleId, moduleIds } of all) {
    if ([...fetchedWith([fileName])].some(staysApart)) continue;
    for (const id of moduleIds) if (id !== facadeModuleId) groups.set(id, groupOf(fileName));
  }
  return groups;
}
