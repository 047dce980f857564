import { describe, expect, it } from 'vitest';
import { evaluateSite } from '#core/evaluate';
import {
  inLineGearKinds,
  withCable,
  withFields,
  type Camera,
  type InLineGearKind,
  type OptionKind,
  type Place,
  type ProductOf,
  type QuantityTestId,
  type RadioPath,
  type Reading,
  type Run,
  type Site,
  type WireMap,
} from '#core/model/site';
import { catalogueOf, productOf } from '#core/model/catalogue';
import type { HdScheme } from '#core/physics/signal';
import { formatCheck } from '#core/test/findings';
import { usesOf } from '#core/test/uses';
import { readingsByRun } from '#core/test/readings';
import { saltmarrowUnshared } from '../../model/site/testSite';
import { brokenLimit, type FeasibleOption, type Option } from '.';

const demo = saltmarrowUnshared();

function optionsOf(site: Site, runId: string): Option[] {
  return evaluateSite(site).runs.find(({ run }) => run.id === runId)!.options;
}
const optionOf = (site: Site, runId: string, kind: OptionKind): Option =>
  optionsOf(site, runId).find((option) => option.kind === kind)!;
function possible(site: Site, runId: string, kind: OptionKind): FeasibleOption {
  const option = optionOf(site, runId, kind);
  if (option.state === 'no') throw new Error(option.why);
  return option;
}
function read(site: Site, runId: string, figures: Partial<Record<QuantityTestId, number>>): Site {
  const reading = { ...site.reading };
  for (const [test, value] of Object.entries(figures)) {
    const taken = {
      id: `${runId}-${test}-x`,
      runId,
      test,
      value,
      at: '2026-06-01T08:00:00Z',
      by: 'I. Marlow',
    };
    reading[taken.id] = { ...taken, instrument: 'Bench meter 1' } as Reading;
  }
  return { ...site, reading };
}
const withRun = (runId: string, fields: Partial<Run>): Site => ({
  ...demo,
  run: { ...demo.run, [runId]: { ...demo.run[runId]!, ...fields } },
});
const withPlace = (id: string, fields: Partial<Place>): Site => ({
  ...demo,
  place: { ...demo.place, [id]: { ...demo.place[id]!, ...fields } },
});
const overCoax = ['ip-coax-pair', 'ip-coax-unit'] as const;
const onTheLine = ['keep', 'hd-coax', ...overCoax] as const;

describe('water in the cable binds whatever goes on using it', () => {
  // Run 11 is 22 m: wet below 1 MΩ · 100/22 = 4.5, dry above 45.
  it.each(onTheLine)('%s holds dry, only just damp, and not wet', (kind) => {
    const at = (megohms: number) =>
      possible(read(demo, 'r11', { 'insulation-megohms': megohms }), 'r11', kind);
    expect([at(60), at(20), at(0.05)].map(({ state }) => state)).toEqual(['holds', 'close', 'fails']);
    expect(at(0.05).binding!.kind).toBe('insulation');
    expect(brokenLimit(at(0.05))!.remedy).toMatch(/cutting back to dry cable/);
    expect(at(20).cautions.join(' ')).toMatch(/Damp/);
  });
  it('the working names the limit at this length', () => {
    const margin = possible(
      read(demo, 'r11', { 'insulation-megohms': 0.05 }),
      'r11',
      'ip-coax-unit',
    ).margins.find((one) => one.kind === 'insulation')!;
    const { limit, steps, conclusion } = margin.derivation();
    expect(limit!.figure.value).toBeCloseTo(100 / 22, 6);
    expect(steps[0]!.formula).toBe('insulation-by-length');
    expect(conclusion).toMatch(/DC on a wet cable leaks/);
  });
  it('cable outdoors whose insulation nobody read says so before power goes on it', () => {
    for (const kind of overCoax) {
      expect(possible(demo, 'r06', kind).cautions.join(' ')).toMatch(/insulation was not read/);
      expect(possible(demo, 'r11', kind).cautions.join(' ')).not.toMatch(/insulation was not read/);
    }
  });
});

describe('different earths bind it too', () => {
  const apart = read(demo, 'r11', { 'shield-earth-volts': 18 });
  it('a picture gets an isolator, with its price and its hours, and only just holds', () => {
    for (const kind of ['keep', 'hd-coax'] as const) {
      const [before, after] = [possible(demo, 'r11', kind), possible(apart, 'r11', kind)];
      expect([before.state, after.state]).toEqual(['holds', 'close']);
      expect(after.parts).toContainEqual({ item: 'isolator', count: 1 });
      expect(after.tasks).toContainEqual({ item: 'fit-isolator', count: 1 });
      expect(after.cost).toBeGreaterThan(before.cost);
    }
  });
  it('an isolator that is there is not bought again', () => {
    const fitted = { ...apart, run: withRun('r11', { inLine: [{ kind: 'isolator', at: 'head-end' }] }).run };
    expect(possible(fitted, 'r11', 'keep')).toMatchObject({ state: 'holds', parts: [] });
  });
  it('power over the line does not hold: an isolator would block it', () => {
    for (const kind of overCoax) {
      const option = possible(apart, 'r11', kind);
      expect([option.state, option.binding!.kind]).toEqual(['fails', 'earth']);
      expect(brokenLimit(option)!.remedy).toMatch(/^fibre/);
    }
  });
  const roof = read(demo, 'r05', { 'shield-earth-volts': 18 });
  it('new copper from the same head end joins the same two earths; fibre does not', () => {
    expect(possible(demo, 'r05', 'new-category').state).toBe('holds');
    const option = possible(roof, 'r05', 'new-category');
    expect([option.state, option.binding!.kind]).toEqual(['fails', 'earth']);
    const apartAt19 = read(demo, 'r19', { 'shield-earth-volts': 18 });
    expect(possible(apartAt19, 'r19', 'fibre').state).toBe('holds');
  });
  it('from elsewhere it is in doubt, and what is to be read is told', () => {
    const newRoute = { kind: 'open', fromPlaceId: 'workshop', lengthM: 45 } as const;
    const option = possible({ ...roof, run: withRun('r05', { newRoute }).run }, 'r05', 'new-category');
    expect([option.state, option.binding!.kind]).toEqual(['close', 'earth']);
    expect(option.cautions.join(' ')).toMatch(/Read the volts between the earths/);
    // Run 17 reads 4.1 V to the ticket hall; its new route starts in the workshop, where its camera is.
    expect(possible(demo, 'r17', 'new-category').state).toBe('holds');
  });
});

describe('what a run is fit for says the same', () => {
  const useOf = (site: Site, runId: string, id: string) => {
    const { run, camera, findings } = evaluateSite(site).runs.find((one) => one.run.id === runId)!;
    return usesOf(site, run, camera, findings, readingsByRun(site).get(runId) ?? {}).uses.find(
      (use) => use.id === id,
    )!;
  };
  it('wet, apart or with an arrester in it', () => {
    expect(useOf(demo, 'r11', 'ip-coax').status).toBe('holds');
    expect(useOf(read(demo, 'r11', { 'insulation-megohms': 0.05 }), 'r11', 'ip-coax').status).toBe('fails');
    expect(useOf(read(demo, 'r11', { 'insulation-megohms': 0.05 }), 'r11', 'cvbs').status).toBe('fails');
    expect(useOf(read(demo, 'r11', { 'shield-earth-volts': 18 }), 'r11', 'ip-coax').status).toBe('fails');
    expect(useOf(read(demo, 'r11', { 'shield-earth-volts': 18 }), 'r11', 'cvbs').status).toBe('close');
    const arrester = withRun('r11', { inLine: [{ kind: 'surge-arrester', at: 'camera' }] });
    expect(useOf(arrester, 'r11', 'ip-coax')).toMatchObject({
      status: 'fails',
      message: 'not fit: surge arrester in the line',
    });
  });
});

describe('gear in the line', () => {
  const passing: readonly InLineGearKind[] = ['adapter'];
  it.each(inLineGearKinds)('%s lets data and power over the coax through only where it does', (kind) => {
    const site = withRun('r11', { inLine: [{ kind, at: 'on-the-way' }] });
    for (const option of overCoax) {
      const found = optionOf(site, 'r11', option);
      if (passing.includes(kind)) expect(found.state).toBe('holds');
      else
        expect(found).toMatchObject({ state: 'no', why: expect.stringMatching(/^In the line: /) as string });
    }
  });
  it('an arrester among the joints blocks it as one at an end does', () => {
    const [first, second] = demo.run['r06']!.segments;
    const site = withRun('r06', { segments: [{ ...first!, joint: 'surge-arrester' }, second!] });
    expect(optionOf(site, 'r06', 'ip-coax-unit')).toMatchObject({ state: 'no', short: 'arrester' });
  });
  it('an amplifier made for composite lets no HD picture through', () => {
    const site = withRun('r11', { inLine: [{ kind: 'amplifier', at: 'head-end' }] });
    expect(optionOf(site, 'r11', 'hd-coax')).toMatchObject({ state: 'no', short: 'amplifier' });
    expect(optionOf(site, 'r11', 'keep').state).toBe('holds');
  });
  it('a second load takes its 3.5 dB of the picture', () => {
    const lossOf = (site: Site) =>
      possible(site, 'r11', 'keep').margins.find(({ kind }) => kind === 'picture-loss')!.value;
    const terminated = withRun('r11', { inLine: [{ kind: 'terminator', at: 'on-the-way' }] });
    expect(lossOf(terminated) - lossOf(demo)).toBeCloseTo(3.5, 6);
  });
});

describe('new cable', () => {
  it('gets surge protectors at both ends where it leaves the building, and none inside', () => {
    const outdoor = possible(demo, 'r09', 'new-category');
    expect(outdoor.parts).toContainEqual({ item: 'surge-protector', count: 2 });
    expect(outdoor.tasks).toContainEqual({ item: 'fit-surge-protectors', count: 1 });
    expect(outdoor.cautions.join(' ')).toMatch(/surge protectors at both ends/);
    expect(possible(demo, 'r11', 'new-category').parts.map(({ item }) => item)).not.toContain(
      'surge-protector',
    );
  });
  it('for the power is protected too, with its hours', () => {
    // An AC camera takes no step-up; on thin cores without mains it is heavier ones that are left.
    const { feed } = demo.run['r14']!;
    if (feed.kind !== 'separate-pair') throw new Error('its cores lie apart');
    const thin = { ...feed, cable: 'power-2x22-cca', lengthM: 260 } as const;
    const unread = Object.entries(demo.reading).filter(([, { runId }]) => runId !== 'r14');
    const site = {
      ...withRun('r14', { feed: thin }),
      reading: Object.fromEntries(unread),
    };
    const option = possible(site, 'r14', 'power-fix');
    expect(option.newCableM).toBeGreaterThan(0);
    expect(option.tasks).toContainEqual({ item: 'fit-surge-protectors', count: 1 });
    expect(option.parts).toContainEqual({ item: 'surge-protector', count: 2 });
  });
  it('is of the strictest class that either end asks for', () => {
    const cableOf = (site: Site, kind: OptionKind) =>
      [possible(site, 'r11', kind)]
        .flatMap(({ parts, sharing }) => [...parts, ...sharing.flatMap((thing) => thing.parts)])
        .find(({ item }) => /cable/.test(item))!.item;
    expect([cableOf(demo, 'new-category'), cableOf(demo, 'fibre')]).toEqual([
      'category-cable-m',
      'fibre-cable-m',
    ]);
    const riser = withPlace('marshalling', { fireClass: 'riser' });
    expect([cableOf(riser, 'new-category'), cableOf(riser, 'fibre')]).toEqual([
      'category-cable-riser-m',
      'fibre-cable-riser-m',
    ]);
    expect(possible(riser, 'r11', 'new-category').cost).toBeGreaterThan(
      possible(demo, 'r11', 'new-category').cost,
    );
  });
});

describe('a radio', () => {
  it('keeps 10 dB for fading, 15 over water, and says so in its working', () => {
    const keptAt = (environment: Place['environment']) => {
      const rate = possible(withPlace('gatehouse', { environment }), 'r23', 'wireless').margins.find(
        ({ kind }) => kind === 'radio-rate',
      )!;
      const step = rate.derivation().steps.find(({ formula }) => formula === 'fade-margin')!;
      return { kept: step.inputs[1]!.value, leaves: step.result.value, value: rate.value };
    };
    const [land, water] = [keptAt('outdoor'), keptAt('marine')];
    expect([land.kept, water.kept]).toEqual([10, 15]);
    expect(water.leaves).toBeCloseTo(land.leaves! - 5, 9);
    expect(water.value).toBeLessThanOrEqual(land.value);
  });
});

describe('an explosive atmosphere', () => {
  it('nothing is planned there but to leave it, and it is said who must', () => {
    const site = withPlace('kiosks', { restrictions: ['explosive-atmosphere'] });
    for (const option of optionsOf(site, 'r09'))
      if (option.kind === 'keep')
        expect(option).toMatchObject({ cautions: [expect.stringMatching(/specialist/) as string] });
      else expect(option.state).toBe('no');
    expect(optionOf(site, 'r09', 'new-category')).toMatchObject({ short: 'hazard' });
  });
});

describe('a camera for DC on an AC rail', () => {
  // Runs 13 to 16 hang on the 24 V AC box of the quay.
  it('hangs on a converter, with its price, its hours and its loss', () => {
    const option = possible(demo, 'r14', 'hd-coax');
    expect(option.parts).toContainEqual({ item: 'camera-converter', count: 1 });
    expect(option.tasks).toContainEqual({ item: 'fit-camera-converter', count: 1 });
    expect(option.cautions[0]).toMatch(/Without it the camera burns/);
    expect(option.cautions[1]).toMatch(/^The converter gives at least \d\.\d A at 12 V\.$/);
    const volts = option.margins.find(({ kind }) => kind === 'night-volts')!;
    expect(volts.derivation().limit!.figure.value).toBe(18);
    expect(possible(demo, 'r01', 'hd-coax').parts.map(({ item }) => item)).not.toContain('camera-converter');
  });
  it('no camera for AC goes on a DC rail at all', () => {
    const camera = { ...demo.camera, c01: { ...demo.camera['c01']!, target: 'turning-4mp' as const } };
    expect(optionOf({ ...demo, camera }, 'r01', 'hd-coax')).toMatchObject({
      state: 'no',
      short: 'AC camera',
    });
    expect(possible(demo, 'r12', 'hd-coax').parts.map(({ item }) => item)).not.toContain('camera-converter');
  });
  it('a model that takes both needs nothing between', () => {
    const model = {
      ...demo.product,
      'hd-both': {
        id: 'hd-both',
        kind: 'camera',
        name: 'HD camera for AC or DC',
        each: 120,
        serves: 'fixed-4mp',
        signal: 'hd',
        megapixels: 4,
        watts: 3,
        lampWatts: 2,
        heaterWatts: 8,
        mbps: 0,
        format: 'hd4mp',
        supply: { current: 'either', minVolts: 11, maxVolts: 28 },
        from: 'data-sheet',
      },
    } satisfies Site['product'];
    const camera = { ...demo.camera, c14: { ...demo.camera['c14']!, modelId: 'hd-both' } };
    const option = possible({ ...demo, product: model, camera }, 'r14', 'hd-coax');
    expect(option.parts).toContainEqual({ item: 'hd-both', count: 1 });
    expect(option.parts.map(({ item }) => item)).not.toContain('camera-converter');
  });
});

describe('amps are those that flow', () => {
  it('on AC by volt-amperes, and at the volts that arrive', () => {
    const { draws } = possible(demo, 'r14', 'keep');
    const { source, findings } = { source: demo.supply['quay-box']!, findings: evaluateSite(demo) };
    const loop = findings.runs.find(({ run }) => run.id === 'r14')!.findings.powerLoop.ohms;
    // By hand: of 9 W the heater's 4 are 144 Ω, and the other 5 are 7.7 VA; k = 1 + R/144,
    // V = (26 + √(26² − 4·k·R·7.7))/2k, I = 7.7/V + V/144.
    const voltAmps = 5 / 0.65;
    const k = 1 + loop / 144;
    const volts = (source.setVolts + Math.sqrt(source.setVolts ** 2 - 4 * k * loop * voltAmps)) / (2 * k);
    expect(draws!.amps).toBeCloseTo(voltAmps / volts + volts / 144, 6);
  });
  it('a head-end unit gives what warms the coax too', () => {
    const given = (number: number) => {
      const { findings, options } = evaluateSite(demo).runs.find(({ camera }) => camera.number === number)!;
      const unit = options.find(({ kind }) => kind === 'ip-coax-unit') as FeasibleOption;
      const { sourceWatts: atStart, nightWatts: byNight } = unit.shared!;
      return { ohms: findings.coaxLoop.ohms, atStart, byNight: byNight! };
    };
    // By hand for camera 1: 5.5 W and 1.5 W of the converter from 50 V; I = (V − √(V² − 4·R·P))/2R.
    const { ohms, byNight, atStart } = given(1);
    const fromUnit = (watts: number) => (50 * (50 - Math.sqrt(50 ** 2 - 4 * ohms * watts))) / (2 * ohms);
    expect(byNight).toBeCloseTo(fromUnit(7), 6);
    // When all start together a camera takes a quarter more.
    expect(atStart).toBeCloseTo(fromUnit(1.25 * 5.5 + 1.5), 6);
    // The gatehouse is 480 m away: a twentieth and more of what is given warms its coax.
    expect(given(24).byNight).toBeGreaterThan(1.05 * 7);
  });
});

describe('what a feed bears at the start binds whatever hangs on it', () => {
  const withCamera = (id: string, fields: Partial<Camera>): Site => ({
    ...demo,
    camera: { ...demo.camera, [id]: { ...demo.camera[id]!, ...fields } },
  });
  it('a camera of 32 W does not hold on an adapter of 6 W', () => {
    const hungry = withCamera('c23', { watts: { day: 20, night: 32, startUp: 32 } });
    const weak: Site = {
      ...hungry,
      run: {
        ...hungry.run,
        r23: {
          ...hungry.run['r23']!,
          feed: { kind: 'local-adapter', current: 'dc', volts: 12.4, ratedAmps: 0.5 },
        },
      },
    };
    const keep = possible(weak, 'r23', 'keep');
    expect([keep.state, brokenLimit(keep)!.limit]).toEqual([
      'fails',
      expect.stringMatching(/amps of its feed/),
    ]);
    expect(brokenLimit(keep)!.remedy).toMatch(/stronger adapter/);
  });
  it('the start of a new camera counts, a quarter more than its night where its sheet says nothing', () => {
    // By hand: 2 + 1.6 W by night, 4.5 W at the start, over the loop of run 1 from 12.6 V.
    const { draws, margins } = possible(demo, 'r01', 'hd-coax');
    const { night } = { night: draws!.amps };
    expect(draws!.startUpAmps / night).toBeCloseTo(1.25, 1);
    expect(margins.find(({ kind }) => kind === 'feed-amps')).toMatchObject({
      value: draws!.startUpAmps,
      status: 'holds',
      utilisation: expect.closeTo(draws!.startUpAmps / 1.1, 9) as number,
    });
  });
  it('a heater is a resistance: it takes less where fewer volts arrive, and no volt-amperes beside its watts', () => {
    const told = withCamera('c13', { watts: { day: 4, night: 9, startUp: 11, heater: 5 } });
    const amps = (site: Site): number => possible(site, 'r13', 'keep').draws!.amps;
    expect(amps(told)).toBeLessThan(amps(demo));
  });
});

describe('fire rating on the jacket of the old cable', () => {
  const printed = (print: string, fireClass: Place['fireClass']): readonly string[] => {
    const [first, ...rest] = demo.run['r01']!.segments;
    const run = { ...demo.run['r01']!, segments: [{ ...first!, print }, ...rest] };
    const placeId = demo.camera['c01']!.placeId;
    const at: Site = {
      ...demo,
      run: { ...demo.run, r01: run },
      place: { ...demo.place, [placeId]: { ...demo.place[placeId]!, fireClass } },
    };
    return possible(at, 'r01', 'ip-coax-unit').cautions.filter((caution) => /fire/.test(caution));
  };
  it.each([
    ['RG59 20AWG BC CMP', 'plenum', 0],
    ['RG59 20AWG BC CMP', 'riser', 0],
    ['RG59 20AWG BC CMR', 'riser', 0],
    ['RG59 20AWG BC CMR', 'plenum', 1],
    ['RG59 20AWG BC CM', 'riser', 1],
    ['RG59 20AWG BC LSZH', 'escape-route', 0],
    ['RG59 20AWG BC Eca', 'escape-route', 1],
    ['RG59 20AWG BC', 'riser', 1],
    ['RG59 20AWG BC CM', undefined, 0],
  ] as const)('%s where cable has to be %s: %d word of it', (print, fireClass, count) =>
    expect(printed(print, fireClass)).toHaveLength(count),
  );
});

describe('light and radio', () => {
  const withEnd = (fields: Partial<ProductOf<'fibre-end'>>): Site => ({
    ...demo,
    run: {
      ...demo.run,
      r20: { ...demo.run['r20']!, newRoute: { kind: 'open', fromPlaceId: 'workshop', lengthM: 300 } },
    },
    product: {
      'fibre-end': { ...productOf(catalogueOf(demo), 'fibre-end', 'fibre-end'), ...fields },
    },
  });
  const fibre = (fields: Partial<ProductOf<'fibre-end'>>): FeasibleOption =>
    possible(withEnd(fields), 'r20', 'fibre');
  const loss = ({ margins }: FeasibleOption) => margins.find(({ kind }) => kind === 'light-loss')!.value;
  it('a strong sender on a short link gets attenuators, which the budget has to bear too', () => {
    const weak = fibre({});
    const bought = ({ sharing }: FeasibleOption) => sharing.flatMap(({ parts }) => parts);
    expect(bought(weak).map(({ item }) => item)).not.toContain('fibre-attenuator');
    // A good 300 m lose 0.06 + 0.6 + 0.06 dB: with 8 dB asked for, two steps of 5.
    const strong = fibre({ leastLossDb: 8, budgetDb: 24 });
    expect(bought(strong)).toContainEqual({ item: 'fibre-attenuator', count: 2 });
    expect(loss(strong) - loss(weak)).toBeCloseTo(10, 9);
    expect(strong.cautions.join()).toMatch(/blinds its receivers/);
  });
  it.each([
    ['om1', 1000, 'fails'],
    ['om2', 1000, 'holds'],
    ['om1', 100, 'holds'],
    ['om2', 10_000, 'fails'],
    ['om3', 10_000, 'close'],
    ['om4', 10_000, 'holds'],
    ['om4', 40_000, 'fails'],
  ] as const)('300 m of %s at %d Mb/s: %s', (grade, mbps, status) => {
    const { margins } = fibre({ fibre: grade, mbps, budgetDb: 24 });
    expect(margins.find(({ kind }) => kind === 'light-reach')!.status).toBe(status);
  });
  it('a media converter needs mains where it stands', () => {
    const dark = withEnd({});
    const at: Site = {
      ...dark,
      place: { ...dark.place, workshop: { ...dark.place['workshop']!, mains: false } },
    };
    expect(optionOf(at, 'r20', 'fibre')).toMatchObject({ state: 'no', short: 'no mains' });
  });
  const withPath = (fields: Partial<RadioPath>): Site => ({
    ...demo,
    radioPath: { 'gatehouse-hall': { ...demo.radioPath['gatehouse-hall']!, ...fields } },
  });
  it('a radio is not sure before both ends were listened at', () => {
    const { heardFar: _, ...nearOnly } = demo.radioPath['gatehouse-hall']!;
    const near = possible({ ...demo, radioPath: { 'gatehouse-hall': nearOnly } }, 'r23', 'wireless');
    const rate = ({ margins }: FeasibleOption) => margins.find(({ kind }) => kind === 'radio-rate')!;
    expect(rate(possible(demo, 'r23', 'wireless')).unread).toBe(false);
    expect([rate(near).unread, rate(near).status]).not.toContain('holds');
    expect(near.cautions.join()).toMatch(/Nobody has listened.*Ticket hall.*busy hour/);
  });
  it('says whose rules hold, and how long a channel listens for radar', () => {
    expect(possible(demo, 'r23', 'wireless').cautions.join()).toMatch(
      /Europe \(ETSI\): at most 30 dBm.*gives way to radar: it listens for 60 s/,
    );
    const { region: _, ...unsaid } = demo.radioPath['gatehouse-hall']!;
    expect(
      possible({ ...demo, radioPath: { 'gatehouse-hall': unsaid } }, 'r23', 'wireless').cautions.join(),
    ).toMatch(/Nobody noted whose radio rules/);
  });
  it('a strong radio is turned down to what the region allows', () => {
    const rateAt = (site: Site): number =>
      possible(site, 'r23', 'wireless').margins.find(({ kind }) => kind === 'radio-rate')!.value;
    const radio = productOf(catalogueOf(demo), 'radio', 'radio');
    const far = withPath({ distanceM: 6000 });
    const strong: Site = { ...far, product: { radio: { ...radio, eirpDbm: 40 } } };
    const allowed: Site = { ...far, product: { radio: { ...radio, eirpDbm: 30 } } };
    expect(rateAt(strong)).toBe(rateAt(allowed));
  });
});

describe('powered cables that lie together', () => {
  const kin = (count: number): readonly string[] => {
    const [run, camera] = [demo.run['r20']!, demo.camera['c20']!];
    const more = Array.from({ length: count }, (_, k) => k + 100);
    const site: Site = {
      ...demo,
      camera: {
        ...demo.camera,
        ...Object.fromEntries(more.map((n) => [`c${n}`, { ...camera, id: `c${n}`, number: n }])),
      },
      run: {
        ...demo.run,
        ...Object.fromEntries(more.map((n) => [`r${n}`, { ...run, id: `r${n}`, cameraId: `c${n}` }])),
      },
    };
    return possible(site, 'r20', 'ip-category').cautions.filter((one) => /together/.test(one));
  };
  it('warm each other: said with their count from seven on', () => {
    expect(kin(0)).toEqual([]);
    // Three lie to the boat shed already.
    expect(kin(6)).toEqual([expect.stringMatching(/^9 powered cables/)]);
  });
});

describe('what a cable tester finds binds power and data over category cable', () => {
  const mapped = (site: Site, runId: string, found: WireMap): Site => ({
    ...site,
    reading: {
      ...site.reading,
      [`${runId}-map`]: {
        id: `${runId}-map`,
        runId,
        test: 'wire-map',
        found,
        at: '2026-06-01T08:00:00Z',
        by: 'I. Marlow',
        instrument: 'Cable tester 1',
      },
    },
  });
  const state = (site: Site) => possible(site, 'r20', 'ip-category').state;
  it.each([
    ['straight', 'holds'],
    ['open', 'fails'],
    ['short', 'fails'],
    ['crossed', 'close'],
    ['reversed', 'close'],
    ['split', 'close'],
  ] as const)('a wire map that is %s: %s', (found, expected) =>
    expect(state(mapped(demo, 'r20', found))).toBe(expected),
  );
  it.each([
    ['pair-unbalance-percent', 2, 'holds'],
    ['pair-unbalance-percent', 3.2, 'fails'],
    ['between-pairs-unbalance-percent', 9, 'close'],
    ['insertion-loss-db', 16, 'holds'],
    ['insertion-loss-db', 23, 'fails'],
    ['next-db', 40, 'holds'],
    ['next-db', 20, 'fails'],
    ['poe-load-watts', 3, 'fails'],
  ] as const)('%s of %d: %s', (test, value, expected) =>
    expect(state(read(demo, 'r20', { [test]: value }))).toBe(expected),
  );
  it('pairs that are uneven among themselves fail a camera that takes power from all four', () => {
    const uneven = read(demo, 'r20', { 'between-pairs-unbalance-percent': 9 });
    const heated: Site = {
      ...uneven,
      camera: {
        ...uneven.camera,
        c20: { ...uneven.camera['c20']!, target: 'turning-4mp', needs: { heater: true, lamps: true } },
      },
    };
    const margin = possible(heated, 'r20', 'ip-category').margins.find(({ kind }) => kind === 'pair-test');
    expect(margin?.status).toBe('fails');
  });
  it('a certified loss tells more than the length, and a length that was read more than one that was noted', () => {
    // Run 22 is noted as 91 m: close by its length.
    expect(possible(demo, 'r22', 'ip-category').state).toBe('close');
    expect(possible(read(demo, 'r22', { 'insertion-loss-db': 17 }), 'r22', 'ip-category').state).toBe(
      'holds',
    );
    const longer = possible(read(demo, 'r20', { 'pair-length-m': 98 }), 'r20', 'ip-category');
    expect([longer.state, longer.binding!.kind]).toEqual(['fails', 'channel']);
    expect(longer.binding!.basis).toBe('measured');
  });
  it('clad aluminium by the cable’s own sheet is no more than close either', () => {
    const of = (material: 'copper' | 'cca') =>
      possible(
        withRun(
          'r20',
          withCable(demo.run['r20']!, 0, {
            kind: 'pair',
            id: 'shed-pairs',
            name: 'Shed pairs',
            material,
            conductorOhmPerKm: 90,
            pairs: 4,
            loss: [{ mhz: 100, dbPer100m: 21 }],
            velocityFactor: 0.68,
            impedanceOhms: 100,
          }),
        ),
        'r20',
        'ip-category',
      ).state;
    expect([of('copper'), of('cca')]).toEqual(['holds', 'close']);
  });
  it('clad aluminium that a certifier passes is still no more than close', () => {
    const passed = possible(read(demo, 'r21', { 'insertion-loss-db': 17 }), 'r21', 'ip-category');
    expect(passed.state).toBe('close');
  });
  it('bench and options say the same', () => {
    for (const [test, value] of [
      ['next-db', 20],
      ['insertion-loss-db', 16],
    ] as const) {
      const site = read(demo, 'r20', { [test]: value });
      const { run, camera, findings } = evaluateSite(site).runs.find((one) => one.run.id === 'r20')!;
      const { uses } = usesOf(site, run, camera, findings, readingsByRun(site).get('r20')!);
      expect(uses.find(({ id }) => id === 'ip-category')!.status).toBe(state(site));
    }
  });
});

describe('HD schemes that do not understand each other', () => {
  const withSchemes = (recorder: HdScheme[] | undefined, product: HdScheme[] | undefined): Site => {
    const hall = demo.recorder['hall-recorder']!;
    const model = productOf(catalogueOf(demo), 'hd-fixed-4mp', 'camera');
    return {
      ...demo,
      recorder: { ...demo.recorder, 'hall-recorder': withFields(hall, { schemes: recorder }) },
      product: { [model.id]: withFields(model, { schemes: product }) },
    };
  };
  const hd = (site: Site): Option => optionOf(site, 'r02', 'hd-coax');
  it('a camera of another scheme than the recorder’s is no option', () => {
    expect(hd(withSchemes(['a'], ['b']))).toMatchObject({ state: 'no', short: 'other scheme' });
    expect(hd(withSchemes(['a', 'b'], ['b'])).state).not.toBe('no');
  });
  it('what nobody has read is said before it is bought', () => {
    const unread = (site: Site) => possible(site, 'r02', 'hd-coax').cautions.join();
    expect(unread(withSchemes(['a'], undefined))).toMatch(/Three HD schemes.*Read both sheets/);
    expect(unread(withSchemes(['a'], ['a']))).not.toMatch(/Three HD schemes/);
  });
  it('a camera that is there is held against the input it is on', () => {
    const site: Site = {
      ...withSchemes(['a'], undefined),
      camera: { ...demo.camera, c03: { ...demo.camera['c03']!, scheme: 'c', schemeSetBy: 'switch' } },
    };
    const check = formatCheck(site, site.run['r03']!, site.camera['c03']!);
    expect(check.wrong.join()).toMatch(/HD scheme that .* does not understand.*switch on its lead/);
    expect(formatCheck(demo, demo.run['r03']!, demo.camera['c03']!).agrees).toBe(true);
  });
});
