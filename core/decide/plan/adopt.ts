import { catalogueOf, productOf } from '#core/model/catalogue';
import {
  choose,
  freeId,
  freeName,
  mostPinned,
  type Change,
  type Demands,
  type SavedPlan,
  type Recorder,
  type Site,
} from '#core/model/site';
import type { Plan } from './types';

export interface Who {
  by: string;
  at: string;
  /** What stands in the ids of what they make. */
  mark?: string;
}

/** A plan as it is kept: what was chosen and under what; what it comes to is worked out anew. */
export const plannedOf = (plan: Plan, id: string, name: string, { by, at }: Who): SavedPlan => ({
  id,
  name,
  by,
  at,
  pinned: true,
  options: plan.options,
  demands: plan.demands,
  buys: plan.buys,
  proof: plan.proof,
});

/** A name for a plan that tells it from those that are kept. */
export const planName = (site: Site): string =>
  freeName(
    Object.values(site.savedPlan).map(({ name }) => name),
    'Plan',
  );

const planId = (site: Site, { mark }: Who): string => freeId((id) => id in site.savedPlan, 'plan', mark);

export type Pinning = { kind: 'changes'; changes: Change[]; id: string } | { kind: 'full'; message: string };

/** The changes that put a plan beside the others. */
export function pin(site: Site, plan: Plan, who: Who): Pinning {
  const pinned = Object.values(site.savedPlan).filter((one) => one.pinned);
  if (pinned.length >= mostPinned)
    return { kind: 'full', message: `${mostPinned} plans are pinned already. Put one away first.` };
  const id = planId(site, who);
  return {
    kind: 'changes',
    id,
    changes: [{ kind: 'savedPlan', id, set: plannedOf(plan, id, planName(site), who) }],
  };
}

/** The changes that put a plan away: for good, or only from the comparison where choices rest on it. */
export function unpin(site: Site, id: string): Change[] {
  const plan = site.savedPlan[id];
  if (!plan) return [];
  const isUsed = Object.values(site.choice).some((choice) => choice.planId === id);
  return [
    isUsed
      ? { kind: 'savedPlan', id, set: { ...plan, pinned: false } }
      : { kind: 'savedPlan', id, remove: true },
  ];
}

/** Recorders that a plan buys, as they will stand in their places. */
export function boughtRecorders(site: Site, { buys }: Pick<SavedPlan, 'buys'>, mark?: string): Recorder[] {
  const catalogue = catalogueOf(site);
  const known: Record<string, Recorder> = { ...site.recorder };
  return buys.flatMap(({ productId, placeId, count }) =>
    Array.from({ length: count }, (): Recorder => {
      const { inputs, accepts, schemes, rules, limits, restartMinutes } = productOf(
        catalogue,
        productId,
        'recorder',
      );
      const id = freeId((taken) => taken in known, 'new-recorder', mark);
      const set: Recorder = {
        id,
        name: freeName(
          Object.values(known).map(({ name }) => name),
          'New recorder',
        ),
        placeId,
        inputs,
        accepts,
        ...(schemes ? { schemes } : {}),
        rules,
        limits,
        restartMinutes,
        toBuy: productId,
      };
      known[id] = set;
      return set;
    }),
  );
}

/**
 * The changes that make a kept plan the choice for every camera that it names: the record of who did it and when, on which
 * readings. Choices that are the same already stay as they were made; locked ones are not touched.
 */
export function adopt(site: Site, planned: SavedPlan, { by, at, mark }: Who): Change[] {
  const choices = Object.entries(planned.options).flatMap(([cameraId, option]) => {
    const before = site.choice[cameraId];
    return !site.camera[cameraId] || before?.locked || before?.option === option
      ? []
      : choose(site, cameraId, { option, by, at, planId: planned.id });
  });
  const kept: Change[] =
    site.savedPlan[planned.id] === planned ? [] : [{ kind: 'savedPlan', id: planned.id, set: planned }];
  // Adopted once before, its recorders are there already.
  const isFirst = !Object.values(site.choice).some((choice) => choice.planId === planned.id);
  const bought = (isFirst ? boughtRecorders(site, planned, mark) : []).map((set): Change => ({
    kind: 'recorder',
    id: set.id,
    set,
  }));
  return [...kept, ...bought, ...choices];
}

/** The change that sets what is demanded. */
export const demand = (demands: Demands): Change => ({ kind: 'demands', id: 'demands', set: demands });
