import { inLineGearKinds, type InLineAt, type InLineGearKind } from './inLineGear';
import type { Run } from './run';
import { withFields } from './withFields';

/** Kinds of gear in a run's coax, at one position or at any, each once. */
export const gearAt = ({ inLine }: Pick<Run, 'inLine'>, at?: InLineAt): InLineGearKind[] =>
  inLineGearKinds.filter((kind) =>
    (inLine ?? []).some((gear) => gear.kind === kind && (at === undefined || gear.at === at)),
  );

/** The run with just these kinds at a position; elsewhere it stays as it is. */
export function withGearAt(run: Run, at: InLineAt, kinds: readonly InLineGearKind[]): Run {
  const others = (run.inLine ?? []).filter((gear) => gear.at !== at);
  const inLine = [...others, ...kinds.map((kind) => ({ kind, at }))];
  return withFields(run, { inLine: inLine.length > 0 ? inLine : undefined });
}

/** The run with just these kinds, wherever they stand; where a new one stands is not known yet. */
export function withGear(run: Run, kinds: readonly InLineGearKind[]): Run {
  const kept = (run.inLine ?? []).filter(({ kind }) => kinds.includes(kind));
  const added = kinds
    .filter((kind) => !kept.some((gear) => gear.kind === kind))
    .map((kind) => ({ kind, at: 'on-the-way' as const }));
  const inLine = [...kept, ...added];
  return withFields(run, { inLine: inLine.length > 0 ? inLine : undefined });
}
