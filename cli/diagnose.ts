import { diagnosisInput, sharedBy } from '#core/decide/belief';
import { evaluateSite } from '#core/evaluate';
import { aboutOf, type Site } from '#core/model/site';
import { formatQuantity } from '#core/shared/units';
import { diagnose, type Diagnosis } from '#core/test/diagnosis';
import { readingsByRun } from '#core/test/readings';
import type { Said } from './command';
import { siteIn } from './siteFiles';

export const diagnoseUsage = 'npm run diagnose -- SITE.neotrope.json[.gz] [--run ID] [--json]';

interface Asked {
  file: string;
  run?: string;
  asJson: boolean;
}

function read(args: readonly string[]): Asked | string {
  const asked: Asked = { file: '', asJson: false };
  for (let at = 0; at < args.length; at += 1) {
    const arg = args[at]!;
    if (arg === '--json') asked.asJson = true;
    else if (arg === '--run') {
      const run = args[(at += 1)];
      if (run === undefined) return '--run needs the id of a run';
      asked.run = run;
    } else if (arg.startsWith('-')) return `${arg} is not understood; ${diagnoseUsage}`;
    else if (asked.file) return `one site file at a time; ${diagnoseUsage}`;
    else asked.file = arg;
  }
  return asked.file ? asked : `no site file named; ${diagnoseUsage}`;
}

/** What is said of a run, for other programs. */
export interface SaidDiagnosis {
  run: string;
  /** Every cause, the likeliest first: how likely it is present, and where, with one standard deviation. */
  causes: { cause: string; probability: number; atM: number | null; spreadM: number | null }[];
  /** Which troubles stand together, the likeliest first. */
  sets: { causes: string[]; probability: number }[];
  message: string;
  /** Readings that contradict physics or what is noted. */
  contradictions: string[];
}

const rounded = (value: number, digits: number): number => Number(value.toFixed(digits));

function saidOf(run: string, { ranked, sets, message, contradictions }: Diagnosis): SaidDiagnosis {
  return {
    run,
    causes: ranked.map(({ cause, probability, where }) => ({
      cause,
      probability: rounded(probability, 5),
      atM: where && rounded(where.atM, 2),
      spreadM: where && rounded(where.spreadM, 2),
    })),
    sets: sets.map(({ troubles, probability }) => ({
      causes: troubles.length === 0 ? ['sound'] : troubles,
      probability: rounded(probability, 5),
    })),
    message,
    contradictions,
  };
}

/** Below this a cause is not worth a word on a line. */
const worthALine = 0.1;

function lines(site: Site, { run: id, causes, message, contradictions }: SaidDiagnosis): string[] {
  const run = site.run[id]!;
  const camera = site.camera[run.cameraId]!;
  const named = causes
    .filter(({ probability }, index) => index === 0 || probability >= worthALine)
    .map(
      ({ cause, probability, atM }) =>
        `${cause} ${Math.round(100 * probability)} %${atM === null ? '' : ` at ${formatQuantity(atM, 'm')}`}`,
    );
  const indented = [named.join(', '), ...contradictions].map((line) => `      ${line}`);
  return [`${String(camera.number).padStart(4)}  ${camera.name}: ${message}`, ...indented];
}

/**
 * Says what is most likely wrong with the runs of a site file, with the core that the screens use.
 * @returns status 0, or 2 for bad input
 */
export function diagnoseFile(args: readonly string[], readFile: (file: string) => string): Said {
  const refused = (...errors: string[]): Said => ({ status: 2, out: '', errors });
  const asked = read(args);
  if (typeof asked === 'string') return refused(asked);
  const site = siteIn(asked.file, readFile);
  if (Array.isArray(site)) return refused(...site);
  if (asked.run !== undefined && !site.run[asked.run])
    return refused(`--run is ${asked.run}, allowed: a run of ${aboutOf(site).name}`);
  const readings = readingsByRun(site);
  const { runs } = evaluateSite(site);
  const sharedFor = sharedBy(site, runs, readings);
  const said = runs
    .filter(({ run }) => asked.run === undefined || run.id === asked.run)
    .map((one) => {
      const looked = diagnosisInput(site, one, readings.get(one.run.id) ?? {}, sharedFor(one.run));
      return saidOf(one.run.id, diagnose(looked, site.place[one.camera.placeId]!));
    });
  return {
    status: 0,
    out: asked.asJson
      ? JSON.stringify({ runs: said }, null, 1)
      : said.flatMap((one) => lines(site, one)).join('\n'),
    errors: [],
  };
}
