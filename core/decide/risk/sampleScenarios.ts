import { feasibleOption, type RunEvaluation } from '#core/decide/runEvaluation';
import { createNormal, createRandom } from '#core/shared/random';
import { lineKind } from '#core/test/findings';
import { asKnown, type Scenario } from '#core/test/scenarios';
import type { Margin, FeasibleOption } from '#core/decide/options';
import type { OptionKind, Site, TestId } from '#core/model/site';
import type { Status } from '#core/shared/derivation';
import { drawScenario } from './drawScenario';
import { dreadsSteel, optionLines, type OptionLine } from './optionLine';

/** How one camera fared in the scenarios that were drawn. */
export interface CameraRisk {
  cameraId: string;
  number: number;
  name: string;
  option: OptionKind;
  /** Share of scenarios in which what was chosen did not hold, and by which margin most often. */
  fails: number;
  by: string | null;
  /** How likely its coax is steel that was taken for copper, where what was chosen would feel it; else 0. */
  steelChance: number;
  /** The test that would tell beforehand, where one that was not done could. */
  test: TestId | null;
  /** Share of scenarios in which it changes what is done, and the hours of work that it saves on average. */
  tells: number;
  savesHours: number;
}

export interface Risk {
  drawn: number;
  seed: number;
  /** Share of scenarios in which some camera failed, and how many fail on average. */
  anyFails: number;
  failsOnAverage: number;
  cameras: CameraRisk[];
}

interface Chosen {
  run: RunEvaluation;
  option: FeasibleOption;
  isCoax: boolean;
  coaxRead: boolean;
  traced: boolean;
  line: OptionLine;
  /** How likely its coax is steel that was taken for copper; 0 where that would make no difference. */
  steelChance: number;
  fails: number;
  by: Map<Margin, number>;
}

/** The test that reads what a margin rests on. */
function testFor({ kind, unread }: Margin, { isCoax, coaxRead, traced }: Chosen): TestId | null {
  if (!unread) return null;
  switch (kind) {
    case 'watts':
      return isCoax && !coaxRead ? 'coax-loop-ohms' : null;
    case 'night-volts':
    case 'supply-setting':
      return 'night-volts';
    case 'link-rate':
    case 'radio-rate':
      return traced ? 'link' : 'reflectometer';
    case 'picture-loss':
    case 'light-loss':
    case 'light-reach':
    case 'channel':
    case 'clearance':
      return traced ? null : 'reflectometer';
    // They are there only once they were read, or no test reads them.
    case 'highest-volts':
      return 'day-volts';
    case 'insulation':
    case 'earth':
    case 'pair-test':
    case 'feed-amps':
    case 'start-volts':
    case 'view-angle':
    case 'pixels':
      return null;
  }
}

/** Hours that are lost when a choice fails after it was built: what was done is done again another way. Judgement: as long again and a journey. */
const lostHours = ({ hours }: FeasibleOption): number => hours + 2;

/** The runs of a site, all of them: what was found on one says something of others. */
interface Evaluated {
  site: Site;
  runs: readonly RunEvaluation[];
}

/**
 * The share of scenarios in which knowing beforehand changes what is done: none where it is sure either way, for what fails in all
 * of them is not built. Deciding against it without need is taken to lose as much as building it in vain.
 */
const worthKnowing = (fails: number): number => Math.min(fails, 1 - fails);

/** The cameras of a plan whose choice can be held against scenarios. */
function chosenOf({ site, runs }: Evaluated, options: Readonly<Record<string, OptionKind>>): Chosen[] {
  const lineOf = optionLines(site, runs);
  return runs.flatMap((run): Chosen[] => {
    const { camera, findings } = run;
    const wanted = options[camera.id];
    const option = wanted && feasibleOption(run, wanted);
    if (!option) return [];
    const traced = findings.verdicts.some(({ id, state }) => id === 'reflectometer' && state !== 'untested');
    const line = lineOf(run, option);
    return [
      {
        run,
        option,
        isCoax: lineKind(run.run) === 'coax',
        coaxRead: findings.coaxLoop.from === 'measured',
        traced,
        line,
        steelChance: line.belief && dreadsSteel(option) ? line.belief.steelChance : 0,
        fails: 0,
        by: new Map(),
      },
    ];
  });
}

/** Draws one scenario after another and tells of each which of the chosen fail in it, noting with them how often and by what. */
function drawing(chosen: readonly Chosen[], seed: number): () => number[] {
  const even = createRandom(seed);
  const gauss = createNormal(even);
  const chance = { even, gauss };
  const scenario: Scenario = { ...asKnown };
  return () => {
    const common = { loss: gauss(), load: gauss() };
    const failed: number[] = [];
    chosen.forEach((one, index) => {
      drawScenario(scenario, one.line, chance, common);
      const broken = one.option.margins.find((margin) => margin.under(scenario) > 1);
      if (!broken) return;
      failed.push(index);
      one.fails += 1;
      one.by.set(broken, (one.by.get(broken) ?? 0) + 1);
    });
    return failed;
  };
}

/** The margin that broke most often, and the test that reads what it rests on. */
function worstOf(one: Chosen): { worst: Margin | undefined; test: TestId | null } {
  const worst = [...one.by].sort((a, b) => b[1] - a[1])[0]?.[0];
  return { worst, test: worst ? testFor(worst, one) : null };
}

/**
 * Draws scenarios of a plan: figures that are not known exactly fall as their spread allows, and each chosen option is held
 * against its limits again. The same seed draws the same scenarios. It gives up the thread between portions, with what it
 * has by then, so that it can be watched and stopped.
 */
export function* sampleScenarios(
  evaluated: Evaluated,
  options: Readonly<Record<string, OptionKind>>,
  { count, seed, portion = 500 }: { count: number; seed: number; portion?: number },
): Generator<Risk> {
  const chosen = chosenOf(evaluated, options);
  const next = drawing(chosen, seed);
  let [drawn, any, all] = [0, 0, 0];
  while (drawn < count) {
    const until = Math.min(count, drawn + portion);
    for (; drawn < until; drawn += 1) {
      const failed = next().length;
      if (failed > 0) any += 1;
      all += failed;
    }
    yield {
      drawn,
      seed,
      anyFails: any / drawn,
      failsOnAverage: all / drawn,
      cameras: chosen
        .map((one): CameraRisk => {
          const { worst, test } = worstOf(one);
          const tells = test && worst ? worthKnowing((one.by.get(worst) ?? 0) / drawn) : 0;
          const { camera } = one.run;
          return {
            cameraId: camera.id,
            number: camera.number,
            name: camera.name,
            option: one.option.kind,
            fails: one.fails / drawn,
            by: worst?.label ?? null,
            steelChance: one.steelChance,
            test,
            tells,
            savesHours: tells * lostHours(one.option),
          };
        })
        .sort((a, b) => b.fails - a.fails || a.number - b.number),
    };
  }
}

/** A camera whose choice was held against scenarios, and the test that would tell beforehand how it fares. */
export interface DrawnCamera {
  run: RunEvaluation;
  option: FeasibleOption;
  test: TestId | null;
}

/** Which cameras fail in each of so many scenarios, by their places in the list of cameras. */
export function drawFailures(
  evaluated: Evaluated,
  options: Readonly<Record<string, OptionKind>>,
  { count, seed }: { count: number; seed: number },
): { cameras: DrawnCamera[]; failures: number[][] } {
  const chosen = chosenOf(evaluated, options);
  const next = drawing(chosen, seed);
  const failures = Array.from({ length: count }, next);
  return {
    cameras: chosen.map((one) => ({ run: one.run, option: one.option, test: worstOf(one).test })),
    failures,
  };
}

/** Past one in ten a choice is a gamble, from a fiftieth on it is worth a look. Judgement. */
export const gambleShare = 0.1;
export const riskStatus = (fails: number): Status =>
  fails > gambleShare ? 'fails' : fails > gambleShare / 5 ? 'close' : 'holds';

/** How many scenarios tell a single option's chance, and the seed they are drawn from. */
const singleDraws = { count: 2000, seed: 1, portion: 2000 };

/** How one option of a camera fares by itself. */
export const singleRisk = (evaluated: Evaluated, cameraId: string, option: OptionKind): Risk =>
  [...sampleScenarios(evaluated, { [cameraId]: option }, singleDraws)].at(-1)!;

/** The chance that one option of a camera does not hold once it is built: the share of scenarios in which it fails. */
export const chanceOfFailing = (evaluated: Evaluated, cameraId: string, option: OptionKind): number =>
  singleRisk(evaluated, cameraId, option).anyFails;

/** The run whose test is worth most before anybody signs; nothing where no test that is left would tell anything. */
export function mostWorthTesting({ cameras }: Risk): CameraRisk | null {
  return cameras.reduce<CameraRisk | null>(
    (a, b) => (b.test && b.savesHours > (a?.savesHours ?? 0) ? b : a),
    null,
  );
}
