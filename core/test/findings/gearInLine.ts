import { inLineGear, type InLineGear, type InLineGearKind, type Run } from '#core/model/site';

/** A joint that is more than a joint. */
const gearAmongJoints = new Set<string>(['splitter', 'surge-arrester'] satisfies InLineGearKind[]);
const isGear = (joint: string | undefined): joint is InLineGearKind =>
  joint !== undefined && gearAmongJoints.has(joint);

const none: readonly InLineGear[] = [];

/** Everything that stands in the coax of a run, as noted of the run and among its joints. Most runs have nothing. */
export function gearInLine({ segments, inLine }: Run): readonly InLineGear[] {
  if (!inLine && !segments.some(({ joint }) => isGear(joint))) return none;
  const joints = segments.flatMap(({ joint }) => (isGear(joint) ? [joint] : []));
  return [...joints, ...(inLine ?? []).map(({ kind }) => kind)].map((kind) => inLineGear[kind]);
}

/** What the gear takes from a picture, in dB. */
export const gearLossDb = (run: Run): number => gearInLine(run).reduce((sum, { lossDb }) => sum + lossDb, 0);
