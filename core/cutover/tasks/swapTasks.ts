import { catalogueOf, type Catalogue } from '#core/model/catalogue';
import type { FeasibleOption, SeenBy } from '#core/decide/options';
import { chosenOption, type RunEvaluation } from '#core/decide/runEvaluation';
import type { Site } from '#core/model/site';
import { buildIdOf } from './buildId';
import { hoursByPhase, makerFor, tasksOfChange, type Maker } from './cameraChange';
import { builtBefore } from './networkTasks';
import { taskIdOf, taskOf, type Task } from './task';
import { taskKind } from './taskKinds';

const leavesEarly =
  'Its input is wanted before its view could be proved in the other picture: the view is dark until that camera was changed.';

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
  if (option.seenBy && !leaving.has(camera.id))
    return tasksOfSeen(catalogue, makerFor(catalogue, camera), option, option.seenBy);
  const { onCoaxOf, shared } = option;
  return tasksOfChange(catalogue, orders, {
    camera,
    parts: option.parts,
    tasks: option.tasks,
    lift: option.sharing.find(({ liftAtPlaceId }) => liftAtPlaceId !== undefined)?.liftAtPlaceId ?? null,
    first: [
      ...(shared ? new Set([buildIdOf(shared), ...builtBefore(site, shared.placeId)]) : []),
      // Whose coax carries the switch leaves it first.
      ...(onCoaxOf !== null && onCoaxOf !== camera.id ? [taskIdOf('swap', onCoaxOf)] : []),
    ],
    cautions: [...(option.seenBy ? [leavesEarly] : []), ...option.cautions],
  });
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
