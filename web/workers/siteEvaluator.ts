import type { DeviceGoal } from '#core/allocate/device';
import type { PaperId } from '#core/documents';
import {
  boardPatch,
  detailsOf,
  evaluateSite,
  initialPatch,
  summaryPatch,
  unreadTraces,
  withoutReadings,
  withTracesPending,
  type Before,
  type NetworkMoment,
  type RoundAim,
  type Subject,
  type SummaryPatch,
  type WantedPlace,
} from '#core/evaluate';
import { siteFromTrusted, withChanges, type Change, type OptionKind, type Site } from '#core/model/site';
import { servedSiteSchema } from '#contract';
import { missingPart } from './missingPart';
import type { OpenedSite } from './openedSite';
import type { PaperAsked } from './questions';
import type * as Questions from './questions';
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

/**
 * What a view asks of the site as it was evaluated last, or `without` where none is open. The program for it comes
 * before verdicts and options do, or with the first such question.
 */
async function asked<T, Without>(
  ask: (questions: typeof Questions, at: Before) => T,
  without: Without,
): Promise<Awaited<T> | Without> {
  const questions = await import('./questions').catch(() => {
    throw Object.assign(new Error('a part of the program could not be fetched'), { name: missingPart });
  });
  return last ? await ask(questions, last) : without;
}

/** Everything that the page may ask of the thread, which was `opened` at a site or at none. */
export const siteEvaluator = (opened: Promise<OpenedSite | null>) => ({
  /** The site that the page was opened at; `null` where it cannot be had. */
  opened: () => opened,
  /** Works out the site that the page was opened at. Throws where there is none, or where the page has gone on to another. */
  async openOpened(): Promise<string> {
    const site = await opened;
    if (!site) throw new Error('the page was opened at no site');
    // The page takes the site in meanwhile: it is told of it before this thread has no time for anybody.
    await new Promise((resolve) => setTimeout(resolve));
    if (open) throw new Error('another site is open');
    return openSite(siteFromTrusted(servedSiteSchema.parse(JSON.parse(site.answer)).file));
  },
  /** What is asked before anybody signs, and what was read of it. */
  signOff: () => asked(({ signOffOf }, { site, evaluation }) => signOffOf(site, evaluation), null),
  /** What readings of other runs say of an option, a sentence a figure. */
  learned: (runId: string, option: OptionKind) =>
    asked(({ learnedOf }, at) => learnedOf(at, runId, option), []),
  /** What was chosen and is not expected to hold for sure, by what was read of other runs. */
  doubts: () => asked(({ doubtsOf }, at) => doubtsOf(at), []),
  /** Evaluates a site from scratch, given as text; what is made of it comes as text too, verdicts and options with `details`. */
  open: (site: string): string => openSite(JSON.parse(site) as Site),
  /**
   * Verdicts and options, once what views ask beside them is here too: whoever sees a stage may ask, and the server may
   * be gone by then.
   */
  async details(): Promise<string> {
    await import('./questions').catch(() => undefined);
    if (!open || !last) return asText({});
    open.isWhole = true;
    return asText(detailsOf(last.evaluation));
  },
  /** All that was told of the open site so far, once more. */
  everything(): string {
    if (!open || !last) throw new Error('no site is open');
    return newsOf(open, (open.isWhole ? summaryPatch : initialPatch)(last.evaluation));
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
  why: (subject: Subject) =>
    asked(({ derivationOf }, { site, evaluation }) => derivationOf(site, evaluation, subject), null),
  diagnostics: (runId: string) => asked(({ runDiagnostics }, at) => runDiagnostics(at, runId), null),
  expected: (runId: string) => asked(({ readingsExpected }, at) => readingsExpected(at, runId), null),
  /** The tests of the whole site that tell, or save, most in so many minutes. */
  round: (minutesMost: number, aim: RoundAim) =>
    asked(({ roundAt }, at) => roundAt(at, minutesMost, aim), null),
  traceView: (runId: string) =>
    asked(({ traceViewOf }) => (open ? traceViewOf(open.site, runId) : null), null),
  chance: (runId: string, option: OptionKind) =>
    asked(({ chanceOf }, at) => chanceOf(at, runId, option), null),
  network: (moment: NetworkMoment) =>
    asked(({ networkAt }, { site, evaluation }) => networkAt(site, evaluation, moment), null),
  rooms: (moment: NetworkMoment) =>
    asked(({ roomAt }, { site, evaluation }) => roomAt(site, evaluation, moment), null),
  hookUp: (cameraId: string, gauge: 'awg' | 'mm2') =>
    asked(
      ({ hookUpOfCamera }, { site, evaluation }) => hookUpOfCamera(site, evaluation, cameraId, gauge),
      null,
    ),
  nights: (now: number) => asked(({ nightsAt }, at) => nightsAt(at, now), null),
  moveTask: (now: number, taskId: string, wanted: WantedPlace) =>
    asked(({ moveTaskAt }, at) => moveTaskAt(at, now, taskId, wanted), null),
  nightHelp: (now: number, date: string) => asked(({ nightHelpAt }, at) => nightHelpAt(at, now, date), []),
  devicePlan: (recorderId: string, goal: DeviceGoal) =>
    asked(({ devicePlanAt }, { site, evaluation }) => devicePlanAt(site, evaluation, recorderId, goal), null),
  pickList: (cameraIds: string[]) => asked(({ pickListOf }, at) => pickListOf(at, cameraIds), []),
  orderList: (nightOfCamera: [string, string][]) =>
    asked(({ orderListOf }, at) => orderListOf(at, nightOfCamera), []),
  nightCard: (taskId: string) => asked(({ nightCardOf }, at) => nightCardOf(at, taskId), null),
  morning: (done: string[]) =>
    asked(({ morningPicture }, { site, evaluation }) => morningPicture(site, evaluation, done), null),
  paper: (id: PaperId, of: PaperAsked) => asked(({ paperOf }, at) => paperOf(at, id, of), null),
  offer: (of: PaperAsked) => asked(({ offerOf }, at) => offerOf(at, of), null),
});

export type Evaluator = ReturnType<typeof siteEvaluator>;
