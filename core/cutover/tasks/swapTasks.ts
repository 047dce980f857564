import { catalogueOf, type Catalogue } from '#core/model/catalogue';
import type { FeasibleOption, SeenBy, SharedPort } from '#core/decide/options';
import { chosenOption, type RunEvaluation } from '#core/decide/runEvaluation';
import type { Site } from '#core/model/site';
import { buildIdOf } from './buildId';
import { hoursByPhase, makerFor, tasksOfChange, type Maker } from './cameraChange';
import { changeWork, coaxCarriers, type CoaxCarriers } from './changeWork';
import { builtBefore } from './networkTasks';
import { madeBeforePull, madeBeforeSwap } from './sharedTasks';
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

/** The ports that a camera comes to: its own, and those that the ways which it shares end on. */
const portsOf = ({ shared, sharing }: FeasibleOption): Pick<SharedPort, 'of' | 'placeId'>[] => [
  ...(shared ? [shared] : []),
  ...sharing.flatMap(({ port }) => (port ? [{ of: 'poe-switch' as const, placeId: port.placeId }] : [])),
];

/** Everything that is done for one camera: on the bench, along its way, in its night, and once the picture holds. */
function tasksOfRun(
  site: NetworkSite,
  evaluation: RunEvaluation,
  orders: readonly Task[],
  leaving: ReadonlySet<string>,
  carriers: CoaxCarriers,
): Task[] {
  const { camera } = evaluation;
  const catalogue = catalogueOf(site);
  const option = chosenOption(evaluation);
  if (!option || option.tasks.length === 0) return [];
  if (option.seenBy && !leaving.has(camera.id))
    return tasksOfSeen(catalogue, makerFor(catalogue, camera), option, option.seenBy);
  const { parts, tasks, afterIds } = changeWork(camera.id, option, carriers);
  return tasksOfChange(catalogue, orders, {
    camera,
    parts,
    tasks,
    lift: option.sharing.find(({ kind }) => kind === 'lift')?.placeId ?? null,
    along: madeBeforePull(option),
    first: [
      ...new Set([
        ...madeBeforeSwap(option),
        ...portsOf(option).flatMap((port) => [buildIdOf(port), ...builtBefore(site, port.placeId)]),
        ...afterIds.map((id) => taskIdOf('swap', id)),
      ]),
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
  const carriers = coaxCarriers(runs);
  return runs.flatMap((evaluation) => tasksOfRun(site, evaluation, orders, leaving, carriers));
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
