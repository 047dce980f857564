import { choices } from '#core/model/labels';
import type { Run, Site } from '#core/model/site';
import { optionRow, testDefinition } from '#core/model/site';
import { cableLabel, powerCableLabel } from '#core/physics/cable';
import { readingWords } from '#core/test/readings';

/** What a person may know a run by, in words. */
export type RunIndex = ReadonlyMap<string, string[]>;

function cables({ segments, feed }: Run): string[] {
  const signal = segments.flatMap(({ cable, print, note, joint, environment }) => [
    cableLabel(cable, 'awg'),
    cableLabel(cable, 'mm2'),
    cable,
    print ?? '',
    note ?? '',
    joint ?? '',
    environment,
  ]);
  const cores = segments.flatMap(({ leg }) => (leg.kind === 'cores' ? [leg.cable] : []));
  const all = feed.kind === 'separate-pair' ? [...cores, feed.cable] : cores;
  return [...signal, ...all.flatMap((id) => [powerCableLabel(id, 'awg'), powerCableLabel(id, 'mm2')])];
}

type Searched = Pick<
  Site,
  | 'run'
  | 'camera'
  | 'place'
  | 'reading'
  | 'route'
  | 'recorder'
  | 'supply'
  | 'choice'
  | 'networkConfig'
  | 'mending'
>;

/** Everything that a run can be found by: numbers, names, places, cables as people say them, readings, notes, addresses. */
export function runIndex(site: Searched): RunIndex {
  const read = new Map<string, string[]>();
  for (const reading of Object.values(site.reading)) {
    const of = read.get(reading.runId) ?? [];
    of.push(`${testDefinition(reading.test).label} ${readingWords(reading)}`, reading.conditions ?? '');
    read.set(reading.runId, of);
  }
  for (const { runId, did } of Object.values(site.mending))
    read.set(runId, [...(read.get(runId) ?? []), did]);
  return new Map(
    Object.values(site.run).map((run): [string, string[]] => {
      const camera = site.camera[run.cameraId]!;
      const { feed, patchedTo } = run;
      const choice = site.choice[camera.id];
      const network = site.networkConfig[camera.id];
      return [
        run.id,
        [
          String(camera.number),
          camera.name,
          choices.body.find(({ value }) => value === camera.body)?.label ?? '',
          site.place[camera.placeId]?.name ?? '',
          site.place[run.headEndId]?.name ?? '',
          camera.purpose,
          camera.note ?? '',
          run.note ?? '',
          ...cables(run),
          ...run.segments.flatMap(({ routeIds = [] }) => routeIds.map((id) => site.route[id]?.name ?? '')),
          patchedTo ? `${site.recorder[patchedTo.recorderId]?.name ?? ''} input ${patchedTo.input}` : '',
          feed.kind === 'local-adapter' ? 'local adapter' : (site.supply[feed.supplyId]?.name ?? ''),
          choice ? optionRow(choice.option).label : '',
          network?.address ?? '',
          network?.hardwareAddress ?? '',
          ...(read.get(run.id) ?? []),
        ].filter(Boolean),
      ];
    }),
  );
}
