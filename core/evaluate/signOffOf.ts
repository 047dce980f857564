import { boughtUnits, type NewNetworkGear } from '#core/connect/gear';
import { powerPicture } from '#core/connect/powerPicture';
import { networkOf } from '#core/connect/topology';
import { policyFiguresOf, type Site } from '#core/model/site';
import { signOffFacts, thingKey, thingState, type ThingState } from '#core/signoff/acceptance';
import { agreementOf, type Agreement, type PredictedFigure } from '#core/signoff/agreement';
import { askedOf, type AskedThing } from '#core/signoff/asked';
import { yearlyOf, type Drift } from '#core/signoff/yearly';
import type { SiteEvaluation } from './evaluateSite';
import { kinOf } from './kinOf';

/** The sign-off of a site: everything that is accepted and how far it is, how readings agree with what was predicted, and what drifts. */
export interface SignOff {
  things: ThingState[];
  agreement: Agreement;
  yearly: Drift[];
  /** What is bought and is no gear of the site yet: nothing of it can be accepted before. */
  unnoted: NewNetworkGear[];
  totals: { things: number; accepted: number; fails: number; unread: number; punch: number; unsafe: number };
}

/** Figures of cameras that a margin predicts, with what was read of them. */
function predictedFigures(
  site: Site,
  { runs }: SiteEvaluation,
  asked: readonly AskedThing[],
  states: ReadonlyMap<string, ThingState>,
): PredictedFigure[] {
  const runOf = new Map(runs.map(({ run, camera }) => [camera.id, run]));
  return asked.flatMap(({ of, number, checks }) => {
    const run = runOf.get(of.id);
    if (of.kind !== 'camera' || !run) return [];
    const state = states.get(thingKey(of))!;
    return checks.flatMap(({ check, foretold, limit }): PredictedFigure[] => {
      if (!foretold || limit.kind !== 'figure') return [];
      const found = state.checks.find((one) => one.check === check)?.reading?.found;
      return [
        {
          cameraId: of.id,
          number: number ?? 0,
          check,
          ...foretold,
          limit,
          read: found?.kind === 'figure' ? found.value : null,
          kin: kinOf(site, run),
        },
      ];
    });
  });
}

const nothingRead = agreementOf([]);

/** How readings of a site agree with what was predicted; nothing is worked out while nobody has read any. */
export const agreementAt = (site: Site, evaluation: SiteEvaluation): Agreement =>
  Object.keys(site.acceptanceReading).length === 0 ? nothingRead : signOffOf(site, evaluation).agreement;

/** How far the sign-off of a site is, by what was chosen for it and what was read since. */
export function signOffOf(site: Site, evaluation: SiteEvaluation): SignOff {
  const { runs, total, allocation } = evaluation;
  const policy = policyFiguresOf(site);
  const network = networkOf(site, runs, total, { kind: 'after' });
  const power = powerPicture(site, runs, network.topology, { kind: 'after' });
  const asked = askedOf({ site, runs, network, power, recorders: allocation.recorders, policy });
  const facts = signOffFacts(site);
  const things = asked.map((thing) => thingState(thing, facts));
  const states = new Map(things.map((thing) => [thingKey(thing.of), thing]));
  const open = Object.values(site.punchItem).filter(({ closed }) => !closed);
  const count = (is: (thing: ThingState) => boolean): number => things.filter(is).length;
  return {
    things,
    agreement: agreementOf(predictedFigures(site, evaluation, asked, states)),
    yearly: yearlyOf(things, site.acceptanceReading, policy),
    unnoted: boughtUnits(site, total),
    totals: {
      things: things.length,
      accepted: count(({ accepted }) => accepted !== null),
      fails: count(({ status }) => status === 'fails'),
      unread: things.reduce((sum, { unread }) => sum + unread, 0),
      punch: open.length,
      unsafe: open.filter(({ severity }) => severity === 'unsafe').length,
    },
  };
}
