import { expose } from 'comlink';
import { evaluateSite, lightSite, workingOf, type LightSite, type SiteEvaluation, type Subject } from '#core/evaluation';
import { planSheet, type PlanSheet } from '#core/sheet';
import type { Site } from '#core/site';
import type { Working } from '#core/working';

/** The last site that was evaluated, with its workings, which stay on this side until one is asked for. */
let last: { site: Site; evaluation: SiteEvaluation } | undefined;

const evaluator = {
  evaluate(site: Site): LightSite {
    last = { site, evaluation: evaluateSite(site) };
    return lightSite(last.evaluation);
  },
  why(subject: Subject): Working | null {
    return last ? workingOf(last.evaluation, subject) : null;
  },
  sheet(): PlanSheet | null {
    return last ? planSheet(last.site, last.evaluation) : null;
  },
};

export type Evaluator = typeof evaluator;
expose(evaluator);
