import type { Run, Segment, Site } from '#core/model/site';
import { signalCable } from '#core/physics/cable';
import type { Kinship } from '#core/signoff/agreement';

/** What a run shares with others, what tells most of it first: the reel, what is printed on its cable, who put it in, its place, the box that feeds it. */
export function kinOf(site: Site, run: Run): Kinship[] {
  const { feed } = run;
  const named = (by: Kinship['by'], of: (segment: Segment) => string | undefined): Kinship[] =>
    [...new Set(run.segments.flatMap((segment) => of(segment)?.trim() || []))].map((name) => ({ by, name }));
  const supply = feed.kind === 'local-adapter' ? undefined : site.supply[feed.supplyId];
  const place = site.place[site.camera[run.cameraId]!.placeId];
  return [
    ...named('reel', ({ reel }) => reel),
    ...named('print', ({ print }) => print),
    ...named('installer', ({ installedBy }) => installedBy),
    ...(place ? [{ by: 'place', name: place.name } as const] : []),
    ...(supply ? [{ by: 'supply', name: supply.name } as const] : []),
    ...named('cable', ({ cable, sheet }) => sheet?.name ?? signalCable(cable).label),
  ];
}
