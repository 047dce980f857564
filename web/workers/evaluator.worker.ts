import { expose } from 'comlink';
import type { DeviceGoal, PlanForDevice } from '#core/allocate/device';
import type { HookUps } from '#core/connect/hookUp';
import { servedSiteSchema } from '#contract';
import {
  boardPatch,
  derivationOf,
  detailsOf,
  evaluateSite,
  initialPatch,
  readingsExpected,
  runDiagnostics,
  summaryPatch,
  unreadTraces,
  withoutReadings,
  withTracesPending,
  type Before,
  type RunDiagnostics,
  type Subject,
  type SummaryPatch,
  hookUpOfCamera,
  networkAt,
  roomAt,
  weighRound,
  type SiteRound,
  type RoomPicture,
  type NetworkMoment,
  morningPicture,
  devicePlanAt,
  moveTask,
  nightsNow,
  agreementAt,
  doubtfulChoices,
  expectedByReadings,
  signOffOf,
  type SignOff,
  nightHelp,
  tasksNow,
  type NightHelp,
  type KnownChances,
  type MorningPicture,
  type Moved,
  type NightsNow,
  type WantedPlace,
} from '#core/evaluate';
import { orderList, pickList, type OrderRow, type PickRow } from '#core/cutover/lists';
import { nightCard, type NightCard } from '#core/cutover/card';
import { readingsByRun } from '#core/test/readings';
import { traceView, type TraceView } from '#core/test/findings';
import type { Offer } from '#core/decide/offer';
import { makePaper, paperContext, type Paper, type PaperId } from '#core/documents';
import { chanceOfFailing } from '#core/decide/risk';
import { expectedMarginInWords, type Agreement } from '#core/signoff/agreement';
import { siteFromTrusted, withChanges, type Change, type OptionKind, type Site } from '#core/model/site';
import type { Derivation } from '#core/shared/derivation';
import type { Measures } from '#core/shared/units';
import { inTurns } from './inTurns';
import { dateOf, nightClock } from './nightClock';
import { startReading, type TraceProgress } from './traces/traceProgress';

/** The site that is open, with the traces that are still being read. */
interface OpenSite {
  site: Site;
  traces: TraceProgress;
  /** Whether verdicts and options have been told; until then news leave them out. */
  isWhole: boolean;
}
let open: OpenSite | undefined;

/** What was evaluated last, with its workings, which stay on this side until one is asked for. */
let last: Before | undefined;

/** Chances of nights that were worked out, for as long as the site is open. */
const chances: KnownChances = new Map();

const nightsAt = ({ site, evaluation }: Before, now: number): NightsNow =>
  nightsNow(site, evaluation, dateOf(now), nightClock(now), chances);

/** What readings say together, worked out once for what was evaluated last. */
let agreed: { of: Before; agreement: Agreement } | undefined;
function agreementOn(of: Before): Agreement {
  if (agreed?.of !== of) agreed = { of, agreement: agreementAt(of.site, of.evaluation) };
  return agreed.agreement;
}

/** What readings of other runs say of a figure of an option. */
export interface Learned {
  words: string;
  /** Whether it holds all the same. */
  isSure: boolean;
}

/** Of which day papers are, in whose measures, and what the addresses of pages of runs begin with. */
export interface PaperAsked {
  on: string;
  measures: Measures;
  pages: string;
  /** Of one night only, by its date. */
  night?: string;
}

/** What papers of the site as it was evaluated last are made from, so that its offer is worked out once for all of them. */
let paperBase: { of: Before; key: string; context: ReturnType<typeof paperContext> } | undefined;
function papersOf(of: Before, asked: PaperAsked): ReturnType<typeof paperContext> {
  const key = JSON.stringify(asked);
  if (paperBase?.of !== of || paperBase.key !== key) {
    const { pages, ...moment } = asked;
    const context = paperContext(of.site, of.evaluation, {
      ...moment,
      clock: nightClock(Date.now()),
      pageOf: (runId) => `${pages}${runId}`,
    });
    paperBase = { of, key, context };
  }
  return paperBase.context;
}

/** Fewer unread traces than these are read here: threads take longer to start. */
const fewTraces = 12;

/**
 * A site and what is made of it pass between the threads as text. A thousand runs are a hundred thousand small objects,
 * and browsers write and read those as JSON faster than they copy them.
 */
const asText = (value: unknown): string => JSON.stringify(value);

/** Evaluates the open site as far as its traces have been read. */
function evaluate({ site, traces }: OpenSite, before: Before | undefined): Before {
  const readable = withoutReadings(site, new Set(traces.pending.keys()));
  last = { site: readable, evaluation: evaluateSite(readable, before) };
  return last;
}

/** News of the open site; runs whose traces are still being read are not judged in it. */
function newsOf({ traces }: OpenSite, patch: SummaryPatch): string {
  const runIds = new Set([...traces.pending.values()].map(({ run }) => run.id));
  return asText(withTracesPending(patch, runIds));
}

function openSite(site: Site): string {
  const unread = unreadTraces(site);
  open = { site, traces: startReading(unread.length > fewTraces ? unread : []), isWhole: false };
  return newsOf(open, initialPatch(evaluate(open, undefined).evaluation));
}

/** Evaluates the open site again and tells what is new. */
function newsSince(now: OpenSite): string {
  const before = last!;
  const { evaluation } = evaluate(now, before);
  const patch = now.isWhole ? summaryPatch : boardPatch;
  return newsOf(now, patch(evaluation, before.evaluation));
}

/** What is new, and how many traces are still being read. */
export interface TraceNews {
  news: string;
  left: number;
}

const evaluator = {
  /** Opens a site as the server answered it. */
  openServed: (answer: string): string =>
    openSite(siteFromTrusted(servedSiteSchema.parse(JSON.parse(answer)).file)),
  /** What is asked before anybody signs, and what was read of it. */
  signOff: (): SignOff | null => (last ? signOffOf(last.site, last.evaluation) : null),
  /** What readings of other runs say of an option, a sentence a figure. */
  learned: (runId: string, option: OptionKind): Learned[] =>
    last
      ? expectedByReadings(last.site, last.evaluation, agreementOn(last), runId, option).map((one) => ({
          words: expectedMarginInWords(one),
          isSure: one.meets === 'surely',
        }))
      : [],
  /** What was chosen and is not expected to hold for sure, by what was read of other runs. */
  doubts: (): string[] => (last ? doubtfulChoices(last.site, last.evaluation, agreementOn(last)) : []),
  /** Evaluates a site from scratch, given as text; what is made of it comes as text too, verdicts and options with `details`. */
  open: (site: string): string => openSite(JSON.parse(site) as Site),
  details(): string {
    if (!open || !last) return asText({});
    open.isWhole = true;
    return asText(detailsOf(last.evaluation));
  },
  /** Evaluates what has changed since, and tells only that. */
  follow(changes: Change[]): string {
    if (!open) throw new Error('no site is open');
    open.site = withChanges(open.site, changes);
    return newsSince(open);
  },
  /** Waits for more of the traces that are being read; `null` where all have been. */
  async nextTraces(): Promise<TraceNews | null> {
    const now = open;
    if (!now || !(await now.traces.next()) || now !== open) return null;
    return { news: newsSince(now), left: now.traces.pending.size };
  },
  why(subject: Subject): Derivation | null {
    return last ? derivationOf(last.site, last.evaluation, subject) : null;
  },
  diagnostics(runId: string): RunDiagnostics | null {
    return last ? runDiagnostics(last, runId) : null;
  },
  expected(runId: string): ReturnType<typeof readingsExpected> | null {
    return last ? readingsExpected(last, runId) : null;
  },
  /** The tests of the whole site that tell most in so many minutes. */
  async round(minutesMost: number): Promise<SiteRound | null> {
    return last ? inTurns(weighRound(last, minutesMost)) : null;
  },
  traceView(runId: string): TraceView | null {
    const run = open?.site.run[runId];
    const reading = run && readingsByRun(open!.site).get(runId)?.reflectometer;
    return reading ? traceView(run, reading) : null;
  },
  chance(runId: string, option: OptionKind): number | null {
    const run = last?.evaluation.runs.find((one) => one.run.id === runId);
    if (!last || !run) return null;
    return chanceOfFailing({ site: last.site, runs: last.evaluation.runs }, run.camera.id, option);
  },
  network(moment: NetworkMoment): ReturnType<typeof networkAt> | null {
    return last ? networkAt(last.site, last.evaluation, moment) : null;
  },
  rooms(moment: NetworkMoment): RoomPicture | null {
    return last ? roomAt(last.site, last.evaluation, moment) : null;
  },
  hookUp(cameraId: string, gauge: 'awg' | 'mm2'): HookUps | null {
    return last ? hookUpOfCamera(last.site, last.evaluation, cameraId, gauge) : null;
  },
  nights: (now: number): NightsNow | null => (last ? nightsAt(last, now) : null),
  moveTask: (now: number, taskId: string, wanted: WantedPlace): Moved | null =>
    last ? moveTask(last.site, last.evaluation, nightsAt(last, now), taskId, wanted) : null,
  nightHelp: (now: number, date: string): NightHelp[] =>
    last ? nightHelp(last.site, last.evaluation, nightsAt(last, now), date) : [],
  devicePlan: (recorderId: string, goal: DeviceGoal): PlanForDevice | null =>
    last ? devicePlanAt(last.site, last.evaluation, recorderId, goal) : null,
  pickList: (cameraIds: string[]): PickRow[] =>
    last ? pickList(last.site, last.evaluation.runs, new Set(cameraIds)) : [],
  orderList(nightOfCamera: [string, string][]): OrderRow[] {
    if (!last) return [];
    const { runs, total } = last.evaluation;
    return orderList(last.site, runs, total, new Map(nightOfCamera));
  },
  nightCard(taskId: string): NightCard | null {
    if (!last) return null;
    const { tasks, migration } = tasksNow(last.site, last.evaluation, null);
    const task = tasks.find(({ id }) => id === taskId);
    return task ? nightCard(last.site, last.evaluation.runs, migration, task) : null;
  },
  morning: (done: string[]): MorningPicture | null =>
    last ? morningPicture(last.site, last.evaluation, done) : null,
  paper: (id: PaperId, asked: PaperAsked): Paper | null =>
    last ? makePaper(id, papersOf(last, asked)) : null,
  offer: (asked: PaperAsked): Offer | null => (last ? papersOf(last, asked).offer() : null),
};

export type Evaluator = typeof evaluator;
expose(evaluator);
