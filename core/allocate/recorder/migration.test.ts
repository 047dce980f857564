import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Recorder } from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';
import { migrationOf, recorderState, type Mover, type NightStep } from '.';
import type { MoveWishes } from './nightSteps';

const { 'hall-recorder': tail } = saltmarrowSite().recorder as Record<string, Recorder>;
const six: Recorder = {
  ...tail!,
  id: 'a',
  name: 'A',
  inputs: 6,
  rules: { kind: 'highest-first', extraIpSlots: 2 },
  limits: { incomingMbps: 500, slotMegapixels: 8, ipCameras: 16 },
};

/** A camera on an input today, and on a slot at the end: IP, or coax where nothing changes but its lead. */
const mover = (
  number: number,
  input: number,
  to: number,
  kind: 'ip' | 'coax' = 'ip',
  recorderId = 'a',
): Mover => ({
  need: {
    cameraId: `c${number}`,
    number,
    name: `Camera ${number}`,
    signal: kind === 'ip' ? { kind: 'ip', mbps: 4, megapixels: 2 } : { kind: 'coax', format: 'cvbs' },
    portWatts: 0,
    placeId: tail!.placeId,
    patchedTo: { recorderId, input },
  },
  today: { at: { recorderId, slot: input }, format: 'cvbs' },
  to: { recorderId, slot: to },
});
const stepInWords = (step: NightStep): string => {
  switch (step.kind) {
    case 'unplug':
      return `unplug ${step.number}`;
    case 'repatch':
      return `lead ${step.number}: ${step.from.slot} to ${step.to.slot}${step.temporary ? ' for now' : ''}`;
    case 'turn':
      return `turn ${step.cost.toIp.join(' ')}`;
    case 'rejoin':
    case 'join':
      return `${step.kind} ${step.number} on ${step.to.slot}`;
  }
};
const nightsOf = (movers: Mover[], over: Partial<MoveWishes> = {}, recorder = six) =>
  migrationOf([recorder], movers, { perNight: 2, first: [], ...over });
const inWords = (movers: Mover[], over: Partial<MoveWishes> = {}) =>
  nightsOf(movers, over).nights.map(({ steps }) => steps.map(stepInWords));

describe('the order of a migration', () => {
  it('those that need no input turned go first, from the highest input down', () =>
    expect(inWords([mover(1, 1, 7), mover(6, 6, 8)])).toEqual([['join 6 on 8', 'join 1 on 7']]));
  it('inputs turn once for all that will be IP, as far as the leads there have somewhere to go', () =>
    expect(inWords([mover(4, 4, 4), mover(5, 5, 5), mover(6, 6, 6)], { perNight: 1 })).toEqual([
      ['lead 5: 5 to 1 for now', 'lead 4: 4 to 2 for now', 'turn 4 5 6', 'join 6 on 6'],
      ['join 5 on 5'],
      ['join 4 on 4'],
    ]));
  it('turning ones are kept together, so that it restarts no more often than it must', () => {
    const movers = [mover(1, 1, 7), mover(2, 2, 8), mover(3, 3, 5), mover(4, 4, 6)];
    expect(nightsOf(movers).restarts).toBe(1);
    expect(nightsOf(movers, { perNight: 3 }).restarts).toBe(1);
  });
  it('a camera that stays coax in the tail is patched lower before the inputs turn', () =>
    expect(inWords([mover(2, 2, 6), mover(6, 6, 2, 'coax')])).toEqual([
      ['lead 6: 6 to 2', 'turn 6', 'join 2 on 6'],
    ]));
  it('a camera of the network that another slot is to keep is told to it, also where two exchange theirs', () => {
    const known = (number: number, from: number, to: number): Mover => ({
      ...mover(number, from, to),
      today: { at: { recorderId: 'a', slot: from }, format: null },
    });
    expect(inWords([known(1, 7, 8), known(2, 8, 7)])).toEqual([['rejoin 2 on 7', 'rejoin 1 on 8']]);
    expect(inWords([known(1, 7, 7)])).toEqual([]);
    expect(inWords([known(1, 7, 6), mover(2, 6, 6, 'coax')])).toEqual([]);
    expect(inWords([known(1, 7, 6), mover(6, 6, 2, 'coax')])).toEqual([
      ['lead 6: 6 to 2', 'turn 6', 'rejoin 1 on 6'],
    ]);
    // Room is made by what goes, and never by a stream on an input for coax.
    expect(inWords([known(1, 7, 8), known(2, 8, 6), mover(6, 6, 2, 'coax')], { perNight: 1 })).toEqual([
      ['lead 6: 6 to 2', 'turn 6', 'rejoin 2 on 6'],
      ['rejoin 1 on 8'],
    ]);
  });
  it('a camera that must not wait goes first: what is in its way is patched lower for now', () => {
    const { nights, waiting } = nightsOf([mover(4, 4, 4), mover(5, 5, 5), mover(6, 6, 6)], {
      perNight: 1,
      first: ['c4'],
    });
    expect(waiting).toEqual([]);
    expect(nights[0]!.steps.map(stepInWords)).toEqual([
      'lead 5: 5 to 1 for now',
      'lead 6: 6 to 2 for now',
      'turn 4 5 6',
      'join 4 on 4',
    ]);
    expect(nights.slice(1).map(({ steps }) => steps.map(stepInWords))).toEqual([
      ['join 6 on 6'],
      ['join 5 on 5'],
    ]);
  });
  describe('of cameras of which one goes over what another leaves', () => {
    const movers = [mover(1, 1, 7), mover(6, 6, 8)];
    const after = { c6: ['c1'] };
    it('has that one first, or both in one night', () => {
      expect(inWords(movers, { after })).toEqual([['join 1 on 7', 'join 6 on 8']]);
      expect(inWords(movers, { after, perNight: 1 })).toEqual([['join 1 on 7'], ['join 6 on 8']]);
    });
    it('takes it along where it is in the way of the first', () =>
      expect(inWords([mover(1, 1, 6), mover(6, 6, 8)], { after })).toEqual([
        ['turn 6', 'join 1 on 6', 'join 6 on 8'],
      ]));
    it('takes the first along where it must not wait', () =>
      expect(inWords(movers, { after, first: ['c6'] })).toEqual([['join 1 on 7', 'join 6 on 8']]));
    it('says so where it must not wait, and a night has no room for both', () => {
      const { waiting } = nightsOf(movers, { after, first: ['c6'], perNight: 1 });
      expect(waiting).toEqual([
        { cameraId: 'c6', number: 6, why: 'it goes over what camera 1 leaves, and that has to go first' },
      ]);
    });
    it('says that it waits where the first does', () => {
      // Two are given slot 7: the lower number goes there, and whoever comes after the other stays, too.
      const both = [mover(1, 1, 7), mover(2, 2, 7), mover(6, 6, 8)];
      const { waiting, nights } = nightsOf(both, { after: { c6: ['c2'] } });
      expect(nights.map(({ steps }) => steps.map(stepInWords))).toEqual([['join 1 on 7']]);
      expect(waiting.map(({ cameraId }) => cameraId)).toEqual(['c2', 'c6']);
      expect(waiting[1]!.why).toBe('it goes over what camera 2 leaves, and that has to go first');
    });
  });
  it('where no input is free for that, it says so, and the camera waits', () => {
    const full = [1, 2, 3].map((n) => mover(n, n, n, 'coax'));
    const { waiting, nights } = nightsOf([...full, mover(4, 4, 4), mover(5, 5, 5), mover(6, 6, 6)], {
      perNight: 1,
      first: ['c4'],
    });
    expect(waiting).toEqual([
      { cameraId: 'c4', number: 4, why: 'camera 5 is on A 5, and no input is free for its lead' },
    ]);
    expect(nights.map(({ steps }) => steps.map(stepInWords).at(-1))).toEqual([
      'join 6 on 6',
      'join 5 on 5',
      'join 4 on 4',
    ]);
  });
  it('six cameras, one a night, on inputs that are free: one restart for all', () => {
    const twelve: Recorder = { ...six, inputs: 12 };
    const movers = [1, 2, 3, 4, 5, 6].map((n) => mover(n, n, n + 6));
    const { nights, restarts } = nightsOf(movers, { perNight: 1 }, twelve);
    expect([restarts, nights.length]).toEqual([1, 6]);
    expect(nights[0]!.steps.map(stepInWords)).toContain('turn 7 8 9 10 11 12');
  });
  it('inputs that are IP today stay IP, and nothing restarts for them', () => {
    const turned: Recorder = { ...six, ipInputs: [4, 5, 6] };
    const { restarts } = nightsOf([mover(1, 1, 5), mover(2, 2, 2, 'coax')], { perNight: 1 }, turned);
    expect(restarts).toBe(0);
  });
  it('two that change places go in one night', () =>
    expect(inWords([mover(5, 5, 6), mover(6, 6, 5)], { perNight: 2 })).toEqual([
      ['turn 5 6', 'join 5 on 6', 'join 6 on 5'],
    ]));
  it('leads that change places are pulled together and plugged anew', () =>
    expect(inWords([mover(1, 1, 2, 'coax'), mover(2, 2, 3, 'coax'), mover(3, 3, 1, 'coax')])).toEqual([
      ['lead 1: 1 to 2', 'lead 2: 2 to 3', 'lead 3: 3 to 1'],
    ]));
  it('a preset turns all its inputs at once', () => {
    const preset: Recorder = {
      ...six,
      rules: {
        kind: 'preset-split',
        presets: [
          { inputs: 6, ipSlots: 0 },
          { inputs: 3, ipSlots: 3 },
        ],
      },
    };
    const { nights, restarts } = nightsOf(
      [mover(1, 1, 4), mover(4, 4, 5), mover(5, 5, 1, 'coax')],
      { perNight: 2 },
      preset,
    );
    expect(restarts).toBe(1);
    expect(nights.flatMap(({ broken }) => broken)).toEqual([]);
  });
  it('a slot after the inputs that only another preset has waits until the inputs of that preset are free', () => {
    const preset: Recorder = {
      ...six,
      rules: {
        kind: 'preset-split',
        presets: [
          { inputs: 6, ipSlots: 0 },
          { inputs: 2, ipSlots: 6 },
        ],
      },
    };
    const { nights } = nightsOf(
      [mover(1, 1, 8), mover(5, 5, 7), mover(6, 6, 2, 'coax')],
      { perNight: 1 },
      preset,
    );
    expect(nights.flatMap(({ broken }) => broken)).toEqual([]);
    expect(
      nights
        .at(-1)!
        .occupied['a']!.map(({ need, slot }) => [need.number, slot])
        .sort(),
    ).toEqual([
      [1, 8],
      [5, 7],
      [6, 2],
    ]);
  });
  it('every morning is legal, and the last one is the plan, on any legal plan', () => {
    const camera = fc.record({ isIp: fc.boolean(), urgent: fc.boolean(), followsFirst: fc.boolean() });
    const drawn = fc.tuple(
      fc.array(camera, { minLength: 1, maxLength: 6 }),
      fc.shuffledSubarray([1, 2, 3, 4, 5, 6, 7, 8], { minLength: 8, maxLength: 8 }),
      fc.shuffledSubarray([1, 2, 3, 4, 5, 6], { minLength: 6, maxLength: 6 }),
      fc.integer({ min: 1, max: 4 }),
    );
    fc.assert(
      fc.property(drawn, ([cameras, to, from, perNight]) => {
        const movers = cameras.map(({ isIp }, k) => mover(k + 1, from[k]!, to[k]!, isIp ? 'ip' : 'coax'));
        const atTheEnd = movers.map(({ need, to: { slot } }) => ({ need, slot, placed: true }));
        fc.pre(recorderState(six, atTheEnd).broken.length === 0);
        const after = Object.fromEntries(
          cameras.flatMap(({ followsFirst, isIp }, k) =>
            k > 0 && followsFirst && isIp && cameras[0]!.isIp ? [[`c${k + 1}`, ['c1']]] : [],
          ),
        );
        const { nights, waiting } = nightsOf(movers, {
          perNight,
          after,
          first: cameras.flatMap(({ urgent, isIp }, k) => (urgent && isIp ? [`c${k + 1}`] : [])),
        });
        expect(nights.flatMap(({ broken }) => broken)).toEqual([]);
        const last =
          nights.at(-1)?.occupied['a'] ?? movers.map(({ need, today }) => ({ need, slot: today!.at.slot }));
        const where = Object.fromEntries(last.map(({ need, slot }) => [need.cameraId, slot]));
        const left = movers.filter(({ need, to: { slot } }) => where[need.cameraId] !== slot);
        expect(left.length === 0 || waiting.length > 0).toBe(true);
        const joins = nights.flatMap(({ steps }) => steps.filter(({ kind }) => kind === 'join'));
        const ids = joins.map((step) => step.kind === 'join' && step.cameraId);
        for (const id of Object.keys(after))
          if (ids.includes(id)) expect(ids.slice(0, ids.indexOf(id))).toContain('c1');
      }),
      { numRuns: 300 },
    );
  });
});
