import { slotCount, type Occupant, type SlotNeed, type SlotRules } from '#core/model/slotRules';
import fc from 'fast-check';
import loadHighs from 'highs';
import { describe, expect, it } from 'vitest';
import type { Recorder } from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';
import { allocate, recorderState, type SlotWishes, type SlotRequest } from '.';

const highs = await loadHighs();
const { 'hall-recorder': tail } = saltmarrowSite().recorder as Record<string, Recorder>;
const wishes: SlotWishes = { numbers: 'keep', share: 'building', blocks: 'mix', spareSlots: 0 };
const small = (id: string, inputs: number, rules: SlotRules, over: Partial<Recorder> = {}): Recorder => ({
  ...tail!,
  id,
  name: id,
  inputs,
  rules,
  limits: { incomingMbps: 40, slotMegapixels: 8, ipCameras: 16 },
  ...over,
});
const wanting = (
  number: number,
  signal: SlotNeed['signal'],
  input?: number,
  over: Partial<SlotRequest> = {},
): SlotRequest => ({
  placed: undefined,
  mayMove: true,
  ...over,
  need: {
    cameraId: `c${number}`,
    number,
    name: `Camera ${number}`,
    signal,
    portWatts: 0,
    placeId: tail!.placeId,
    patchedTo: input === undefined ? undefined : { recorderId: 'a', input },
  },
});
const ip = (mbps = 4, megapixels = 2): SlotNeed['signal'] => ({ kind: 'ip', mbps, megapixels });
const coax = (format = 'cvbs'): SlotNeed['signal'] => ({ kind: 'coax', format });
const slotsOf = (recorders: Recorder[], all: SlotRequest[], over: Partial<SlotWishes> = {}) =>
  Object.fromEntries(
    allocate(highs, recorders, all, { ...wishes, ...over }).placements.map(({ id, recorderId, slot }) => [
      id,
      `${recorderId} ${slot}`,
    ]),
  );

/** Every camera on every slot or none, by trying; the rules are the recorders' own, the points counted here once more. */
function byTrying(recorders: Recorder[], all: SlotRequest[], over: Partial<SlotWishes> = {}): number {
  const { numbers, share } = { ...wishes, ...over };
  const places = [
    null,
    ...recorders.flatMap((recorder) =>
      Array.from({ length: slotCount(recorder) }, (_, k) => ({ recorder, slot: k + 1 })),
    ),
  ];
  let best = Infinity;
  const on = new Map<string, Occupant[]>(recorders.map(({ id }) => [id, []]));
  const go = (k: number, soFar: number): void => {
    if (soFar >= best) return;
    if (k === all.length) {
      let sum = soFar;
      for (const recorder of recorders) {
        const { broken, slots } = recorderState(recorder, on.get(recorder.id)!);
        if (broken.length > 0) return;
        const [ipInputs, today] = [
          slots.filter(({ converted }) => converted).map(({ slot }) => slot),
          recorder.ipInputs ?? [],
        ];
        const differs = ipInputs.length !== today.length || ipInputs.some((slot) => !today.includes(slot));
        sum += (differs ? 500 : 0) + (recorder.rules.kind === 'switch-per-input' ? 0 : ipInputs.length);
      }
      best = Math.min(best, sum);
      return;
    }
    const { need, placed } = all[k]!;
    for (const place of places) {
      if (!place) {
        go(k + 1, soFar + 4000);
        continue;
      }
      const { recorder, slot } = place;
      const { patchedTo } = need;
      const away =
        (patchedTo ? patchedTo.recorderId !== recorder.id : recorder.placeId !== need.placeId) &&
        (share === 'building' || need.signal.kind === 'coax');
      const cost =
        (away ? 80 : 0) +
        (need.signal.kind === 'coax' && (patchedTo?.recorderId !== recorder.id || patchedTo.input !== slot)
          ? 60
          : 0) +
        (placed && (placed.recorderId !== recorder.id || placed.slot !== slot) ? 40 : 0) +
        (numbers === 'keep' && slot !== need.number ? 25 : 0);
      on.get(recorder.id)!.push({ need, slot, placed: true });
      go(k + 1, soFar + cost);
      on.get(recorder.id)!.pop();
    }
  };
  go(0, 0);
  return best;
}

describe('an allocation', () => {
  const rules: [string, SlotRules, Partial<Recorder>][] = [
    ['from the tail', { kind: 'highest-first', extraIpSlots: 1 }, {}],
    ['from the tail in blocks', { kind: 'highest-first', extraIpSlots: 1 }, { blockSize: 2 }],
    ['switch per input', { kind: 'switch-per-input', extraIpSlots: 0 }, {}],
    ['fixed', { kind: 'fixed-hybrid', ipSlots: 2 }, {}],
    [
      'preset',
      {
        kind: 'preset-split',
        presets: [
          { inputs: 3, ipSlots: 0 },
          { inputs: 1, ipSlots: 2 },
        ],
      },
      {},
    ],
    [
      'an input forced to a format',
      { kind: 'fixed-hybrid', ipSlots: 1 },
      { forced: [{ input: 1, format: 'hd720' }] },
    ],
  ];
  it.each(rules)('on recorders %s counts what trying everything counts', (_, rule, over) => {
    const camera = fc.record({
      kind: fc.constantFrom('cvbs', 'hd720', 'ip', 'ip', 'heavy'),
      input: fc.option(fc.constantFrom(1, 2, 3), { nil: undefined }),
      placed: fc.option(fc.integer({ min: 1, max: 3 }), { nil: undefined }),
    });
    fc.assert(
      fc.property(
        fc.array(camera, { minLength: 1, maxLength: 3 }),
        fc.constantFrom('keep' as const, 'any' as const),
        (cameras, numbers) => {
          const taken = new Set<number>();
          const all = cameras.map(({ kind, input, placed }, k) => {
            const own = input !== undefined && !taken.has(input) ? input : undefined;
            if (own !== undefined) taken.add(own);
            return wanting(
              k + 1,
              kind === 'ip' ? ip() : kind === 'heavy' ? ip(30) : coax(kind),
              own,
              placed === undefined ? {} : { placed: { recorderId: 'a', slot: placed } },
            );
          });
          const recorders = [
            small('a', 3, rule, over),
            small('b', 0, { kind: 'network-only', ipSlots: 1 }, { placeId: 'elsewhere' }),
          ];
          const found = allocate(highs, recorders, all, { ...wishes, numbers });
          // Recorders in order stand for ties only: hundredths of a point.
          expect(Math.round(found.points)).toBe(byTrying(recorders, all, { numbers }));
          expect(found.proven).toBe(true);
          for (const recorder of recorders)
            expect(recorderState(recorder, found.occupied[recorder.id] ?? []).broken).toEqual([]);
        },
      ),
      { numRuns: 12 },
    );
  });
  const hall = { ...tail!, id: 'a' };
  it('keeps the numbers of coax cameras and puts IP cameras on IP slots, those whose number is one on theirs', () =>
    expect(
      slotsOf([hall], [wanting(3, coax(), 3), wanting(4, ip(), 4), wanting(1, coax(), 1), wanting(20, ip())]),
    ).toEqual({ c1: 'a 1', c3: 'a 3', c4: 'a 17', c20: 'a 20' }));
  it('turns inputs from the tail when the IP slots are full, re-patching the coax camera that is in the way', () => {
    const slots = slotsOf(
      [hall],
      [...Array.from({ length: 9 }, (_, k) => wanting(k + 1, ip())), wanting(16, coax(), 16)],
      { numbers: 'any' },
    );
    expect(slots['c16']).toBe('a 1');
    expect(Object.values(slots)).toContain('a 16');
  });
  it('prefers many leads untouched to one restart avoided, and one restart to a camera without a slot', () => {
    const full = [
      ...Array.from({ length: 8 }, (_, k) => wanting(30 + k, ip())),
      ...Array.from({ length: 15 }, (_, k) => wanting(k + 1, coax(), k + 1)),
    ];
    expect(slotsOf([hall], [...full, wanting(16, ip(), 16)])['c16']).toBe('a 16');
  });
  it('leaves those who are to stay, and names who finds no slot', () => {
    const stays = wanting(1, ip(), undefined, { placed: { recorderId: 'a', slot: 18 }, mayMove: false });
    const lots = Array.from({ length: 25 }, (_, k) => wanting(k + 2, ip()));
    const { placements, without } = allocate(highs, [hall], [stays, ...lots], wishes);
    expect(placements.find(({ id }) => id === 'c1')?.slot).toBe(18);
    expect([placements.length, without.length]).toEqual([24, 2]);
  });
  it('gives nobody the slot of a camera that stays where a rule is against it', () => {
    const stays = wanting(1, coax(), undefined, { placed: { recorderId: 'a', slot: 18 }, mayMove: false });
    expect(Object.values(slotsOf([hall], [stays, wanting(18, ip())]))).not.toContain('a 18');
  });
  it('spreads network cameras over recorders where load counts, and keeps them home where the building does', () => {
    const two = [
      small('a', 0, { kind: 'network-only', ipSlots: 8 }),
      small('b', 0, { kind: 'network-only', ipSlots: 8 }, { placeId: 'elsewhere' }),
    ];
    const six = Array.from({ length: 6 }, (_, k) => wanting(k + 1, ip()));
    const onB = (share: 'building' | 'load') =>
      Object.values(slotsOf(two, six, { share, numbers: 'any' })).filter((at) => at.startsWith('b')).length;
    expect([onB('building'), onB('load')]).toEqual([0, 3]);
  });
  it('leaves spare slots where it can without losing a camera', () => {
    const two = [small('a', 0, { kind: 'network-only', ipSlots: 4 })];
    expect(
      Object.keys(
        slotsOf(
          two,
          Array.from({ length: 4 }, (_, k) => wanting(k + 1, ip())),
          { spareSlots: 2 },
        ),
      ),
    ).toHaveLength(4);
  });
  it('gives the same again, in whatever order the cameras come', () => {
    const all = Array.from({ length: 20 }, (_, k) =>
      wanting(k + 1, k % 3 === 0 ? coax() : ip(), k < 16 ? k + 1 : undefined),
    );
    expect(slotsOf([hall], [...all].reverse())).toEqual(slotsOf([hall], all));
  });
  it('policy may keep families in blocks on a recorder that would mix them', () => {
    const mixed = [wanting(1, coax('cvbs'), 1), wanting(2, coax('hd720'), 2), wanting(3, coax('cvbs'), 3)];
    const fixed = [small('a', 8, { kind: 'fixed-hybrid', ipSlots: 0 })];
    expect(slotsOf(fixed, mixed)).toEqual({ c1: 'a 1', c2: 'a 2', c3: 'a 3' });
    expect(slotsOf(fixed, mixed, { blocks: 'separate' })['c2']).toBe('a 5');
  });
});
