import type { Occupant, SlotNeed } from '#core/model/slotRules';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Recorder } from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';
import { recorderState, tryPlacement, tryRow } from '.';

const site = saltmarrowSite();
const tail = site.recorder['hall-recorder']!;
const fixed = site.recorder['marshalling-recorder']!;

const ip = (
  number: number,
  input?: number,
  over: Partial<{ mbps: number; megapixels: number }> = {},
): SlotNeed => ({
  cameraId: `c${number}`,
  number,
  name: `Camera ${number}`,
  signal: { kind: 'ip', mbps: 4, megapixels: 2, ...over },
  portWatts: 0,
  placeId: tail.placeId,
  patchedTo: input ? { recorderId: tail.id, input } : undefined,
});
const coax = (number: number, input?: number, format = 'cvbs'): SlotNeed => ({
  ...ip(number, input),
  signal: { kind: 'coax', format },
});
const on = (need: SlotNeed, slot: number, placed = true): Occupant => ({ need, slot, placed });
const rules = (recorder: Recorder, occupants: Occupant[]) =>
  recorderState(recorder, occupants).broken.map(({ rule }) => rule);

const family = (recorder: Recorder['rules'], over: Partial<Recorder> = {}): Recorder => ({
  ...tail,
  rules: recorder,
  limits: { incomingMbps: 1000, slotMegapixels: 16, ipCameras: 64 },
  ...over,
});

describe('switch per input', () => {
  const each = family({ kind: 'switch-per-input', extraIpSlots: 2 });
  it('turns just the inputs that carry IP, wherever they are', () => {
    const state = recorderState(each, [on(ip(1), 3), on(coax(2), 4), on(ip(5), 17)]);
    expect([state.broken, state.slots.filter(({ converted }) => converted).map(({ slot }) => slot)]).toEqual([
      [],
      [3],
    ]);
    expect(state.consequences).toHaveLength(1);
  });
});

describe('preset split', () => {
  const preset = family({
    kind: 'preset-split',
    presets: [
      { inputs: 16, ipSlots: 0 },
      { inputs: 8, ipSlots: 8 },
      { inputs: 0, ipSlots: 16 },
    ],
  });
  it('takes the preset that carries all, with most coax', () => {
    expect(rules(preset, [on(coax(1), 1), on(coax(16), 16)])).toEqual([]);
    const split = recorderState(preset, [on(coax(1), 8), on(ip(2), 9)]);
    expect([
      split.broken,
      split.slots.filter(({ carries }) => carries === 'ip').length,
      split.consequences.length,
    ]).toEqual([[], 8, 1]);
    expect(recorderState(preset, [on(ip(2), 1)]).slots[0]!.carries).toBe('ip');
  });
  it('says so when no preset carries all, and names them', () => {
    const [broken] = recorderState(preset, [on(coax(1), 12), on(ip(2), 14)]).broken;
    expect(broken).toMatchObject({
      rule: 'family',
      remedy: 'Fit them to one of its presets: 16 coax and 0 IP; 8 coax and 8 IP; 0 coax and 16 IP.',
    });
  });
});

describe('network only, and blocks', () => {
  it('ports of its own give so many watts together, and slots after them none', () => {
    const ports = family({ kind: 'network-only', ipSlots: 8, poe: { ports: 2, watts: 20 } }, { inputs: 0 });
    const fed = (number: number): SlotNeed => ({ ...ip(number), portWatts: 12 });
    expect(recorderState(ports, [on(fed(1), 1), on(fed(2), 3)]).broken).toEqual([]);
    const over = recorderState(ports, [on(fed(1), 1), on(fed(2), 2)]);
    expect(over.broken).toMatchObject([{ rule: 'port-watts', slots: [1, 2] }]);
    expect(over.loads.at(-1)).toMatchObject({ used: 24, most: 20 });
  });
  it('an input that is set to one format takes no other', () => {
    const forced = { ...tail, forced: [{ input: 3, format: 'hd1080' as const }] };
    expect(rules(forced, [on(coax(1, undefined, 'hd1080'), 3), on(coax(2), 4)])).toEqual([]);
    expect(recorderState(forced, [on(coax(1), 3)]).broken).toMatchObject([{ rule: 'forced', slots: [3] }]);
  });
  it('takes IP on every slot and no coax', () => {
    const network = family({ kind: 'network-only', ipSlots: 8 }, { inputs: 0 });
    expect(recorderState(network, [on(ip(1), 1), on(ip(2), 8)]).broken).toEqual([]);
    expect(recorderState(network, [on(coax(1), 1)]).broken[0]).toMatchObject({
      rule: 'signal',
      remedy: 'A recorder with coax inputs.',
    });
  });
  it('a block of four inputs has one signal family', () => {
    const blocks = family({ kind: 'fixed-hybrid', ipSlots: 4 }, { blockSize: 4 });
    expect(rules(blocks, [on(coax(1), 1), on(coax(2), 4), on(coax(3, undefined, 'hd720'), 5)])).toEqual([]);
    expect(
      recorderState(blocks, [on(coax(1), 1), on(coax(2, undefined, 'hd720'), 4)]).broken[0]!.why,
    ).toMatch(/Inputs 1 to 4 .* HD over coax and composite are mixed/);
  });
});

describe('from the tail', () => {
  it('an IP camera on an IP slot turns nothing', () => {
    const state = recorderState(tail, [on(ip(1), 17), on(coax(24), 16)]);
    expect([state.broken, state.consequences, state.slots.filter(({ converted }) => converted)]).toEqual([
      [],
      [],
      [],
    ]);
  });
  it('the highest input may turn, and the change has its price', () => {
    const state = recorderState(tail, [on(ip(1), 16)]);
    expect(state.broken).toEqual([]);
    expect(state.slots.filter(({ converted }) => converted).map(({ slot }) => slot)).toEqual([16]);
    expect(state.consequences.join(' ')).toMatch(/restart of about 4 minutes.*factory values.*Analytics/);
  });
  it('an input turns only with all above it; one that still needs coax stands in the way, and why is said', () => {
    const { broken } = recorderState(tail, [on(ip(1), 14), on(coax(16), 16, false), on(coax(3), 3)]);
    expect(broken).toMatchObject([{ rule: 'family', slots: [16] }]);
    expect(broken[0]!.why).toBe(
      'Camera 1 on input 14 is IP, so inputs 14 to 16 all turn to IP, from the highest down; camera 16 still needs coax there.',
    );
    expect(broken[0]!.remedy).toBe(
      'Put camera 1 on a slot after 16, or first move camera 16 below input 14 or change it to IP.',
    );
    expect(rules(tail, [on(ip(1), 12), on(coax(16), 16), on(coax(13), 13)])).toEqual(['family']);
  });
  it('is broken exactly when some coax camera sits above some IP camera on the inputs', () => {
    const camera = fc.record({ slot: fc.integer({ min: 1, max: 24 }), isIp: fc.boolean() });
    fc.assert(
      fc.property(fc.uniqueArray(camera, { maxLength: 20, selector: ({ slot }) => slot }), (cameras) => {
        const occupants = cameras.map(({ slot, isIp }) => on(isIp ? ip(slot) : coax(slot), slot));
        const expected = cameras.some(
          (low) =>
            low.isIp &&
            low.slot <= 16 &&
            cameras.some((high) => !high.isIp && high.slot > low.slot && high.slot <= 16),
        );
        expect(rules(tail, occupants).includes('family')).toBe(expected);
      }),
    );
  });
});

describe('what a change costs', () => {
  it('is counted from the state that the recorder is in today', () => {
    const converted = { ...tail, ipInputs: [15, 16] };
    expect(recorderState(converted, [on(ip(1), 15)]).consequences).toEqual([]);
    expect(recorderState(converted, [on(ip(1), 14)]).consequences[0]).toBe(
      'Input 14 of Hall recorder turns to IP: a restart of about 4 minutes, nothing recorded meanwhile.',
    );
    expect(recorderState(converted, [on(coax(1), 1)]).consequences[0]).toMatch(
      /^Inputs 15 and 16 of Hall recorder turn back to coax/,
    );
  });
  it('is as somebody noted it for this recorder, where that differs from its rules', () => {
    const gentle = { ...tail, onChange: { restarts: false, factoryValues: false, losesAnalytics: true } };
    expect(recorderState(gentle, [on(ip(1), 16)]).consequences).toEqual([
      'Input 16 of Hall recorder turns to IP: without a restart.',
      'Analytics are lost while any input is IP.',
    ]);
  });
});

describe('every family', () => {
  it('coax does not go on an IP slot, and IP not on an input that stays coax', () => {
    expect(rules(tail, [on(coax(1), 17)])).toEqual(['signal']);
    expect(rules(fixed, [on(ip(1), 5)])).toEqual(['signal']);
    expect(rules(fixed, [on(ip(1), 17)])).toEqual([]);
  });
  it('formats, megapixels, rate and count have their limits', () => {
    expect(rules(fixed, [on(coax(1, undefined, 'hd8mp'), 1)])).toEqual(['format']);
    expect(rules(fixed, [on(ip(1, undefined, { megapixels: 8 }), 17)])).toEqual(['megapixels']);
    expect(rules(fixed, [on(ip(1, undefined, { mbps: 65 }), 17)])).toEqual(['incoming-rate']);
    expect(
      rules({ ...fixed, limits: { ...fixed.limits, ipCameras: 1 } }, [on(ip(1), 17), on(ip(2), 18)]),
    ).toEqual(['ip-count']);
  });
  it('two on one slot are one too many', () =>
    expect(rules(tail, [on(coax(1), 1), on(coax(2), 1, false)])).toEqual(['taken']));
  it('several go on the next slots that take them, and the first that finds none is told why', () => {
    const occupants = [on(coax(1), 1), on(ip(9), 18)];
    expect(
      tryRow(tail, occupants, [ip(12), ip(11), ip(10)], 17).on.map(({ need, slot }) => [need.number, slot]),
    ).toEqual([
      [10, 17],
      [11, 19],
      [12, 20],
    ]);
    const { on: placed, refused } = tryRow(tail, occupants, [ip(10), ip(11)], 24);
    expect([placed.length, refused?.need.number]).toEqual([1, 11]);
    expect(tryRow(tail, [on(ip(10), 18)], [ip(10)], 18).on).toMatchObject([{ slot: 18 }]);
  });
  it('trying a slot tells only what it would break anew', () => {
    const occupants = [on(coax(1), 17), on(coax(2), 2)];
    expect(tryPlacement(tail, occupants, ip(3), 18)).toEqual([]);
    expect(tryPlacement(tail, occupants, ip(3), 1).map(({ rule }) => rule)).toEqual(['family']);
    expect(tryPlacement(tail, occupants, coax(2), 2)).toEqual([]);
  });
});
