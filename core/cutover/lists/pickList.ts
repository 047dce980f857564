import { catalogueOf } from '#core/model/catalogue';
import { changesByCamera } from '#core/cutover/tasks';
import { liftHire } from '#core/decide/options';
import type { RunEvaluation } from '#core/decide/runEvaluation';
import type { Site } from '#core/model/site';

/** Something that is taken along, how many, and how many of those are spare. */
export interface PickRow {
  label: string;
  count: number;
  spare: number;
}

/** A tenth of a kind, and never less than one. */
const spareShare = 0.1;
const spareOf = (count: number): number => Math.max(1, Math.ceil(spareShare * count));

/** What is known to work, to tell a bad part from a bad line. */
const knownGood = ['Camera, known good', 'Lead, known good', 'Converter, known good', 'Supply, known good'];

/** Rows of the catalogue that are booked or paid for, and that nobody carries. */
const booked: ReadonlySet<string> = new Set(['disposal', liftHire, 'making-good']);

/** Metres are cut on site; one metre of spare in ten is enough of them, and none is counted in pieces. */
const isByMetre = (item: string): boolean => item.endsWith('-m');

/** A new cable is pulled and ended before the night. */
const pulling = 'pull-cable-m';
const isOfCable = (item: string): boolean => isByMetre(item) || item === 'category-ends';

/** What is taken along for the cameras of a night: the parts of what is put in place with their spares, and one of each that is known to work. */
export function pickList(
  site: Site,
  runs: readonly RunEvaluation[],
  cameraIds: ReadonlySet<string>,
): PickRow[] {
  const { products } = catalogueOf(site);
  const counts = new Map<string, number>();
  for (const [cameraId, { parts, tasks }] of changesByCamera(site, runs)) {
    if (!cameraIds.has(cameraId)) continue;
    const isPulled = tasks.some(({ item }) => item === pulling);
    for (const { item, count } of parts)
      if (!booked.has(item) && !(isPulled && isOfCable(item)))
        counts.set(item, (counts.get(item) ?? 0) + count);
  }
  const parts = [...counts].map(([item, count]) => {
    const spare = isByMetre(item) ? Math.ceil(spareShare * count) : spareOf(count);
    return { label: products.get(item)?.name ?? item, count: Math.ceil(count) + spare, spare };
  });
  return [
    ...parts.sort((a, b) => a.label.localeCompare(b.label, 'en')),
    ...knownGood.map((label) => ({ label, count: 1, spare: 0 })),
  ];
}
