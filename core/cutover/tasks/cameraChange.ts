import { productOf, type Catalogue } from '#core/model/catalogue';
import { peopleOnLift, type Part } from '#core/decide/options';
import type { Camera } from '#core/model/site';
import { ordersFor } from './orderTasks';
import { permitIdOf } from './permitTasks';
import { taskIdOf, taskOf, workOf, type Task } from './task';
import { taskKind } from './taskKinds';

/** What the change of one camera takes: its parts, its tasks of the catalogue, and what has to be done first. */
export interface CameraChange {
  camera: Camera;
  parts: readonly Part[];
  tasks: readonly Part[];
  /** The place that a lift is hired for. */
  lift: string | null;
  /** What its cable waits for before it is pulled. */
  along: readonly string[];
  first: readonly string[];
  cautions: readonly string[];
}

/** Tasks of the catalogue that are done once a morning has shown that the new picture holds. */
const afterwards = { check: ['commission-camera'], remove: ['take-down', 'remove-old-cable-m'] };

/** Hours and dark hours of the tasks of an option, by when they are done. */
interface HoursByPhase {
  bench: number;
  route: number;
  night: number;
  check: number;
  remove: number;
  dark: number;
}

export function hoursByPhase(catalogue: Catalogue, { tasks }: Pick<CameraChange, 'tasks'>): HoursByPhase {
  const sums: HoursByPhase = { bench: 0, route: 0, night: 0, check: 0, remove: 0, dark: 0 };
  for (const { item, count } of tasks) {
    const { hours, darkHours, where } = productOf(catalogue, item, 'task');
    const phase = afterwards.check.includes(item)
      ? 'check'
      : afterwards.remove.includes(item)
        ? 'remove'
        : where === 'bench' || where === 'route'
          ? where
          : 'night';
    sums[phase] += hours * count;
    sums.dark += darkHours * count;
  }
  return sums;
}

const isAtHeight = ({ tasks }: Pick<CameraChange, 'tasks'>): boolean =>
  tasks.some(({ item }) => item === 'ladder' || item === 'lift-or-rope');

/** What is there already when somebody sets about a camera: what is ordered, on the bench, along its way. */
function priorTasks(
  make: Maker,
  hours: HoursByPhase,
  ordered: readonly string[],
  along: readonly string[],
  isCertified: boolean,
): Task[] {
  const bench =
    hours.bench > 0 ? [make('configure', { likelyMinutes: 60 * hours.bench, needs: ordered })] : [];
  const pull =
    hours.route > 0 ? [make('pull', { workMinutes: 60 * hours.route, needs: [...ordered, ...along] })] : [];
  const certify = isCertified ? [make('certify', { needs: pull.map(({ id }) => id) })] : [];
  return [...bench, ...pull, ...certify];
}

/** What is done once a morning has shown that its picture holds. */
function laterTasks(make: Maker, hours: HoursByPhase, isOpened: boolean): Task[] {
  const needs = hours.night > 0 ? [make('swap').id] : [];
  return [
    ...(hours.check > 0 ? [make('dusk-check', { likelyMinutes: 60 * hours.check, needs })] : []),
    ...(hours.remove > 0 ? [make('remove', { likelyMinutes: 60 * hours.remove, needs })] : []),
    ...(isOpened ? [make('make-good', { needs })] : []),
  ];
}

/** Makes a task of a kind for one camera; `workMinutes` are shared by all who do it. */
export type Maker = (
  kind: Task['kind'],
  over?: Partial<Task> & { likelyMinutes?: number; workMinutes?: number },
) => Task;

export function makerFor(catalogue: Catalogue, camera: Camera): Maker {
  const base = { of: `${camera.number} ${camera.name}`, cameraId: camera.id, place: camera.placeId };
  return (kind, { workMinutes, ...over } = {}) => {
    const shared =
      workMinutes === undefined ? {} : { likelyMinutes: workMinutes / workOf(catalogue, kind).people };
    return taskOf(catalogue, { ...base, id: taskIdOf(kind, camera.id), kind, ...shared, ...over });
  };
}

/** Everything that is done to change one camera: on the bench, along its way, in its night, and once the picture holds. */
export function tasksOfChange(catalogue: Catalogue, orders: readonly Task[], change: CameraChange): Task[] {
  const { camera, parts, lift, along, first, cautions } = change;
  const make = makerFor(catalogue, camera);
  const hours = hoursByPhase(catalogue, change);
  const has = (part: string) => parts.some(({ item }) => item === part);
  const ordered = ordersFor(parts, orders);
  // A fibre is tested where it is spliced.
  const prior = priorTasks(make, hours, ordered, along, has('category-ends'));
  const later = laterTasks(make, hours, has('making-good'));
  if (hours.night === 0) return [...prior, ...later];
  const isHigh = isAtHeight(change);
  const minutes = (60 * hours.night) / (lift === null ? 1 : peopleOnLift);
  const swap = make('swap', {
    likelyMinutes: minutes,
    people: Math.max(workOf(catalogue, 'swap').people, isHigh ? 2 : 1),
    skills: isHigh ? ['cable', 'height'] : ['cable'],
    // Two who share the work leave it dark no longer than they work on it.
    dark: [{ view: camera.id, minutes: Math.min(60 * hours.dark, minutes) }],
    needs: [...first, ...ordered, ...prior.map(({ id }) => id), ...(lift === null ? [] : [permitIdOf(lift)])],
    lift,
    cautions: [...taskKind('swap').cautions, ...cautions],
  });
  return [...prior, swap, ...later];
}
