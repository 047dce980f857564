import { pathOf, servedSiteSchema, sites } from '#contract';
import { expose } from 'comlink';
import {
  evaluateSite,
  runDiagnostics,
  type RunDiagnostics,
  initialPatch,
  summaryPatch,
  detailsOf,
  derivationOf,
  type Before,
  type Subject,
} from '#core/evaluate';
import { readingsByRun } from '#core/test/readings';
import { traceView, type TraceView } from '#core/test/findings';
import { planSheet, type PlanSheet } from '#core/documents';
import { chanceOfFailing } from '#core/decide/risk';
import { siteFromTrusted, withChanges, type Change, type OptionKind, type Site } from '#core/model/site';
import type { Derivation } from '#core/shared/derivation';

/** The last site that was evaluated, with its workings, which stay on this side until one is asked for. */
let last: Before | undefined;

function evaluate(site: Site, before: Before | undefined): Before {
  last = { site, evaluation: evaluateSite(site, before) };
  return last;
}

/**
 * A site and what is made of it pass between the threads as text. A thousand runs are a hundred thousand small objects,
 * and browsers write and read those as JSON faster than they copy them.
 */
const asText = (value: unknown): string => JSON.stringify(value);

/** A site as the server gave it, and the first news of it. */
export interface EarlySite {
  text: string;
  news: string;
}

const firstNewsOf = (site: Site): string => asText(initialPatch(evaluate(site, undefined).evaluation));

const evaluator = {
  /** Fetches a site and evaluates it; `null` where it cannot be had, for the page to find out why. */
  async fetchSite(id: string): Promise<EarlySite | null> {
    const response = await fetch(`/api${pathOf(sites.read.path, { id })}`);
    if (!response.ok) return null;
    const text = await response.text();
    return { text, news: firstNewsOf(siteFromTrusted(servedSiteSchema.parse(JSON.parse(text)).file)) };
  },
  /** Evaluates a site from scratch, given as text; what is made of it comes as text too, verdicts and options with `details`. */
  open(site: string): string {
    return firstNewsOf(JSON.parse(site) as Site);
  },
  details(): string {
    return asText(last ? detailsOf(last.evaluation) : {});
  },
  /** Evaluates what has changed since, and tells only that. */
  follow(changes: Change[]): string {
    if (!last) throw new Error('no site is open');
    const before = last;
    return asText(
      summaryPatch(evaluate(withChanges(before.site, changes), before).evaluation, before.evaluation),
    );
  },
  why(subject: Subject): Derivation | null {
    return last ? derivationOf(last.evaluation, subject) : null;
  },
  diagnostics(runId: string): RunDiagnostics | null {
    return last ? runDiagnostics(last, runId) : null;
  },
  traceView(runId: string): TraceView | null {
    const run = last?.site.run[runId];
    const reading = run && readingsByRun(last!.site).get(runId)?.reflectometer;
    return reading ? traceView(run, reading) : null;
  },
  chance(runId: string, option: OptionKind): number | null {
    const run = last?.evaluation.runs.find((one) => one.run.id === runId);
    return run ? chanceOfFailing(run, option) : null;
  },
  sheet(): PlanSheet | null {
    return last ? planSheet(last.site, last.evaluation) : null;
  },
};

export type Evaluator = typeof evaluator;
expose(evaluator);
