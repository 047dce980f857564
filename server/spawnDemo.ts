import { readFileSync } from 'node:fs';
import { z } from 'zod';
import { noDevices, type DemoDevices } from './demoDevices';
import { spawnStandIn, type SpawnedStandIn } from './spawnStandIn';

/** The demo's devices, each a process of its own. */
export interface SpawnedDemo extends DemoDevices {
  stop: () => void;
}

const idsSchema = z.looseObject({ recorders: z.array(z.looseObject({ id: z.string() })) });

const beside = (siteFile: string, ending: string): string => siteFile.replace(/\.neotrope\.json$/, ending);

/** Starts what ships with the demo, or nothing without a demo. */
export function spawnDemo(siteFile: string | null): SpawnedDemo {
  if (siteFile === null) return { ...noDevices, stop: () => undefined };
  const spawned: Promise<SpawnedStandIn | null>[] = [];
  const start = (...given: Parameters<typeof spawnStandIn>): Promise<string | null> => {
    const one = spawnStandIn(...given);
    spawned.push(one);
    return one.then((running) => running?.address ?? null);
  };
  const tester = start('tester', ['--site', siteFile, '--truth', beside(siteFile, '.truth.json')]);
  const ids = idsSchema.parse(JSON.parse(readFileSync(siteFile, 'utf8'))).recorders.map(({ id }) => id);
  const addresses = ids.map((id) =>
    start('recorder', [
      '--site',
      siteFile,
      '--network',
      beside(siteFile, '.network.json'),
      '--recorder',
      id,
    ]).then((address) => [id, address] as const),
  );
  return {
    tester,
    switch: start('switch', ['--state', beside(siteFile, '.switch.json')]),
    converter: start('converter', ['--state', beside(siteFile, '.converter.json')]),
    recorders: Promise.all(addresses).then((all) =>
      Object.fromEntries(all.filter((one): one is [string, string] => one[1] !== null)),
    ),
    stop: () => spawned.forEach((one) => void one.then((running) => running?.stop())),
  };
}
