import type { TestId } from '#core/model/site';

/** A test that could be done on a round: where, how long it takes there, and what it is worth, in bits that it tells or hours that it saves. */
export interface RoundTest {
  runId: string;
  testId: TestId;
  /** At the recorder, or up at the camera, which takes a way and a ladder. */
  at: 'recorder' | 'camera';
  placeId: string;
  minutes: number;
  worth: number;
}

/** A place that is gone to once, with everything that is done there. */
export interface RoundStop {
  at: RoundTest['at'];
  placeId: string;
  /** To go there and back, and to set up and take down what reaches it. */
  setUpMinutes: number;
  minutes: number;
  tests: RoundTest[];
}

export interface Round {
  stops: RoundStop[];
  minutes: number;
  worth: number;
}

/** The best tests of one place for every number of whole minutes: their worth, and which they are. */
interface Best {
  worth: number[];
  taken: number[][];
}

/** Fills so many minutes with tests of one place, each once. Exact, by whole minutes. Source: 0/1 knapsack by dynamic programming. */
function bestOf(tests: readonly RoundTest[], minutesMost: number): Best {
  const worth = new Array<number>(minutesMost + 1).fill(0);
  const taken = worth.map((): number[] => []);
  for (const [index, test] of tests.entries()) {
    const minutes = Math.max(1, Math.ceil(test.minutes));
    for (let at = minutesMost; at >= minutes; at -= 1) {
      const sum = worth[at - minutes]! + test.worth;
      if (sum <= worth[at]! + 1e-12) continue;
      worth[at] = sum;
      taken[at] = [...taken[at - minutes]!, index];
    }
  }
  return { worth, taken };
}

const stopOf = ({ at, placeId }: Pick<RoundTest, 'at' | 'placeId'>): string => `${at} ${placeId}`;

const minutesOf = (tests: readonly RoundTest[]): number =>
  tests.reduce((sum, { minutes }) => sum + Math.max(1, Math.ceil(minutes)), 0);

/**
 * The tests that are worth most in the time at hand, with the places that have to be gone to. Cameras of a place cost its way and its
 * ladder once, from the head end and back; what is done at the recorder costs none. Exact to the whole minute: minutes are rounded up.
 */
export function planRound(
  tests: readonly RoundTest[],
  setUpMinutesOf: (placeId: string) => number,
  minutesMost: number,
): Round {
  const whole = Math.max(0, Math.floor(minutesMost));
  const places = new Map<string, RoundTest[]>();
  for (const test of tests) places.set(stopOf(test), [...(places.get(stopOf(test)) ?? []), test]);
  let worth = new Array<number>(whole + 1).fill(0);
  let stops = worth.map((): RoundStop[] => []);
  for (const here of places.values()) {
    const { at: where, placeId } = here[0]!;
    const setUp = where === 'recorder' ? 0 : Math.ceil(setUpMinutesOf(placeId));
    if (setUp >= whole) continue;
    const best = bestOf(here, whole - setUp);
    const [nextWorth, nextStops] = [[...worth], [...stops]];
    // Minutes beyond what all tests of a place take bring nothing more.
    const enough = Math.min(whole - setUp, minutesOf(here));
    for (let spent = 1; spent <= enough; spent += 1) {
      if (best.worth[spent]! <= best.worth[spent - 1]! + 1e-12) continue;
      const stop: RoundStop = {
        at: where,
        placeId,
        setUpMinutes: setUp,
        minutes: setUp + spent,
        tests: best.taken[spent]!.map((index) => here[index]!),
      };
      for (let at = setUp + spent; at <= whole; at += 1) {
        const sum = worth[at - setUp - spent]! + best.worth[spent]!;
        if (sum <= nextWorth[at]! + 1e-12) continue;
        nextWorth[at] = sum;
        nextStops[at] = [...stops[at - setUp - spent]!, stop];
      }
    }
    [worth, stops] = [nextWorth, nextStops];
  }
  // The nearest first: what is found there may spare the far ones.
  const chosen = [...stops[whole]!].sort((a, b) => a.setUpMinutes - b.setUpMinutes);
  return {
    stops: chosen,
    minutes: chosen.reduce((sum, { minutes }) => sum + minutes, 0),
    worth: worth[whole]!,
  };
}
