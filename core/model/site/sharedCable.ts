import { cableOf } from '#core/physics/cable';
import type { Change } from './change';
import { freeId } from './freeId';
import type { Segment } from './run';
import type { Sheath, SheathMember } from './sheath';
import type { Site } from './site';

/** Conductors of its cable that a segment uses: two for a picture over a pair, and those that carry power beside it. */
export const conductorsUsed = ({ leg }: Pick<Segment, 'leg'>): number =>
  2 + (leg.kind === 'spare-pairs' ? leg.outCores + leg.backCores : 0);

/** Conductors that the cable of a segment has; `null` where it is coax, which nobody shares. */
export function conductorsOf(segment: Segment): number | null {
  const cable = cableOf(segment);
  return cable.kind === 'pair' ? cable.pairs * 2 : null;
}

/** Conductors of the cable of a run's segment that nobody uses, with every run that lies in it; `null` where it is coax. */
export function conductorsFree(
  site: Pick<Site, 'run' | 'sheath'>,
  runId: string,
  segment: number,
): number | null {
  const own = site.run[runId]!.segments[segment]!;
  const most = conductorsOf(own);
  if (most === null) return null;
  const members = sheathAt(site, runId, segment)?.members;
  const inIt = members?.flatMap((one) => site.run[one.runId]?.segments[one.segment] ?? []) ?? [own];
  return most - inIt.reduce((sum, one) => sum + conductorsUsed(one), 0);
}

/** The sheath that a segment of a run lies in. */
export const sheathAt = (
  { sheath }: Pick<Site, 'sheath'>,
  runId: string,
  segment: number,
): Sheath | undefined =>
  Object.values(sheath).find(({ members }) =>
    members.some((one) => one.runId === runId && one.segment === segment),
  );

/** Of every run that shares a cable, the numbers of the other cameras on it. */
export function sharersByRun({
  sheath,
  run,
  camera,
}: Pick<Site, 'sheath' | 'run' | 'camera'>): Map<string, number[]> {
  const by = new Map<string, Set<number>>();
  for (const { members } of Object.values(sheath))
    for (const { runId } of members)
      for (const other of members) {
        const number = other.runId === runId ? undefined : camera[run[other.runId]?.cameraId ?? '']?.number;
        if (number !== undefined) by.set(runId, (by.get(runId) ?? new Set()).add(number));
      }
  return new Map([...by].map(([id, numbers]) => [id, [...numbers].sort((a, b) => a - b)]));
}

/** The changes by which a segment lies in one cable with another one: in that one's sheath, or a new one. */
export function shareCable(site: Site, own: SheathMember, other: SheathMember, mark?: string): Change[] {
  const known = sheathAt(site, other.runId, other.segment);
  if (known) return [{ kind: 'sheath', id: known.id, set: { ...known, members: [...known.members, own] } }];
  const numbers = [own, other].map(({ runId }) => site.camera[site.run[runId]!.cameraId]!.number);
  const name = `Cable of cameras ${[...numbers].sort((a, b) => a - b).join(' and ')}`;
  const id = freeId((one) => one in site.sheath, name, mark);
  return [{ kind: 'sheath', id, set: { id, name, members: [other, own] } }];
}

/** The changes by which a run's segments leave every sheath; one with a single run left is none any more. */
export function leaveSheaths(
  { sheath }: Pick<Site, 'sheath'>,
  leaves: (member: SheathMember) => boolean,
): Change[] {
  return Object.values(sheath).flatMap((one): Change[] => {
    const members = one.members.filter((member) => !leaves(member));
    if (members.length === one.members.length) return [];
    return members.length < 2
      ? [{ kind: 'sheath', id: one.id, remove: true }]
      : [{ kind: 'sheath', id: one.id, set: { ...one, members } }];
  });
}

/** Segments of other runs from the same head end that are of the same cable, so that they could lie in one jacket with a segment. */
export function segmentsAlike(
  { run, camera }: Pick<Site, 'run' | 'camera'>,
  own: SheathMember,
): { member: SheathMember; cameraNumber: number }[] {
  const { headEndId, segments } = run[own.runId]!;
  const { cable } = segments[own.segment]!;
  return Object.values(run)
    .filter(({ id, headEndId: from }) => id !== own.runId && from === headEndId)
    .flatMap((other) =>
      other.segments.flatMap((one, segment) =>
        one.cable === cable
          ? [{ member: { runId: other.id, segment }, cameraNumber: camera[other.cameraId]!.number }]
          : [],
      ),
    )
    .sort((a, b) => a.cameraNumber - b.cameraNumber);
}
