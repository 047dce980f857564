import { catalogueOf, productOf, type Catalogue } from '#core/model/catalogue';
import { peopleOnLift, type FeasibleOption, type SeenBy } from '#core/decide/options';
import { chosenOption, type RunEvaluation } from '#core/decide/runEvaluation';
import type { Site } from '#core/model/site';
import { buildIdOf } from './buildId';
import { builtBefore } from './networkTasks';
import { ordersFor } from './orderTasks';
import { permitIdOf } from './permitTasks';
import { taskIdOf, taskOf, workOf, type Task } from './task';
import { taskKind } from './taskKinds';

/** Tasks of the catalogue that are done once a morning has shown that the new picture holds. */
const afterwards = { check: ['commission-camera'], remove: ['take-down', 'remove-old-cable-m'] };

const leavesEarly =
  'Its input is wanted before its view could be proved in the other picture: the view is dark until that camera was changed.';

/** Hours and dark hours of the tasks of an option, by when they are done. */
interface HoursByPhase {
  bench: number;
  route: number;
  night: number;
  check: number;
  remove: number;
  dark: number;
}

function hoursByPhase(catalogue: Catalogue, { tasks }: Pick<FeasibleOption, 'tasks'>): HoursByPhase {
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

const isAtHeight = ({ tasks }: Pick<FeasibleOption, 'tasks'>): boolean =>
  tasks.some(({ item }) => item === 'ladder' || item === 'lift-or-rope');

/** What is there already when somebody sets about a camera: what is ordered, on the bench, along its way. */
function priorTasks(
  make: Maker,
  hours: HoursByPhase,
  ordered: readonly string[],
  isCertified: boolean,
): Task[] {
  const bench =
    hours.bench > 0 ? [make('configure', { likelyMinutes: 60 * hours.bench, needs: ordered })] : [];
  const pull = hours.route > 0 ? [make('pull', { workMinutes: 60 * hours.route, needs: ordered })] : [];
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
type Maker = (
  kind: Task['kind'],
  over?: Partial<Task> & { likelyMinutes?: number; workMinutes?: number },
) => Task;

function makerFor(catalogue: Catalogue, { camera }: RunEvaluation): Maker {
  const base = { of: `${camera.number} ${camera.name}`, cameraId: camera.id, place: camera.placeId };
  return (kind, { workMinutes, ...over } = {}) => {
    const shared =
      workMinutes === undefined ? {} : { likelyMinutes: workMinutes / workOf(catalogue, kind).people };
    return taskOf(catalogue, { ...base, id: taskIdOf(kind, camera.id), kind, ...shared, ...over });
  };
}

/** A view that another camera sees: proved there once that one is changed, and only then its own camera comes down. */
function tasksOfSeen(
  catalogue: Catalogue,
  make: Maker,
  option: FeasibleOption,
  { cameraId }: SeenBy,
): Task[] {
  const { night, check, remove } = hoursByPhase(catalogue, option);
  const proved = make('dusk-check', { likelyMinutes: 60 * check, needs: [taskIdOf('swap', cameraId)] });
  return [
    proved,
    make('remove', {
      likelyMinutes: 60 * (night + remove),
      needs: [proved.id],
      cautions: [...taskKind('remove').cautions, ...option.cautions],
    }),
  ];
}

/** What of a site says what is built before a camera is plugged in. */
type NetworkSite = Pick<Site, 'product' | 'equipment' | 'link' | 'recorder'>;

/** Everything that is done for one camera: on the bench, along its way, in its night, and once the picture holds. */
function tasksOfRun(
  site: NetworkSite,
  evaluation: RunEvaluation,
  orders: readonly Task[],
  leaving: ReadonlySet<string>,
): Task[] {
  const { camera } = evaluation;
  const catalogue = catalogueOf(site);
  const option = chosenOption(evaluation);
  if (!option || option.tasks.length === 0) return [];
  const make = makerFor(catalogue, evaluation);
  if (option.seenBy && !leaving.has(camera.id)) return tasksOfSeen(catalogue, make, option, option.seenBy);
  const hours = hoursByPhase(catalogue, option);
  const has = (part: string) => option.parts.some(({ item }) => item === part);
  const ordered = ordersFor(option.parts, orders);
  // A fibre is tested where it is spliced.
  const prior = priorTasks(make, hours, ordered, has('category-ends'));
  const later = laterTasks(make, hours, has('making-good'));
  if (hours.night === 0) return [...prior, ...later];
  const lift = option.sharing.find(({ liftAtPlaceId }) => liftAtPlaceId !== undefined)?.liftAtPlaceId ?? null;
  const isHigh = isAtHeight(option);
  const minutes = (60 * hours.night) / (lift === null ? 1 : peopleOnLift);
  const swap = make('swap', {
    likelyMinutes: minutes,
    people: Math.max(workOf(catalogue, 'swap').people, isHigh ? 2 : 1),
    skills: isHigh ? ['cable', 'height'] : ['cable'],
    // Two who share the work leave it dark no longer than they work on it.
    dark: [{ view: camera.id, minutes: Math.min(60 * hours.dark, minutes) }],
    needs: [
      ...(option.shared
        ? new Set([buildIdOf(option.shared), ...builtBefore(site, option.shared.placeId)])
        : []),
      // Whose coax carries the switch leaves it first.
      ...(option.onCoaxOf !== null && option.onCoaxOf !== evaluation.camera.id
        ? [taskIdOf('swap', option.onCoaxOf)]
        : []),
      ...ordered,
      ...prior.map(({ id }) => id),
      ...(lift === null ? [] : [permitIdOf(lift)]),
    ],
    lift,
    cautions: [...taskKind('swap').cautions, ...(option.seenBy ? [leavesEarly] : []), ...option.cautions],
  });
  return [...prior, swap, ...later];
}

/** What is done for each camera whose option is chosen; `leaving` are those that the order of moves takes off their inputs. */
export function swapTasks(
  site: NetworkSite,
  runs: readonly RunEvaluation[],
  orders: readonly Task[],
  leaving: ReadonlySet<string>,
): Task[] {
  return runs.flatMap((evaluation) => tasksOfRun(site, evaluation, orders, leaving));
}

/** Who has asked for the change sees all of it once every picture is agreed. */
export function witnessTask(
  site: Pick<Site, 'product'>,
  tasks: readonly Task[],
  { of, place }: Pick<Task, 'of' | 'place'>,
): Task[] {
  const needs = tasks.filter(({ kind }) => kind === 'dusk-check').map(({ id }) => id);
  return needs.length > 0
    ? [taskOf(catalogueOf(site), { id: 'witness', kind: 'witness', of, place, needs })]
    : [];
}
