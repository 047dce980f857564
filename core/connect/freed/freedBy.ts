import { cablesKept, chosenOption, isGivenUp, type RunEvaluation } from '#core/decide/runEvaluation';
import type { Equipment, Site } from '#core/model/site';
import { lineKind } from '#core/test/findings';

/** What is free once every choice is carried out. */
export interface Freed {
  /** Inputs of recorders that nothing is plugged into any more. */
  inputs: { recorderId: string; name: string; count: number; isAll: boolean }[];
  /** Supply boxes that feed no camera any more, and outputs of those that still feed some. */
  boxes: { supplyId: string; name: string; outputs: number; isAll: boolean }[];
  /** Old cable that nothing runs over any more. */
  coaxM: number;
  pairM: number;
  rackUnits: number;
  /** Gear that is noted as going. */
  goes: string[];
  /** Mains circuits that feed nothing any more. */
  circuits: string[];
  /** Fibres of links that lose an end, by the link. */
  fibres: { name: string; count: number }[];
  /** Closets in which nothing is left but rack and mains. */
  closets: string[];
}

interface After {
  usesInput: boolean;
  usesCable: boolean;
  usesBox: boolean;
}

/** What a camera still uses of today's things. */
function afterOf(evaluation: RunEvaluation, kept: ReadonlySet<string>): After {
  const { run, camera } = evaluation;
  const isOnBox = run.feed.kind !== 'local-adapter';
  if (isGivenUp(evaluation)) return { usesInput: false, usesCable: kept.has(camera.id), usesBox: false };
  const option = chosenOption(evaluation);
  if (!option) return { usesInput: true, usesCable: true, usesBox: isOnBox };
  return {
    usesInput: option.signal.kind === 'coax',
    usesCable: kept.has(camera.id),
    usesBox: isOnBox && option.draws !== null,
  };
}

/** Recorders that a camera has a slot of, or that keep one of the network today: without leads they are still no recorders that may go. */
function stillRecording({
  placement,
  networkCamera,
}: Pick<Site, 'placement' | 'networkCamera'>): Set<string> {
  const kept = Object.values(networkCamera).flatMap(({ id, recordedAt }) =>
    recordedAt && !placement[id] ? [recordedAt.recorderId] : [],
  );
  return new Set([...Object.values(placement).map(({ recorderId }) => recorderId), ...kept]);
}

/** What a link over fibre lights: one to each side. */
const fibresOfLink = 2;

/** Links over fibre that end in gear that goes; who else lights fibres of the same cable still does. */
function fibresFreed({ link, equipment }: Pick<Site, 'link' | 'equipment'>): Freed['fibres'] {
  return Object.values(link).flatMap(({ name, medium, state, fromEnd, toEnd }) => {
    const losesAnEnd = [fromEnd, toEnd].some((end) => end && equipment[end.deviceId]?.goes);
    return medium === 'fibre' && state === 'there' && losesAnEnd ? [{ name, count: fibresOfLink }] : [];
  });
}

/** What stands in a closet whether or not anything hangs in it. */
const isFitting = ({ gear }: Equipment): boolean => gear.kind === 'rack' || gear.kind === 'circuit';

/** Closets out of which all goes that is noted there, where nothing that is chosen or planned takes its place. */
function closetsFreed(site: Site, runs: readonly RunEvaluation[], gone: ReadonlySet<string>): string[] {
  const wanted = new Set(
    runs.flatMap((evaluation) => {
      const option = chosenOption(evaluation);
      const ports = option?.sharing.flatMap(({ port }) => port?.placeId ?? []) ?? [];
      // Where a way ends that several share, a switch stands for them.
      const ends = option?.sharing.some(({ way }) => way) ? [evaluation.camera.placeId] : [];
      return [...ports, ...ends, ...(option?.shared ? [option.shared.placeId] : [])];
    }),
  );
  const held = new Set([...wanted, ...Object.values(site.recorder).map(({ placeId }) => placeId)]);
  return Object.values(site.place).flatMap(({ id, name, networkCloset }) => {
    const here = [
      ...Object.values(site.equipment).filter((one) => !isFitting(one)),
      ...Object.values(site.supply),
    ].filter(({ placeId }) => placeId === id);
    const isFree = networkCloset && here.length > 0 && here.every((one) => gone.has(one.id));
    return isFree && !held.has(id) ? [name] : [];
  });
}

const count = <T>(things: readonly T[], is: (thing: T) => boolean): number => things.filter(is).length;

/** Inputs, boxes, cable, rack units and circuits that the choices leave without a use. */
export function freedBy(site: Site, runs: readonly RunEvaluation[]): Freed {
  const kept = cablesKept(runs);
  const all = runs.map((evaluation) => ({ ...evaluation, after: afterOf(evaluation, kept) }));
  const recording = stillRecording(site);
  const inputs = Object.values(site.recorder).flatMap(({ id, name }) => {
    const on = all.filter(({ run }) => run.patchedTo?.recorderId === id);
    const free = count(on, ({ after }) => !after.usesInput);
    const isAll = free === on.length && !recording.has(id);
    return free > 0 ? [{ recorderId: id, name, count: free, isAll }] : [];
  });
  const boxes = Object.values(site.supply).flatMap(({ id, name }) => {
    const on = all.filter(({ run: { feed } }) => feed.kind !== 'local-adapter' && feed.supplyId === id);
    const free = count(on, ({ after }) => !after.usesBox);
    return free > 0 ? [{ supplyId: id, name, outputs: free, isAll: free === on.length }] : [];
  });
  const metres = (kind: 'coax' | 'pair'): number =>
    all.reduce(
      (sum, { run, lengthM, after }) => sum + (!after.usesCable && lineKind(run) === kind ? lengthM : 0),
      0,
    );
  const going = Object.values(site.equipment).filter(({ goes }) => goes);
  const empty = boxes.filter(({ isAll }) => isAll).map(({ supplyId }) => site.supply[supplyId]!);
  const gone = [...going, ...empty];
  const ids = new Set(gone.map(({ id }) => id));
  const hung = [
    ...Object.values(site.recorder),
    ...Object.values(site.supply),
    ...Object.values(site.equipment),
  ].filter(({ hookUp }) => hookUp?.fedById !== undefined);
  const circuits = Object.values(site.equipment)
    .filter(({ gear, id }) => {
      const on = hung.filter(({ hookUp }) => hookUp?.fedById === id);
      return gear.kind === 'circuit' && on.length > 0 && on.every((one) => ids.has(one.id));
    })
    .map(({ name }) => name);
  return {
    inputs,
    boxes,
    coaxM: metres('coax'),
    pairM: metres('pair'),
    rackUnits: gone.reduce((sum, { hookUp }) => sum + (hookUp?.rackUnits ?? 0), 0),
    goes: going.map(({ name }) => name),
    circuits,
    fibres: fibresFreed(site),
    closets: closetsFreed(site, runs, ids),
  };
}
