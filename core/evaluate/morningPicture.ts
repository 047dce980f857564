import { recorderState, type RecorderState } from '#core/allocate/recorder';
import { powerPicture, type PowerNode } from '#core/connect/powerPicture';
import { networkOf, topologyOf, type Moment } from '#core/connect/topology';
import { stepTaskOf } from '#core/cutover/tasks';
import type { Site } from '#core/model/site';
import type { Load } from '#core/shared/derivation';
import { morningsAfter } from './cutoverOf';
import type { SiteEvaluation } from './evaluateSite';
import { tasksNow } from './nightsNow';

/** What a thing gives, and how much of it is asked that morning. */
export interface MorningLoad {
  name: string;
  load: Load;
}

/** A morning in full: every recorder with who is on it, what network and power carry, and what is against it. */
export interface MorningPicture {
  recorders: (Pick<RecorderState, 'recorder' | 'slots'> & { ipInputs: number[] })[];
  loads: MorningLoad[];
  wrong: string[];
}

const nodesOf = (node: PowerNode): PowerNode[] => [node, ...node.children.flatMap(nodesOf)];

/** Loads of the network and of what feeds it at a moment, the fullest first. */
function loadsAt(site: Site, { runs, total }: SiteEvaluation, moment: Moment): MorningLoad[] {
  const network = networkOf(site, runs, total, moment);
  const nameOf = new Map(network.topology.devices.map(({ id, name }) => [id, name]));
  const topology = topologyOf(site, runs, total, moment);
  const power = powerPicture(site, runs, topology, moment).flatMap(nodesOf);
  const ofPower = power
    // What a switch gives its cameras is among the loads of the network already.
    .filter(({ id }) => !nameOf.has(id))
    .flatMap(({ name, load }): MorningLoad[] => (load ? [{ name, load }] : []));
  const ofNetwork = network.devices.flatMap(({ deviceId, loads }) =>
    loads.map((load): MorningLoad => ({ name: nameOf.get(deviceId) ?? deviceId, load })),
  );
  return [...ofNetwork, ...ofPower]
    .filter(({ load }) => load.used > 0)
    .sort((a, b) => b.load.utilisation - a.load.utilisation);
}

/** What is so once some tasks are done: on the recorders, in the network, and of what feeds both. */
export function morningPicture(
  site: Site,
  evaluation: SiteEvaluation,
  done: readonly string[],
): MorningPicture {
  const { tasks, migration } = tasksNow(site, evaluation, null);
  const known = new Set(done);
  const [morning] = morningsAfter(site, evaluation, migration, tasks, [done]);
  const moved = new Set(
    migration.nights.flatMap(({ steps }, night) =>
      steps.flatMap((step) =>
        (step.kind === 'join' || step.kind === 'unplug') && known.has(stepTaskOf(step, night))
          ? [step.cameraId]
          : [],
      ),
    ),
  );
  const loads = loadsAt(site, evaluation, { kind: 'morning', moved });
  return {
    recorders: Object.values(site.recorder).map((recorder) => {
      const { slots } = recorderState(recorder, morning!.occupied[recorder.id] ?? []);
      return { recorder, slots, ipInputs: morning!.ipInputs[recorder.id] ?? [] };
    }),
    loads,
    wrong: [
      ...morning!.broken.map(({ why }) => why),
      ...loads
        .filter(({ load }) => load.status === 'fails')
        .map(
          ({ name, load: { label, used, most, unit } }) =>
            `${name}: ${used.toFixed(1)} ${unit} ${label} asked, and it has ${most.toFixed(1)} ${unit}.`,
        ),
    ],
  };
}
