import type { Trouble } from '#core/model/site';

/** What may be done about a run. */
export interface Decision {
  id: string;
  label: string;
  /** What it costs, in the money of the drill; `perM` of line on top. */
  cost: number;
  perM?: number;
  cures: readonly Trouble[];
}

/** What work of each kind costs where it is done once. Judgement, for drills alone. */
export const decisions: readonly Decision[] = [
  { id: 'leave', label: 'Leave it as it is', cost: 0, cures: [] },
  {
    id: 'joint',
    label: 'Remake the joint in the coax, or take out what stands in it',
    cost: 90,
    cures: ['joint'],
  },
  { id: 'power-joint', label: 'Remake the joint in the power cores', cost: 70, cures: ['power-joint'] },
  {
    id: 'cores',
    label: 'Parallel or heavier power cores',
    cost: 160,
    cures: ['power-construction', 'power-drop', 'power-joint'],
  },
  { id: 'supply', label: 'Put the supply right, or another', cost: 120, cures: ['supply'] },
  {
    id: 'odd-piece',
    label: 'Take the odd piece or branch out',
    cost: 80,
    cures: ['tap', 'echo', 'unlisted'],
  },
  { id: 'wet-length', label: 'Replace the wet length', cost: 240, cures: ['water'] },
  { id: 'break', label: 'Go to the break and join it anew', cost: 130, cures: ['open', 'short'] },
  { id: 'isolator', label: 'An isolating device in the line', cost: 110, cures: ['earth-difference'] },
  { id: 'settings', label: 'Set both ends alike', cost: 20, cures: ['format', 'line-standard'] },
  { id: 'camera', label: 'Another camera', cost: 260, cures: ['camera'] },
  { id: 'input', label: 'Patch to another input', cost: 10, cures: ['input'] },
  {
    id: 'ends',
    label: 'Terminate both ends anew',
    cost: 60,
    cures: ['split-pair', 'pair-wiring', 'pair-unbalance'],
  },
  {
    id: 'note-core',
    label: 'Note the core that is there; no power over it',
    cost: 30,
    cures: ['coax-construction'],
  },
  {
    id: 'new-cable',
    label: 'A new cable',
    cost: 300,
    perM: 8,
    cures: [
      'joint',
      'power-joint',
      'power-construction',
      'power-drop',
      'open',
      'short',
      'tap',
      'echo',
      'water',
      'coax-construction',
      'coax-loss',
      'split-pair',
      'pair-wiring',
      'pair-unbalance',
    ],
  },
];
export type DecisionId = string;

/** A visit that comes to nothing, and the one after it. */
const visitAgain = 180;

const costOf = ({ cost, perM = 0 }: Decision, lengthM: number): number => cost + perM * lengthM;

/** The least that puts troubles right, one decision for each or one for several. */
function leastFor(troubles: readonly Trouble[], lengthM: number): number {
  const [first] = troubles;
  if (first === undefined) return 0;
  return Math.min(
    ...decisions
      .filter(({ cures }) => cures.includes(first))
      .map(
        (one) =>
          costOf(one, lengthM) +
          leastFor(
            troubles.filter((trouble) => !one.cures.includes(trouble)),
            lengthM,
          ),
      ),
  );
}

/** What decisions come to in the end: what they cost, and another visit with what would have been right where something is left. */
export function comesTo(ids: readonly DecisionId[], truth: readonly Trouble[], lengthM: number): number {
  const taken = decisions.filter(({ id }) => ids.includes(id));
  const left = truth.filter((trouble) => !taken.some(({ cures }) => cures.includes(trouble)));
  const paid = taken.reduce((sum, one) => sum + costOf(one, lengthM), 0);
  return paid + (left.length > 0 ? visitAgain + leastFor(left, lengthM) : 0);
}

/** What is lost against the best that could have been decided. */
export const lostBy = (ids: readonly DecisionId[], truth: readonly Trouble[], lengthM: number): number =>
  comesTo(ids, truth, lengthM) - leastFor(truth, lengthM);
