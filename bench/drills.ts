import {
  answerAfter,
  bestPath,
  fixedOrder,
  generateDrill,
  newPlay,
  scoreOf,
  testsAtHand,
  type DrillLevel,
} from '#core/test/drills';
import type { Row } from './measure';

const played = 200;
const drawn = 1000;
const mean = (values: readonly number[]): number => values.reduce((sum, one) => sum + one, 0) / values.length;
const levelOf = (k: number): DrillLevel => ((k % 5) + 1) as DrillLevel;
const seedOf = (k: number): string => `B${k.toString(36).toUpperCase().padStart(3, '0')}`;

/** Drills that are drawn: how long that takes, and what the program’s own next test is worth against a list that is worked off. */
export function drills(): Row[] {
  const from = performance.now();
  const all = Array.from({ length: drawn }, (_, k) => generateDrill(levelOf(k), seedOf(k)));
  const drawSeconds = (performance.now() - from) / 1000;
  const begin = performance.now();
  testsAtHand(newPlay(generateDrill(3, 'BEGIN')));
  const startMs = performance.now() - begin;
  const scores = all.slice(0, played).map((drill) => {
    const best = bestPath(drill);
    const listed = fixedOrder(drill);
    return {
      best: scoreOf(best, answerAfter(best), best).total,
      listed: scoreOf(listed, answerAfter(listed), best).total,
    };
  });
  const [best, listed] = [mean(scores.map((one) => one.best)), mean(scores.map((one) => one.listed))];
  return [
    {
      figure: 'a drill from its code to its first test',
      measured: `${startMs.toFixed(0)} ms`,
      wanted: '1000 ms',
      holds: startMs <= 1000,
    },
    {
      figure: `${drawn} drills drawn, each one that can be solved`,
      measured: `${drawSeconds.toFixed(1)} s`,
      wanted: '10 s',
      holds: drawSeconds <= 10,
    },
    {
      figure: `points of the best way over ${played} drills; of the list in order`,
      measured: `${best.toFixed(1)}; ${listed.toFixed(1)}`,
      wanted: '85, and less',
      holds: best >= 85 && listed < best,
    },
  ];
}
