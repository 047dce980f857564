import { comesOrGoes } from '#core/allocate/recorder';
import { powerPicture, type PowerNode } from '#core/connect/powerPicture';
import { networkOf, type Moment } from '#core/connect/topology';
import type { MorningLimit } from '#core/cutover/nights';
import { stepTaskOf } from '#core/cutover/tasks';
import type { Site } from '#core/model/site';
import type { Load } from '#core/shared/derivation';
import type { SiteEvaluation } from './evaluateSite';
import type { SiteMigration } from './slotAllocation';

/** What a thing gives, and how much of it is asked that morning. */
export interface MorningLoad {
  id: string;
  name: string;
  load: Load;
  /** Cameras that it can be a sum over. */
  cameraIds: string[];
}

const nodesOf = (node: PowerNode): PowerNode[] => [node, ...node.children.flatMap(nodesOf)];

/** Loads of the network and of what feeds it at a moment, the fullest first. */
export function loadsAt(site: Site, { runs, total }: SiteEvaluation, moment: Moment): MorningLoad[] {
  const network = networkOf(site, runs, total, moment);
  const nameOf = new Map(network.topology.devices.map(({ id, name }) => [id, name]));
  const power = powerPicture(site, runs, network.topology, moment).flatMap(nodesOf);
  const all = network.topology.cameras.map(({ cameraId }) => cameraId);
  const ofPower = power
    // What a switch gives its cameras is among the loads of the network already.
    .filter(({ id }) => !nameOf.has(id))
    .flatMap((node): MorningLoad[] => {
      const { id, name, load } = node;
      return load
        ? [{ id, name, load, cameraIds: nodesOf(node).flatMap(({ cameraId }) => cameraId ?? []) }]
        : [];
    });
  const ofNetwork = network.devices.flatMap(({ deviceId, loads }) =>
    loads.map((load): MorningLoad => ({
      id: deviceId,
      name: nameOf.get(deviceId) ?? deviceId,
      load,
      cameraIds: all,
    })),
  );
  return [...ofNetwork, ...ofPower]
    .filter(({ load }) => load.used > 0)
    .sort((a, b) => b.load.utilisation - a.load.utilisation);
}

/** A task that takes a camera from how it is to how it will be. */
export interface Move {
  taskId: string;
  cameraId: string;
}

/** Every change of a camera in an order of moves; one that leaves in one night and joins in another is changed by the same task. */
export const moves = ({ nights }: Pick<SiteMigration, 'nights'>): Move[] => {
  const byCamera = new Map<string, Move>();
  nights.forEach(({ steps }, night) => {
    for (const step of steps)
      if (comesOrGoes(step))
        byCamera.set(step.cameraId, { taskId: stepTaskOf(step, night), cameraId: step.cameraId });
  });
  return [...byCamera.values()];
};

const keyOf = ({ id, load }: MorningLoad): string => `${id} ${load.label}`;

/**
 * What may be asked for more than it has in a morning between, though neither today nor the end asks that much: those that are changed take what
 * they will, while the others still take what they did. What is asked too much of today or in the end is said elsewhere; here no morning may be
 * worse than both. A load is a sum over cameras, so that what holds today and the end together holds in every morning, and is left out.
 */
export function morningLimitsOf(
  site: Site,
  evaluation: SiteEvaluation,
  migration: SiteMigration,
  done: ReadonlySet<string>,
): MorningLimit[] {
  const all = moves(migration);
  const moved = all.filter(({ taskId }) => done.has(taskId));
  const toMove = all.filter(({ taskId }) => !done.has(taskId));
  const loadsWith = (more: readonly Move[]): ReadonlyMap<string, MorningLoad> => {
    const cameras = new Set([...moved, ...more].map(({ cameraId }) => cameraId));
    const loads = loadsAt(site, evaluation, { kind: 'morning', moved: cameras });
    return new Map(loads.map((one) => [keyOf(one), one]));
  };
  const before = loadsWith([]);
  const after = loadsWith(toMove);
  const usedIn = (loads: ReadonlyMap<string, MorningLoad>, key: string) => loads.get(key)?.load.used ?? 0;
  const atRisk = [...new Map([...before, ...after])].flatMap(([key, { name, load }]) => {
    const [first, last] = [usedIn(before, key), usedIn(after, key)];
    const most = Math.max(load.most, first, last);
    const { label, unit } = load;
    return first + last > most ? [{ key, limit: { name, label, unit, most, before: first } }] : [];
  });
  // Only cameras that it is a sum over today or in the end can change it.
  const itsCameras = new Set(
    atRisk.flatMap(({ key }) => [before, after].flatMap((loads) => loads.get(key)?.cameraIds ?? [])),
  );
  const alone = toMove
    .filter(({ cameraId }) => itsCameras.has(cameraId))
    .map((move) => ({ taskId: move.taskId, loads: loadsWith([move]) }));
  const limits = atRisk.map(({ key, limit }): MorningLimit => {
    const changes: Record<string, number> = {};
    for (const { taskId, loads } of alone)
      changes[taskId] = (changes[taskId] ?? 0) + usedIn(loads, key) - limit.before;
    return { ...limit, changes };
  });
  // What is fed alike in every morning, by cameras that stay, was added up twice.
  return limits.filter(({ changes }) => Object.values(changes).some((change) => change !== 0));
}
