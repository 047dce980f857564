import { build, type InlineConfig, type Rolldown } from 'vite';
import { groupModules, groupNames, type Starts } from './groupModules.ts';

/** Builds the pages once without writing them, to learn what is fetched with what, and gives the groups for the build that counts. */
export async function pageChunks(
  config: InlineConfig,
  starts: Starts,
): Promise<Rolldown.CodeSplittingGroup[]> {
  const trial = await build({
    ...config,
    configFile: false,
    logLevel: 'error',
    build: {
      ...config.build,
      write: false,
      minify: false,
      reportCompressedSize: false,
    },
    // Other threads are bundled by themselves; what is in them is of no interest here.
    worker: { ...config.worker, rolldownOptions: { external: () => true } },
  });
  const { output } = trial as Rolldown.RolldownOutput;
  const groups = groupModules(
    output.filter((file) => file.type === 'chunk'),
    starts,
  );
  return groupNames.map((name, place) => ({
    name,
    priority: groupNames.length - place,
    // Whatever a module needs is in a group of its own right; what it only mentions is not to come with it.
    includeDependenciesRecursively: false,
    test: (id) => groups.get(id) === name,
  }));
}
