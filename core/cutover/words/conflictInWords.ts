import type { NightDemand } from '#core/cutover/nights';
import { counted, listed } from '#core/shared/labels';

/** How things are called where a conflict is read. */
export interface ConflictNames {
  /** What is done to what. */
  task: (id: string) => string;
  thing: (id: string) => string;
  /** What holds a task to some of the nights. */
  heldBy: (id: string) => string;
  /** Nights that there are. */
  nights: number;
}

/** Everything of one kind among demands. */
const ofKind = <K extends NightDemand['kind']>(
  demands: readonly NightDemand[],
  kind: K,
): Extract<NightDemand, { kind: K }>[] =>
  demands.filter((one): one is Extract<NightDemand, { kind: K }> => one.kind === kind);

const are = (some: readonly unknown[]): string => (some.length > 1 ? 'are' : 'is');

/** What stands against any plan of nights, with the cheapest way out; what was not found out is said to be so. */
export function conflictInWords(demands: readonly NightDemand[], names: ConflictNames): string {
  const jobsOf = (kind: 'pinned' | 'allowed') =>
    demands.flatMap((one) => (one.kind === kind ? [one.job] : []));
  const pinned = jobsOf('pinned').map(names.task);
  const held = jobsOf('allowed').map((id) => `${names.task(id)} has its nights (${names.heldBy(id)})`);
  const restarted = ofKind(demands, 'restart').map(({ of }) => names.thing(of));
  const loaded = ofKind(demands, 'morning').map(({ of }) => of);
  const hasCrew = demands.some(({ kind }) => kind === 'crew' || kind === 'cut');
  const said = [
    ...(pinned.length > 0 ? [`${listed(pinned)} ${are(pinned)} promised for a night`] : []),
    ...held,
    ...(restarted.length > 0 ? [`${listed(restarted)} may restart once a night`] : []),
    ...(loaded.length > 0
      ? [`${listed(loaded)} would be asked for more than there is in a morning between`]
      : []),
    ...(hasCrew
      ? [
          `the crew does so much in a night, and there ${names.nights === 1 ? 'is' : 'are'} ${counted(names.nights, 'night')}`,
        ]
      : []),
  ];
  if (said.length === 0) return 'In the time that was given no plan was found. Give it longer.';
  const wayOut =
    pinned.length > 0
      ? 'Let one of them go into another night.'
      : held.length > 0
        ? 'Order earlier, have the lift on more nights, or allow more nights.'
        : loaded.length > 0
          ? 'Feed one of its cameras from elsewhere, change it for a larger one first, or allow more nights.'
          : 'Allow more nights, a longer shift, or another pair of hands.';
  return `This cannot all be: ${said.join('; ')}. ${wayOut}`;
}
