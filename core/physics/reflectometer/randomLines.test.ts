import { describe, expect, it } from 'vitest';
import { createNormal, createRandom } from '#core/shared/random';
import { findEvents, forwardTrace, type End, type Fault, type LineEvent, type Stretch } from '.';

interface Wanted {
  kind: LineEvent['kind'];
  at: number;
  ohms?: number;
}
interface Drawn {
  elements: (Stretch | Fault)[];
  end: End;
  wanted: Wanted[];
  widthNs: number;
  stepNs: number;
  noise: number;
}

const ends: readonly End[] = [{ kind: 'open' }, { kind: 'open' }, { kind: 'short' }];

/** A line of cables as they are bought, with one to three things of a kind on it. */
function drawLine(kind: 'faults' | 'tap' | 'patch', random: () => number): Drawn {
  const pick = <T>(all: readonly T[]): T => all[Math.floor(random() * all.length)]!;
  const [skinDbPer100m, ohmsPerM, noise, widthNs, stepNs] = [
    pick([0.4, 0.64, 1]),
    pick([0, 0.02, 0.06]),
    pick([0, 0.001, 0.002]),
    pick([5, 10, 20]),
    pick([0.5, 1]),
  ];
  const stretch = (lengthM: number, over: Partial<Stretch> = {}): Stretch => ({
    kind: 'stretch',
    lengthM,
    velocityFactor: 0.83,
    impedanceOhms: 75,
    ohmsPerM,
    skinDbPer100m,
    ...over,
  });
  const pulseM = widthNs * 0.125;
  const elements: (Stretch | Fault)[] = [];
  const wanted: Wanted[] = [];
  let metres = 0;
  const run = (lengthM: number): void => {
    elements.push(stretch(lengthM));
    metres += lengthM;
  };
  for (let left = kind === 'faults' ? 1 + Math.floor(random() * 3) : 1; left > 0; left -= 1) {
    run(2 * pulseM + 6 + random() * 60);
    if (kind === 'tap') {
      elements.push({ kind: 'tap', stub: stretch(pulseM + 4 + random() * 15), end: pick(ends) });
      wanted.push({ kind: 'tap', at: metres });
    } else if (kind === 'patch') {
      const lengthM = pulseM + 4 + random() * 12;
      elements.push(stretch(lengthM, { impedanceOhms: 50 }));
      wanted.push({ kind: 'lower-impedance', at: metres, ohms: 50 });
      metres += lengthM;
      wanted.push({ kind: 'patch-end', at: metres });
    } else {
      const fault =
        random() < 0.5
          ? { kind: 'series' as const, ohms: 5 + random() * 90 }
          : { kind: 'shunt' as const, ohms: 60 + random() * 600 };
      elements.push(fault);
      wanted.push({ ...fault, at: metres });
    }
  }
  run(2 * pulseM + 16 + random() * 80);
  const end = pick(ends);
  wanted.push({ kind: end.kind === 'short' ? 'short' : 'open', at: metres });
  return { elements, end, wanted, widthNs, stepNs, noise };
}

function isFound({ elements, end, wanted, widthNs, stepNs, noise }: Drawn, random: () => number): boolean {
  const clean = forwardTrace(
    { elements, end },
    { centreNs: widthNs * 1.5 + 5, widthNs, edgeNs: widthNs * 0.3, volts: 1 },
    75,
    stepNs,
    8192,
  );
  const normal = createNormal(random);
  const trace = {
    ...clean,
    volts: clean.volts.map((value) => value + noise * normal()),
  };
  const found = findEvents(trace, { velocityFactor: 0.83, impedanceOhms: 75 });
  return (
    found.length === wanted.length &&
    found.every(({ kind, distanceM, ohms }, k) => {
      const one = wanted[k]!;
      return (
        kind === one.kind &&
        Math.abs(distanceM - one.at) <= Math.max(1, one.at / 100) &&
        (one.ohms === undefined || Math.abs(ohms! - one.ohms) <= one.ohms / 4)
      );
    })
  );
}

describe('lines that nobody chose', () => {
  // All of a line has to be right: every kind, every metre to 1 %, every resistance to a quarter, and nothing beside.
  it.each([
    ['faults', 0.83],
    ['tap', 0.88],
    ['patch', 0.88],
  ] as const)(
    'with %s are read wholly right at least so often: %f',
    (kind, least) => {
      const random = createRandom(4242);
      const lines = Array.from({ length: 80 }, () => drawLine(kind, random));
      expect(lines.filter((line) => isFound(line, random)).length / lines.length).toBeGreaterThanOrEqual(
        least,
      );
    },
    30_000,
  );

  it('show nothing on the way where nothing is, in all but one trace of fifty', () => {
    const random = createRandom(515);
    const normal = createNormal(random);
    let strays = 0;
    const count = 100;
    for (let turn = 0; turn < count; turn += 1) {
      const lengthM = 30 + 300 * random();
      const cable = { velocityFactor: 0.83, impedanceOhms: 75, skinDbPer100m: 0.6 + random() };
      const stretch: Stretch = { kind: 'stretch', lengthM, ohmsPerM: 0.05 + 0.1 * random(), ...cable };
      const pulse = { centreNs: 40, widthNs: random() < 0.5 ? 10 : 30, edgeNs: 6, volts: 1 };
      const trace = forwardTrace(
        { elements: [stretch], end: ends[turn % 3]! },
        pulse,
        75,
        1,
        random() < 0.5 ? 2048 : 4096,
      );
      const noise = 0.01 * random();
      const volts = trace.volts.map((value) => value + noise * normal());
      strays += findEvents({ stepNs: 1, volts }, cable).filter(
        ({ distanceM, confidence }) => confidence >= 0.5 && distanceM < lengthM - 3,
      ).length;
    }
    expect(strays / count).toBeLessThanOrEqual(0.02);
  }, 30_000);
});
