import { testDefinition, wireMaps as wireMapOutcomes, type QuantityTestId } from '#core/model/site';
import type { Trouble } from './causes';
import type { DiagnosisInput } from './looked';
import { continuity, pairTests, wireMaps } from './practice';
import { has, story, type Story, type TroubleSet } from './troubleSets';

const continuityOutcomes = ['through', 'open', 'shorted'] as const;

/** Chance of an outcome under the troubles that stand: each leaves the usual one to the others by its own share, and they share what is left. */
function rowFor<Row extends readonly number[]>(
  table: Readonly<Record<string, Row>>,
  set: TroubleSet,
  at: number,
): number {
  const rows = Object.entries(table).filter(
    ([trouble]) => trouble !== 'usual' && has(set, trouble as Trouble),
  );
  const usual = table['usual']!;
  if (rows.length === 0) return usual[at]!;
  const straight = rows.reduce((share, [, row]) => share * (row[0]! / usual[0]!), usual[0]!);
  if (at === 0) return straight;
  const left = rows.map(([, row]) => row.slice(1));
  const sum = left.flat().reduce((a, b) => a + b, 0);
  return ((1 - straight) * left.reduce((all, row) => all + row[at - 1]!, 0)) / sum;
}

/** Whether a figure keeps the limit in the row of its test. */
function isWithin(test: QuantityTestId, value: number): boolean {
  const { limit } = testDefinition(test);
  return !limit || (limit.sense === 'at-most' ? value <= limit.value : value >= limit.value);
}

/** What continuity, wire map and the figures of category cable tell. */
export function wiringStory({ readings }: DiagnosisInput): Story {
  const { continuity: through, 'wire-map': map } = readings;
  return story(
    ['open', 'short', 'joint', 'water', 'tap', 'split-pair', 'pair-wiring', 'pair-unbalance', 'coax-loss'],
    (set) => {
      let log = 0;
      if (through) log += Math.log(rowFor(continuity, set, continuityOutcomes.indexOf(through.found)));
      if (map) log += Math.log(rowFor(wireMaps, set, wireMapOutcomes.indexOf(map.found)));
      for (const [test, chances] of Object.entries(pairTests)) {
        const reading = readings[test as keyof typeof pairTests];
        if (!reading) continue;
        const keeps = Object.entries(chances).reduce(
          (chance, [trouble, of]) =>
            trouble !== 'usual' && has(set, trouble as Trouble) ? Math.min(chance, of) : chance,
          chances.usual as number,
        );
        log += Math.log(isWithin(reading.test, reading.value) ? keeps : 1 - keeps);
      }
      return log;
    },
  );
}
