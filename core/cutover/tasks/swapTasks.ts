import { catalogueOf, productOf, type Catalogue } from '#core/model/catalogue';
import type { FeasibleOption, SharedPort } from '#core/decide/options';
import { chosenOption, type RunEvaluation } from '#core/decide/runEvaluation';
import type { Site } from '#core/model/site';
import { taskIdOf, taskOf, type Task } from './task';
import { taskKind } from './taskKinds';

/** Tasks of the catalogue that are done once a morning has shown that the new picture holds. */
const afterwards = { check: ['commission-camera'], remove: ['take-down', 'remove-old-cable-m'] };

/** So many people work from a lift, and share the time. */
const peopleOnLift = 2;

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

/** What equipment that cameras share is built under. */
export const buildIdOf = ({ of, placeId }: Pick<SharedPort, 'of' | 'placeId'>): string =>
  taskIdOf('build', of, placeId);

/** Everything that is done for one camera: on the bench, along its way, in its night, and once the picture holds. */
function tasksOfRun(catalogue: Catalogue, evaluation: RunEvaluation): Task[] {
  const { camera } = evaluation;
  const option = chosenOption(evaluation);
  if (!option || option.tasks.length === 0) return [];
  const hours = hoursByPhase(catalogue, option);
  const id = (kind: Task['kind']) => taskIdOf(kind, camera.id);
  const of = `${camera.number} ${camera.name}`;
  const base = { of, cameraId: camera.id, place: camera.placeId };
  const isOnLift = option.sharing.some(({ key }) => key.startsWith('lift '));
  const isHigh = isAtHeight(option);
  const sharedWork = isOnLift ? peopleOnLift : 1;
  const prior: Task[] = [];
  if (hours.bench > 0)
    prior.push(taskOf({ ...base, id: id('configure'), kind: 'configure', likelyMinutes: 60 * hours.bench }));
  if (hours.route > 0)
    prior.push(
      taskOf({
        ...base,
        id: id('pull'),
        kind: 'pull',
        likelyMinutes: (60 * hours.route) / taskKind('pull').people,
      }),
    );
  const later: Task[] = [];
  if (hours.check > 0)
    later.push(
      taskOf({ ...base, id: id('dusk-check'), kind: 'dusk-check', likelyMinutes: 60 * hours.check }),
    );
  if (hours.remove > 0)
    later.push(taskOf({ ...base, id: id('remove'), kind: 'remove', likelyMinutes: 60 * hours.remove }));
  if (hours.night === 0) return [...prior, ...later];
  const swap = taskOf({
    ...base,
    id: id('swap'),
    kind: 'swap',
    likelyMinutes: (60 * hours.night) / sharedWork,
    people: isHigh ? 2 : 1,
    skills: isHigh ? ['cable', 'height'] : ['cable'],
    // Two who share the work leave it dark no longer than they work on it.
    dark: [{ view: camera.id, minutes: Math.min(60 * hours.dark, (60 * hours.night) / sharedWork) }],
    needs: option.shared ? [buildIdOf(option.shared)] : [],
    lift: isOnLift ? camera.placeId : null,
    cautions: [...taskOf({ ...base, id: '', kind: 'swap' }).cautions, ...option.cautions],
  });
  return [...prior, swap, ...later];
}

/** What is done for each camera whose option is chosen. */
export function swapTasks(site: Pick<Site, 'product'>, runs: readonly RunEvaluation[]): Task[] {
  const catalogue = catalogueOf(site);
  return runs.flatMap((evaluation) => tasksOfRun(catalogue, evaluation));
}
