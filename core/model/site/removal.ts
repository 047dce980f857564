import { allocationSettingsOf } from './allocationSettings';
import { setAllocationSettings } from './setAllocationSettings';
import { removing, type Change } from './change';
import { leaveTiles } from './monitorTiles';
import { leaveSheaths } from './sharedCable';
import type { Fact, Kind, Site } from './site';

type Shown = Fact<'photo'>['of'];

/** What goes with a thing that goes: its spot on a drawing and its photos. */
function attachments(site: Site, ...things: Shown[]): Change[] {
  const isOf = ({ of }: { of: { kind: string; id: string } }) =>
    things.some(({ kind, id }) => of.kind === kind && of.id === id);
  const gone = (kind: 'pin' | 'photo'): Change[] =>
    Object.values<Fact<'pin'> | Fact<'photo'>>(site[kind])
      .filter(isOf)
      .map(({ id }) => removing(kind, id));
  return [...gone('pin'), ...gone('photo')];
}

/** Rules without a camera that goes; one that would say nothing any more goes with it. */
const leaveViewRules = ({ viewRule }: Site, cameraId: string): Change[] =>
  Object.values(viewRule)
    .filter(({ cameraIds, coverId }) => cameraIds.includes(cameraId) || coverId === cameraId)
    .map(({ coverId, ...rule }): Change => {
      const cameraIds = rule.cameraIds.filter((id) => id !== cameraId);
      const cover = coverId === undefined || coverId === cameraId ? {} : { coverId };
      return cameraIds.length <= rule.mostDark
        ? removing('viewRule', rule.id)
        : { kind: 'viewRule', id: rule.id, set: { ...rule, ...cover, cameraIds } };
    });

/** Tasks of one’s own without a camera that goes: they leave one view less dark. */
const leaveOwnTasks = ({ ownTask }: Site, cameraId: string): Change[] =>
  Object.values(ownTask)
    .filter(({ dark }) => dark?.cameraIds.includes(cameraId))
    .map(({ dark, ...task }): Change => {
      const cameraIds = dark!.cameraIds.filter((id) => id !== cameraId);
      const left = cameraIds.length > 0 ? { dark: { ...dark!, cameraIds } } : {};
      return { kind: 'ownTask', id: task.id, set: { ...task, ...left } };
    });

/** A task that was added goes, with what was said of it. Nights that hold it do without it. */
export const removeOwnTask = ({ taskSetting }: Pick<Site, 'taskSetting'>, id: string): Change[] => [
  removing('ownTask', id),
  ...(taskSetting[`own-${id}`] ? [removing('taskSetting', `own-${id}`)] : []),
];

/** Whether somebody has read anything of a thing for its acceptance, or noted what is wrong with it: such a thing stays. */
const isInSignOff = ({ acceptanceReading, punchItem }: Site, kind: Kind, id: string): boolean =>
  [...Object.values(acceptanceReading), ...Object.values(punchItem)].some(
    ({ of }) => of.kind === kind && of.id === id,
  );

export type Removal = { kind: 'changes'; changes: Change[] } | { kind: 'in-use'; by: string[] };

/** Views that it could have seen beside its own are seen by their own cameras alone. */
const leaveViews = ({ camera }: Site, cameraId: string): Change[] =>
  Object.values(camera)
    .filter(({ seenFrom }) => seenFrom?.cameraId === cameraId)
    .map(({ seenFrom: _, ...one }): Change => ({ kind: 'camera', id: one.id, set: one }));

/** Everything that is said of a camera goes with it: by whoever shows it, rules about it, its slot, and it itself. */
function cameraAndAllOfIt(site: Site, cameraId: string): Change[] {
  const { first } = allocationSettingsOf(site);
  const ofItsOwn = ['placement', 'choice', 'stream', 'networkConfig', 'attachment', 'networkCamera'] as const;
  return [
    ...attachments(site, { kind: 'camera', id: cameraId }),
    ...leaveTiles(site, cameraId),
    ...ofItsOwn.filter((kind) => site[kind][cameraId]).map((kind) => removing(kind, cameraId)),
    ...leaveViewRules(site, cameraId),
    ...leaveOwnTasks(site, cameraId),
    ...leaveViews(site, cameraId),
    ...(first.includes(cameraId)
      ? [setAllocationSettings(site, { first: first.filter((id) => id !== cameraId) })]
      : []),
    removing('camera', cameraId),
  ];
}

const keptByAcceptance: Removal = { kind: 'in-use', by: ['its acceptance'] };

/** Takes a camera of the network away, which hangs on no run; what was read for its acceptance keeps it. */
export function removeNetworkCamera(site: Site, cameraId: string): Removal {
  return isInSignOff(site, 'camera', cameraId)
    ? keptByAcceptance
    : { kind: 'changes', changes: cameraAndAllOfIt(site, cameraId) };
}

/** Takes a run and its camera away. Readings stay with a site for good, so a run that has any keeps standing. */
export function removeRunAndCamera(site: Site, runId: string): Removal {
  const { cameraId } = site.run[runId]!;
  if (Object.values(site.reading).some((reading) => reading.runId === runId))
    return {
      kind: 'in-use',
      by: [`the readings of run ${site.camera[cameraId]?.number ?? runId}, which are kept`],
    };
  if (isInSignOff(site, 'camera', cameraId)) return keptByAcceptance;
  return {
    kind: 'changes',
    changes: [
      ...attachments(site, { kind: 'run', id: runId }),
      ...Object.values(site.mending)
        .filter((mending) => mending.runId === runId)
        .map(({ id }) => removing('mending', id)),
      ...leaveSheaths(site, (member) => member.runId === runId),
      removing('run', runId),
      ...cameraAndAllOfIt(site, cameraId),
    ],
  };
}

/** Who would be left hanging if a recorder, a supply box, a piece of equipment or a place went. */
function usersOf(site: Site, kind: Kind, id: string): string[] {
  const number = ({ cameraId }: Fact<'run'>) => site.camera[cameraId]?.number ?? 0;
  const runs = Object.values(site.run);
  const hooked = [
    ...Object.values(site.recorder),
    ...Object.values(site.supply),
    ...Object.values(site.equipment),
  ];
  const names = (things: readonly { name: string }[]) => things.map(({ name }) => name);
  switch (kind) {
    case 'recorder':
      return [
        ...runs.filter(({ patchedTo }) => patchedTo?.recorderId === id).map((run) => `run ${number(run)}`),
        ...Object.values(site.networkCamera)
          .filter(({ recordedAt }) => recordedAt?.recorderId === id)
          .map((one) => `camera ${site.camera[one.id]?.number}, which it records today`),
        ...Object.values(site.placement)
          .filter(({ recorderId }) => recorderId === id)
          .map((placement) => `the slot of camera ${site.camera[placement.id]?.number}`),
        ...names(
          Object.values(site.equipment).filter(
            ({ gear }) => gear.kind === 'monitor' && gear.recorderId === id,
          ),
        ),
        ...names(
          Object.values(site.link).filter(
            ({ fromEnd, toEnd }) => fromEnd?.deviceId === id || toEnd?.deviceId === id,
          ),
        ),
      ];
    case 'supply':
      return runs
        .filter(({ feed }) => feed.kind !== 'local-adapter' && feed.supplyId === id)
        .map((run) => `run ${number(run)}`);
    case 'equipment':
      return names([
        ...hooked.filter(({ hookUp }) => hookUp?.rackId === id || hookUp?.fedById === id),
        ...Object.values(site.equipment).filter(
          ({ gear }) => gear.kind === 'monitor' && gear.matrixId === id,
        ),
        ...Object.values(site.link).filter(
          ({ fromEnd, toEnd }) => fromEnd?.deviceId === id || toEnd?.deviceId === id,
        ),
      ]);
    case 'place':
      return [
        ...Object.values(site.camera)
          .filter(({ placeId }) => placeId === id)
          .map((camera) => `camera ${camera.number}`),
        ...runs
          .filter(
            (run) =>
              run.headEndId === id || (run.newRoute?.kind === 'open' && run.newRoute.fromPlaceId === id),
          )
          .map((run) => `run ${number(run)}`),
        ...names(hooked.filter(({ placeId }) => placeId === id)),
        ...names(Object.values(site.ownTask).filter(({ placeId }) => placeId === id)),
        ...Object.values(site.radioPath)
          .filter(({ fromPlaceId, toPlaceId }) => fromPlaceId === id || toPlaceId === id)
          .map(() => 'a radio path'),
        ...names(
          Object.values(site.link).filter(
            ({ fromPlaceId, toPlaceId }) => fromPlaceId === id || toPlaceId === id,
          ),
        ),
      ];
    default:
      return [];
  }
}

/** The changes that take a thing away with its spot and its photos, or by whom it is still needed. */
export function removeThing(
  site: Site,
  kind: 'recorder' | 'supply' | 'equipment' | 'place',
  id: string,
): Removal {
  const by = [...usersOf(site, kind, id), ...(isInSignOff(site, kind, id) ? ['its acceptance'] : [])];
  return by.length > 0
    ? { kind: 'in-use', by }
    : { kind: 'changes', changes: [...attachments(site, { kind, id }), removing(kind, id)] };
}
