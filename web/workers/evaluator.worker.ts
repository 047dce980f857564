import { expose } from 'comlink';
import { evaluateSite, lightNews, workingOf, type Before, type LightNews, type Subject } from '#core/evaluation';
import { planSheet, type PlanSheet } from '#core/sheet';
import { withChanges, type Change, type Site } from '#core/site';
import type { Working } from '#core/working';

/** The last site that was evaluated, with its workings, which stay on this side until one is asked for. */
let last: Before | undefined;

function evaluate(site: Site, before: Before | undefined): LightNews {
  const evaluation = evaluateSite(site, before);
  last = { site, evaluation };
  return lightNews(evaluation, before?.evaluation);
}

const evaluator = {
  /** Evaluates a site from scratch. */
  open(site: Site): LightNews {
    return evaluate(site, undefined);
  },
  /** Evaluates what has changed since, and tells only that. */
  follow(changes: Change[]): LightNews {
    if (!last) throw new Error('no site is open');
    return evaluate(withChanges(last.site, changes), last);
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
