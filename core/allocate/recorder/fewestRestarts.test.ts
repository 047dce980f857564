import { describe, expect, it } from 'vitest';
import { familyOf, slotCount, type ChannelMode, type SlotRules } from '#core/model/slotRules';
import { createRandom } from '#core/shared/random';
import { numbersFrom } from '#core/shared/numeric';
import type { Recorder } from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';
import { migrationOf, recorderState, type Mover } from '.';

const hall = saltmarrowSite().recorder['hall-recorder']!;

interface Case {
  recorder: Recorder;
  movers: Mover[];
  perNight: number;
}

type Random = ReturnType<typeof createRandom>;
const below = (random: Random, count: number): number => Math.floor(random() * count);
function shuffled<T>(random: Random, all: readonly T[]): T[] {
  const left = [...all];
  return all.map(() => left.splice(below(random, left.length), 1)[0]!);
}

function rulesOf(random: Random, kind: SlotRules['kind'], inputs: number, extra: number): SlotRules {
  switch (kind) {
    case 'highest-first':
      return { kind, extraIpSlots: extra };
    case 'switch-per-input':
      return { kind, extraIpSlots: extra };
    default: {
      const cuts = [...new Set([inputs, below(random, inputs + 1), below(random, inputs + 1)])];
      return {
        kind: 'preset-split',
        presets: cuts.map((coax) => ({ inputs: coax, ipSlots: inputs - coax + extra })),
      };
    }
  }
}

/** A recorder of up to nine inputs with up to seven cameras, of which some become IP, or null where the end is no legal state. */
function drawn(seed: number, kind: SlotRules['kind']): Case | null {
  const random = createRandom(seed);
  const inputs = 3 + below(random, 7);
  const extra = below(random, 4);
  const recorder: Recorder = {
    ...hall,
    id: 'a',
    name: 'A',
    inputs,
    rules: rulesOf(random, kind, inputs, extra),
    limits: { incomingMbps: 500, slotMegapixels: 8, ipCameras: 32 },
  };
  const count = Math.min(inputs, 1 + below(random, 7));
  const from = shuffled(random, numbersFrom(1, inputs));
  const to = shuffled(random, numbersFrom(1, slotCount(recorder)));
  const movers = numbersFrom(1, count).map((number): Mover => {
    const isIp = random() < 0.65;
    const at = { recorderId: 'a', slot: from[number - 1]! };
    return {
      need: {
        cameraId: `c${number}`,
        number,
        name: `Camera ${number}`,
        signal: isIp ? { kind: 'ip', mbps: 4, megapixels: 2 } : { kind: 'coax', format: 'cvbs' },
        portWatts: 0,
        placeId: hall.placeId,
        patchedTo: { recorderId: 'a', input: at.slot },
      },
      today: { at, format: 'cvbs' },
      to: { recorderId: 'a', slot: to[number - 1]! },
    };
  });
  const atTheEnd = movers.map(({ need, to: { slot } }) => ({ need, slot, placed: true }));
  return recorderState(recorder, atTheEnd).broken.length === 0
    ? { recorder, movers, perNight: 1 + below(random, 3) }
    : null;
}

/** A state that a recorder can be in: the inputs that are IP, and the slots that carry IP at all. */
interface State {
  ipInputs: string;
  coaxInputs: number;
  carries: ChannelMode['carries'];
}

function statesOf(recorder: Recorder): State[] {
  const asState = (carries: ChannelMode['carries']): State => ({
    carries,
    ipInputs: numbersFrom(1, recorder.inputs)
      .filter((slot) => carries(slot) === 'ip')
      .join(),
    coaxInputs: numbersFrom(1, recorder.inputs).filter((slot) => carries(slot) === 'coax').length,
  });
  if (familyOf(recorder).conversion !== 'each')
    return familyOf(recorder)
      .modes(recorder)
      .map(({ carries }) => asState(carries));
  return Array.from({ length: 2 ** recorder.inputs }, (_, set) =>
    asState((slot) => (slot > recorder.inputs || (set >> (slot - 1)) & 1 ? 'ip' : 'coax')),
  );
}

/**
 * The fewest restarts there can be, by trying every set of cameras every night and every state of the recorder. Leads can be plugged
 * anywhere every night, so all that counts of them is that there are enough inputs.
 */
function fewest({ recorder, movers, perNight }: Case): number {
  const states = statesOf(recorder);
  const changing = movers.filter(({ need }) => need.signal.kind === 'ip');
  const staying = movers.length - changing.length;
  const all = 2 ** changing.length - 1;
  const count = (set: number): number =>
    numbersFrom(0, changing.length - 1).filter((k) => (set >> k) & 1).length;
  const isLegal = (done: number, { carries, coaxInputs }: State): boolean =>
    staying + changing.length - count(done) <= coaxInputs &&
    changing.every(({ to }, k) => !((done >> k) & 1) || carries(to.slot) === 'ip');
  const isEnd = (done: number, { carries }: State): boolean =>
    done === all && movers.every(({ need, to }) => carries(to.slot) === need.signal.kind);
  // Least restarts first: every state that is reached with none more, then with one more.
  let reached = new Set<string>();
  let edge: [number, State][] = states.filter(({ ipInputs }) => ipInputs === '').map((state) => [0, state]);
  for (let restarts = 0; restarts < 12; restarts += 1) {
    const open = [...edge];
    edge = [];
    while (open.length > 0) {
      const [done, state] = open.pop()!;
      const key = `${done} ${state.ipInputs} ${state.coaxInputs}`;
      if (reached.has(key)) continue;
      reached = reached.add(key);
      if (isEnd(done, state)) return restarts;
      for (let next = done; next <= all; next += 1) {
        if ((next & done) !== done || count(next) - count(done) > perNight) continue;
        for (const other of states)
          if (isLegal(next, other)) (other.ipInputs === state.ipInputs ? open : edge).push([next, other]);
      }
    }
  }
  return Infinity;
}

describe('restarts against the fewest that an exhaustive search finds', { timeout: 240_000 }, () => {
  it.each(['highest-first', 'switch-per-input', 'preset-split'] as const)('%s', (kind) => {
    let [cases, restartsInAll] = [0, 0];
    for (let seed = 1; cases < 200; seed += 1) {
      const one = drawn(seed, kind);
      if (!one) continue;
      cases += 1;
      const { nights, restarts, waiting } = migrationOf([one.recorder], one.movers, {
        perNight: one.perNight,
        first: [],
      });
      expect(nights.flatMap(({ broken }) => broken)).toEqual([]);
      const best = fewest(one);
      // Nobody is left behind where some order brings all to their slots, and no order restarts less.
      expect([seed, waiting.length > 0]).toEqual([seed, best === Infinity]);
      if (best === Infinity) continue;
      expect([seed, restarts]).toEqual([seed, best]);
      restartsInAll += best;
    }
    expect(restartsInAll).toBeGreaterThan(80);
  });
});
