import { coaxCables, pairCables, type DataSheet } from '#core/physics/cable';
import type { Change } from './change';
import { withSegment } from './segments';
import type { Run, Segment } from './run';
import type { Site } from './site';

/** The row of the tables that stands in for a cable of the site's own where no figure is asked: how it is drawn, what it may be confused with. */
const nearest: Record<DataSheet['kind'], string> = {
  coax: coaxCables[0]!.id,
  pair: pairCables.find(({ id }) => id === 'pair-cat5e')!.id,
};

/** A run whose segment is of a cable of the site's own, or with a row's id of a construction of the tables. */
export function withCable(run: Run, index: number, cable: string | DataSheet): Run {
  const { leg } = run.segments[index]!;
  const isSheet = typeof cable !== 'string';
  const isCoax = isSheet ? cable.kind === 'coax' : coaxCables.some(({ id }) => id === cable);
  // Spare pairs belong to category cable; coax has none to offer.
  const kept: Segment['leg'] = isCoax && leg.kind === 'spare-pairs' ? { kind: 'none' } : leg;
  const { sheet: _, ...bare } = withSegment(run, index, {
    cable: isSheet ? nearest[cable.kind] : cable,
    ...(kept === leg ? {} : { leg: kept }),
  }).segments[index]!;
  return {
    ...run,
    segments: run.segments.map((segment, at) =>
      at === index ? (isSheet ? { ...bare, sheet: cable } : bare) : segment,
    ),
  };
}

/** The changes that note a cable of the site's own, in its list and in every segment that is of it. */
export function noteConstruction({ run }: Pick<Site, 'run'>, sheet: DataSheet): Change[] {
  return [
    { kind: 'construction', id: sheet.id, set: sheet },
    ...Object.values(run).flatMap((one): Change[] => {
      const segments = one.segments.map((segment) =>
        segment.sheet?.id === sheet.id ? { ...segment, sheet } : segment,
      );
      return segments.some((segment, at) => segment !== one.segments[at])
        ? [{ kind: 'run', id: one.id, set: { ...one, segments } }]
        : [];
    }),
  ];
}

/** The changes that take a cable of the site's own away: its segments are of the row of the tables that it is nearest to again. */
export function removeConstruction({ run }: Pick<Site, 'run'>, id: string): Change[] {
  const without = ({ sheet, ...segment }: Segment): Segment =>
    sheet === undefined || sheet.id === id ? segment : { ...segment, sheet };
  const runs = Object.values(run).filter(({ segments }) => segments.some(({ sheet }) => sheet?.id === id));
  return [
    ...runs.map((one): Change => ({
      kind: 'run',
      id: one.id,
      set: { ...one, segments: one.segments.map(without) },
    })),
    { kind: 'construction', id, remove: true },
  ];
}
