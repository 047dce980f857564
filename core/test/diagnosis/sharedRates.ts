import type { Run, TestId } from '#core/model/site';
import type { RunReadings } from '#core/test/readings';
import type { Belief, Trouble } from './causes';
import type { SharedRate, SharedRates } from './looked';
import { rates, sharing } from './practice';

/** Another run, what was read of it, and what is believed of it by its own readings, worked out when it is asked for. */
export interface OtherRun {
  run: Run;
  readings: RunReadings;
  belief: () => Belief;
}

/** So many runs that are alike are asked; more of them hardly shift a rate, and a large site has hundreds. */
const mostAsked = 30;

/** Constructions of the coax as noted, each with what stands on its jacket; without a print nobody knows that two are alike. */
const coaxMarks = ({ segments }: Run): string[] =>
  segments.flatMap(({ cable, print }) => (print ? [`${cable} ${print}`] : []));
/** Constructions of the cores that feed the camera. */
function coreMarks({ feed, segments }: Run): string[] {
  if (feed.kind === 'separate-pair') return [feed.cable];
  return segments.flatMap(({ leg }) => (leg.kind === 'cores' ? [leg.cable] : []));
}
const routes = ({ segments }: Run): string[] => segments.flatMap(({ routeIds = [] }) => routeIds);

interface Common {
  trouble: Trouble;
  /** Tests that tell whether a run has it: one on which none of them was done says nothing of the others. */
  toldBy: readonly TestId[];
  marksOf: (run: Run) => string[];
  /** How many runs the rate of practice counts for: the fewer, the more alike runs with a common mark are. */
  strength: number;
  words: string;
}

const commons: readonly Common[] = [
  {
    trouble: 'coax-construction',
    toldBy: ['coax-loop-ohms'],
    marksOf: coaxMarks,
    strength: sharing.construction,
    words: 'with the same cable and print',
  },
  {
    trouble: 'power-construction',
    toldBy: ['power-loop-ohms'],
    marksOf: coreMarks,
    strength: sharing.cores,
    words: 'with the same power cores',
  },
  {
    trouble: 'water',
    toldBy: ['insulation-megohms', 'reflectometer'],
    marksOf: routes,
    strength: sharing.route,
    words: 'on the same route',
  },
];

/** From so much another run counts as having it, in words. */
const likely = 0.5;

/** Runs that were tested for it, by what they have in common with others. */
function byMark(all: readonly OtherRun[], { marksOf, toldBy }: Common): Map<string, OtherRun[]> {
  const index = new Map<string, OtherRun[]>();
  for (const one of all.filter(({ readings }) => toldBy.some((test) => readings[test] !== undefined)))
    for (const mark of new Set(marksOf(one.run))) {
      const alike = index.get(mark);
      if (alike) alike.push(one);
      else index.set(mark, [one]);
    }
  return index;
}

/**
 * Chances of troubles that runs of a site have in common, after what was found on the others: a rate that is itself not known, a
 * Beta distribution about the rate of practice, fitted by how likely each of the others has the trouble.
 * Source: mean of a Beta posterior, (r·k + Σ p)/(k + n).
 */
export function sharedRates(others: readonly OtherRun[]): (own: Run) => SharedRates {
  const indexed = commons.map((common) => ({ ...common, index: byMark(others, common) }));
  return (own) =>
    Object.fromEntries(
      indexed.flatMap(({ trouble, marksOf, strength, words, index }): [Trouble, SharedRate][] => {
        const alike = [...new Set(marksOf(own).flatMap((mark) => index.get(mark) ?? []))]
          .filter(({ run }) => run.id !== own.id)
          .slice(0, mostAsked);
        if (alike.length === 0) return [];
        const chances = alike.map(({ belief }) => belief()[trouble]);
        const found = chances.reduce((sum, chance) => sum + chance, 0);
        const have = chances.filter((chance) => chance >= likely).length;
        return [
          [
            trouble,
            {
              rate: (rates[trouble] * strength + found) / (strength + alike.length),
              message: `${have} of ${alike.length} tested runs ${words} have it`,
            },
          ],
        ];
      }),
    );
}
