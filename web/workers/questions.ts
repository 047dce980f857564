import { nightCard, type NightCard } from '#core/cutover/card';
import { orderList, pickList, type OrderRow, type PickRow } from '#core/cutover/lists';
import { chanceOfFailing } from '#core/decide/risk';
import type { Offer } from '#core/decide/offer';
import { makePaper, paperContext, type Paper, type PaperId } from '#core/documents';
import {
  agreementAt,
  doubtfulChoices,
  expectedByReadings,
  moveTask,
  nightHelp,
  nightsNow,
  tasksNow,
  weighRound,
  type Before,
  type KnownChances,
  type Moved,
  type NightHelp,
  type NightsNow,
  type RoundAim,
  type SiteRound,
  type WantedPlace,
} from '#core/evaluate';
import type { OptionKind, Site } from '#core/model/site';
import type { Measures } from '#core/shared/units';
import { expectedMarginInWords, type Agreement } from '#core/signoff/agreement';
import { traceView, type TraceView } from '#core/test/findings';
import { readingsByRun } from '#core/test/readings';
import { inTurns } from './inTurns';
import { dateOf, nightClock } from './nightClock';
import { weighInThreads } from './rounds/weighInThreads';

export {
  derivationOf,
  readingsExpected,
  runDiagnostics,
  devicePlanAt,
  hookUpOfCamera,
  morningPicture,
  networkAt,
  roomAt,
  signOffOf,
} from '#core/evaluate';

export async function roundAt(at: Before, minutesMost: number, aim: RoundAim): Promise<SiteRound> {
  if (aim === 'tell') await weighInThreads(at);
  return inTurns(weighRound(at, minutesMost, aim));
}

export function traceViewOf(site: Site, runId: string): TraceView | null {
  const run = site.run[runId];
  const reading = run && readingsByRun(site).get(runId)?.reflectometer;
  return reading ? traceView(run, reading) : null;
}

export function chanceOf({ site, evaluation }: Before, runId: string, option: OptionKind): number | null {
  const run = evaluation.runs.find((one) => one.run.id === runId);
  return run ? chanceOfFailing({ site, runs: evaluation.runs }, run.camera.id, option) : null;
}

/** Chances of nights that were worked out, for as long as the site is open. */
const chances: KnownChances = new Map();

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

export const learnedOf = (at: Before, runId: string, option: OptionKind): Learned[] =>
  expectedByReadings(at.site, at.evaluation, agreementOn(at), runId, option).map((one) => ({
    words: expectedMarginInWords(one),
    isSure: one.meets === 'surely',
  }));

export const doubtsOf = (at: Before): string[] => doubtfulChoices(at.site, at.evaluation, agreementOn(at));

export const nightsAt = ({ site, evaluation }: Before, now: number): NightsNow =>
  nightsNow(site, evaluation, dateOf(now), nightClock(now), chances);

export const moveTaskAt = (at: Before, now: number, taskId: string, wanted: WantedPlace): Moved | null =>
  moveTask(at.site, at.evaluation, nightsAt(at, now), taskId, wanted);

export const nightHelpAt = (at: Before, now: number, date: string): NightHelp[] =>
  nightHelp(at.site, at.evaluation, nightsAt(at, now), date);

export function nightCardOf({ site, evaluation }: Before, taskId: string): NightCard | null {
  const { tasks, migration } = tasksNow(site, evaluation, null);
  const task = tasks.find(({ id }) => id === taskId);
  return task ? nightCard(site, evaluation.runs, migration, task) : null;
}

export const pickListOf = ({ site, evaluation }: Before, cameraIds: string[]): PickRow[] =>
  pickList(site, evaluation.runs, new Set(cameraIds));

export const orderListOf = (
  { site, evaluation: { runs, total } }: Before,
  nightOfCamera: [string, string][],
): OrderRow[] => orderList(site, runs, total, new Map(nightOfCamera));

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

export const paperOf = (at: Before, id: PaperId, asked: PaperAsked): Paper | null =>
  makePaper(id, papersOf(at, asked));

export const offerOf = (at: Before, asked: PaperAsked): Offer | null => papersOf(at, asked).offer();
