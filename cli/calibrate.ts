import { diagnosisInput, sharedBy } from '#core/decide/belief';
import { evaluateSite } from '#core/evaluate';
import type { Site } from '#core/model/site';
import { symptomWords } from '#core/model/site';
import { beforeMending, fitted, type Fitted, type OpenedUp } from '#core/test/calibrate';
import {
  causeWords,
  diagnose,
  scoreOf,
  type JudgementScore,
  type KnownRun,
  type SaidOfRun,
} from '#core/test/diagnosis';
import { readingsByRun } from '#core/test/readings';
import type { Said } from './command';
import { siteIn } from './siteFiles';

export const calibrateUsage = 'npm run calibrate -- SITE.neotrope.json[.gz]… [--json]';

/** A run that was opened up, with what had been said of it until then. */
interface Judged extends OpenedUp {
  known: KnownRun;
  said: SaidOfRun;
}

/** Runs of a site that were opened up, as they were read and judged before. */
function judgedOn(after: Site, mark: string): Judged[] {
  const { site, known } = beforeMending(after);
  const readings = readingsByRun(site);
  const { runs } = evaluateSite(site);
  const sharedFor = sharedBy(site, runs, readings);
  const byId = new Map(runs.map((one) => [one.run.id, one]));
  return known.map((one): Judged => {
    const evaluation = byId.get(one.run)!;
    const looked = diagnosisInput(site, evaluation, readings.get(one.run) ?? {}, sharedFor(evaluation.run));
    const { ranked } = diagnose(looked, site.place[evaluation.camera.placeId]!);
    const run = `${mark}${one.run}`;
    const causes = ranked.map(({ cause, probability }) => ({ cause, probability, atM: null, spreadM: null }));
    return {
      looked,
      found: one.troubles.flatMap(({ cause }) => (cause === 'sound' ? [] : [cause])),
      known: { ...one, run },
      said: { run, causes },
    };
  });
}

const percent = (share: number): string => `${(100 * share).toFixed(1)} %`;

function wordsOf({ of }: Fitted): string {
  switch (of.kind) {
    case 'rate':
      return `${causeWords[of.trouble].label} is there`;
    case 'shows':
      return `${causeWords[of.trouble].label} shows as ${symptomWords[of.symptom].label.toLowerCase()}`;
    case 'invented':
      return 'A symptom is seen that nothing made';
  }
}

/** A chance that moves by less than this share of itself is as it was. */
const worthALine = 0.05;

function report(judged: number, score: JudgementScore, changes: readonly Fitted[]): string {
  const telling = changes.filter(({ was, would }) => Math.abs(would - was) > worthALine * was);
  const rows = telling.map((one) =>
    [
      wordsOf(one).padEnd(48),
      percent(one.was).padStart(8),
      percent(one.would).padStart(8),
      `${one.seen} of ${one.among}`.padStart(12),
    ].join('  '),
  );
  return [
    `${judged} runs were opened up. Named rightly: ${percent(score.right)}; of the faulty ones ${percent(score.faultyRight)}.`,
    `Made up on sound runs: ${percent(score.madeUp)}; faulty ones called sound: ${percent(score.calledSound)}.`,
    `What is said is off from what was found by ${score.calibrationError.toFixed(3)} on average.`,
    '',
    rows.length === 0
      ? 'No chance of the practice would change by a twentieth.'
      : ['What the practice holds, what it would hold, and what was found:', ...rows].join('\n'),
    '',
    'Nothing is changed by this. The chances stand in core/test/diagnosis/practice.ts.',
  ].join('\n');
}

/**
 * Holds what was said of runs against what they were found to have, over site files, and says what the chances of the practice would be
 * after it.
 * @returns status 0, or 2 for bad input
 */
export function calibrateOn(args: readonly string[], readFile: (file: string) => string): Said {
  const refused = (...errors: string[]): Said => ({ status: 2, out: '', errors });
  const files = args.filter((arg) => !arg.startsWith('-'));
  const unknown = args.find((arg) => arg.startsWith('-') && arg !== '--json');
  if (unknown) return refused(`${unknown} is not understood; ${calibrateUsage}`);
  if (files.length === 0) return refused(`no site file named; ${calibrateUsage}`);
  const judged: Judged[] = [];
  for (const [index, file] of files.entries()) {
    const site = siteIn(file, readFile);
    if (Array.isArray(site)) return refused(...site);
    judged.push(...judgedOn(site, `${index}/`));
  }
  if (judged.length === 0)
    return refused('no run of these sites was opened up yet: note what it was under Test, Cause');
  const score = scoreOf(
    judged.map(({ known }) => known),
    judged.map(({ said }) => said),
  );
  const changes = fitted(judged);
  const out = args.includes('--json')
    ? JSON.stringify({ runs: judged.length, score, changes }, null, 1)
    : report(judged.length, score, changes);
  return { status: 0, out, errors: [] };
}
