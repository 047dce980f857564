import type { TestId } from '#core/model/site';

/** A test that could be done on a round: where, how long it takes there, and what it is expected to tell. */
export interface RoundTest {
  runId: string;
  testId: TestId;
  /** At the recorder, or up at the camera, which takes a way and a ladder. */
  at: 'recorder' | 'camera';
  placeId: string;
  minutes: number;
  bits: number;
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
  bits: number;
}

/** The best tests of one place for every number of whole minutes: their bits, and which they are. */
interface Best {
  bits: number[];
  taken: number[][];
}

/** Fills so many minutes with tests of one place, each once. Exact, by whole minutes. Source: 0/1 knapsack by dynamic programming. */
function bestOf(tests: readonly RoundTest[], minutesMost: number): Best {
  const bits = new Array<number>(minutesMost + 1).fill(0);
  const taken = bits.map((): number[] => []);
  for (const [index, test] of tests.entries()) {
    const minutes = Math.max(1, Math.ceil(test.minutes));
    for (let at = minutesMost; at >= minutes; at -= 1) {
      const sum = bits[at - minutes]! + test.bits;
      if (sum <= bits[at]! + 1e-12) continue;
      bits[at] = sum;
      taken[at] = [...taken[at - minutes]!, index];
    }
  }
  return { bits, taken };
}

const stopOf = ({ at, placeId }: Pick<RoundTest, 'at' | 'placeId'>): string => `${at} ${placeId}`;

const minutesOf = (tests: readonly RoundTest[]): number =>
  tests.reduce((sum, { minutes }) => sum + Math.max(1, Math.ceil(minutes)), 0);

/**
 * The tests that tell most in the time at hand, with the places that have to be gone to. Cameras of a place cost its way and its
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
  let bits = new Array<number>(whole + 1).fill(0);
  let stops = bits.map((): RoundStop[] => []);
  for (const here of places.values()) {
    const { at: where, placeId } = here[0]!;
    const setUp = where === 'recorder' ? 0 : Math.ceil(setUpMinutesOf(placeId));
    if (setUp >= whole) continue;
    const best = bestOf(here, whole - setUp);
    const [nextBits, nextStops] = [[...bits], [...stops]];
    // Minutes beyond what all tests of a place take bring nothing more.
    const enough = Math.min(whole - setUp, minutesOf(here));
    for (let spent = 1; spent <= enough; spent += 1) {
      if (best.bits[spent]! <= best.bits[spent - 1]! + 1e-12) continue;
      const stop: RoundStop = {
        at: where,
        placeId,
        setUpMinutes: setUp,
        minutes: setUp + spent,
        tests: best.taken[spent]!.map((index) => here[index]!),
      };
      for (let at = setUp + spent; at <= whole; at += 1) {
        const sum = bits[at - setUp - spent]! + best.bits[spent]!;
        if (sum <= nextBits[at]! + 1e-12) continue;
        nextBits[at] = sum;
        nextStops[at] = [...stops[at - setUp - spent]!, stop];
      }
    }
    [bits, stops] = [nextBits, nextStops];
  }
  // The nearest first: what is found there may spare the far ones.
  const chosen = [...stops[whole]!].sort((a, b) => a.setUpMinutes - b.setUpMinutes);
  return {
    stops: chosen,
    minutes: chosen.reduce((sum, { minutes }) => sum + minutes, 0),
    bits: bits[whole]!,
  };
}
