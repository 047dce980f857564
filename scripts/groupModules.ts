import type { Rolldown } from 'vite';

/** What of a built file tells who fetches it. */
type Chunk = Pick<
  Rolldown.OutputChunk,
  'fileName' | 'facadeModuleId' | 'moduleIds' | 'imports' | 'dynamicImports'
> & {
  code: { length: number };
};

/** Files of the pages that everybody fetches, by what asks for them first. */
export interface Starts {
  /** The page itself: it starts the thread and fetches the rest. */
  entry: string;
  /** What is on the screen first. */
  firstScreen: readonly string[];
  /** The thread that works out the site. */
  thread: string;
}

/** The groups in the order in which they claim what they share. */
export const groupNames = [
  'start-shared',
  'start',
  'shared',
  'shared-later',
  'reckoning',
  'page',
  'answers',
  'stages',
] as const;
type GroupName = (typeof groupNames)[number];

/** The groups that the thread runs as well. It has no document, which fetching a style or fetching ahead needs. */
export const threadGroups = [
  'start-shared',
  'shared',
  'shared-later',
  'reckoning',
  'answers',
] as const satisfies readonly GroupName[];

/** What is not smaller than this stays a file of its own: who does not need it should not fetch it. */
const ownFileBytes = 60_000;

/** Everything that is fetched along with some files, themselves included. */
function fetchedWith(chunks: ReadonlyMap<string, Chunk>, files: Iterable<string>): Set<string> {
  const fetched = new Set<string>();
  const fetch = (file: string): void => {
    const chunk = chunks.get(file);
    if (chunk === undefined || fetched.has(file)) return;
    fetched.add(file);
    chunk.imports.forEach(fetch);
  };
  [...files].forEach(fetch);
  return fetched;
}

/**
 * Puts modules that are fetched together into one group. A bundler by itself makes a file of every set of modules that
 * the same views use: hundreds, most of them smaller than what asking for them costs.
 *
 * A group holds whatever its modules import, or leaves it to a group before it, so that no two files wait for each other.
 */
export function groupModules(all: readonly Chunk[], starts: Starts): Map<string, GroupName> {
  const chunks = new Map(all.map((chunk) => [chunk.fileName, chunk]));
  const fetchedBy = (...modules: readonly string[]) =>
    fetchedWith(
      chunks,
      all
        .filter(({ facadeModuleId }) => facadeModuleId && modules.includes(facadeModuleId))
        .map(({ fileName }) => fileName),
    );
  const entry = fetchedBy(starts.entry);
  const firstScreen = fetchedBy(...starts.firstScreen);
  const thread = fetchedBy(starts.thread);
  const answers = fetchedWith(
    chunks,
    [...thread].flatMap((file) => chunks.get(file)!.dynamicImports),
  );
  const isEarly = (file: string) => entry.has(file) || firstScreen.has(file) || thread.has(file);
  /** A view is fetched when it is opened, and what is large when it is needed. */
  const staysApart = (file: string) =>
    !isEarly(file) &&
    !answers.has(file) &&
    (chunks.get(file)!.facadeModuleId !== null || chunks.get(file)!.code.length >= ownFileBytes);
  const groupOf = (file: string): GroupName | null => {
    if (entry.has(file)) return thread.has(file) ? 'start-shared' : 'start';
    if (firstScreen.has(file)) {
      if (thread.has(file)) return 'shared';
      return answers.has(file) ? 'shared-later' : 'page';
    }
    if (thread.has(file)) return 'reckoning';
    if (answers.has(file)) return 'answers';
    return [...fetchedWith(chunks, [file])].some(staysApart) ? null : 'stages';
  };
  const groups = new Map<string, GroupName>();
  for (const { fileName, facadeModuleId, moduleIds } of all) {
    const group = groupOf(fileName);
    if (group === null) continue;
    for (const id of moduleIds) if (id !== facadeModuleId) groups.set(id, group);
  }
  return groups;
}
