import { withRulesOf } from '#core/model/slotRules';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evaluateSite } from '#core/evaluate';
import { optionKinds, type Camera, type OptionKind, type Place, type Run, type Site } from '#core/model/site';
import { saltmarrowUnshared } from '../../model/site/testSite';
import { catalogueOf, eachOf } from '#core/model/catalogue';
import { asKnown, pessimistic } from '#core/test/scenarios';
import {
  brokenLimit,
  levelsOf,
  mixes,
  totalOf,
  unitCostOf,
  unitSizes,
  type FeasibleOption,
  type Option,
} from '.';
import { shareOf } from './sharing';
import { viewNeed } from '#core/model/views';

const site = saltmarrowUnshared();
const catalogue = catalogueOf(site);
const id = (n: number) => String(n).padStart(2, '0');

function optionOf(at: Site, number: number, kind: OptionKind): Option {
  return evaluateSite(at)
    .runs.find(({ camera }) => camera.number === number)!
    .options.find((option) => option.kind === kind)!;
}
function possible(at: Site, number: number, kind: OptionKind): FeasibleOption {
  const option = optionOf(at, number, kind);
  if (option.state === 'no') throw new Error(option.why);
  return option;
}
const withRun = (n: number, fields: Partial<Run>): Site => ({
  ...site,
  run: { ...site.run, [`r${id(n)}`]: { ...site.run[`r${id(n)}`]!, ...fields } },
});
const withCamera = (n: number, fields: Partial<Camera>): Site => ({
  ...site,
  camera: { ...site.camera, [`c${id(n)}`]: { ...site.camera[`c${id(n)}`]!, ...fields } },
});
const withPlace = (placeId: string, fields: Partial<Place>): Site => ({
  ...site,
  place: { ...site.place, [placeId]: { ...site.place[placeId]!, ...fields } },
});

const segmentsOf = (n: number, lengthM: number): Pick<Run, 'segments'> => ({
  segments: site.run[`r${id(n)}`]!.segments.map((segment) => ({ ...segment, lengthM })),
});

describe('every camera', () => {
  const { runs } = evaluateSite(site);
  it('has every option, in the same order', () => {
    for (const { options } of runs) expect(options.map(({ kind }) => kind)).toEqual(optionKinds);
  });
  it('what cannot be done says why, and what does not hold says what would', () => {
    for (const option of runs.flatMap(({ options }) => options)) {
      if (option.state === 'no') expect(option.why.length).toBeGreaterThan(10);
      else if (option.state === 'fails')
        expect(brokenLimit(option)).toMatchObject({
          limit: expect.stringContaining(option.binding!.label) as string,
          remedy: expect.stringMatching(/\w{4,}/) as string,
        });
      else expect(brokenLimit(option)).toBeNull();
    }
  });
  it('every margin has a derivation that ends in its figure', () => {
    for (const option of runs.flatMap(({ options }) => options)) {
      if (option.state === 'no') continue;
      for (const { derivation, value } of option.margins) {
        expect(derivation().steps.length).toBeGreaterThan(0);
        expect(
          derivation().steps.some(({ result, inputs }) =>
            [result, ...inputs].some(
              (figure) => figure.value !== null && Math.abs(figure.value - value) < 1e-9,
            ),
          ),
        ).toBe(true);
      }
    }
  });
  it('cost is parts, labour and the port, to the unit', () => {
    for (const option of runs.flatMap(({ options }) => options)) {
      if (option.state === 'no') continue;
      expect(option.cost).toBe(
        Math.round(
          option.parts.reduce(
            (sum, { item, count }) => sum + eachOf(catalogue.products.get(item)!)! * count,
            0,
          ),
        ) +
          option.labourCost +
          option.portCost +
          Math.round(
            option.sharing.reduce(
              (sum, thing) => sum + shareOf(thing) * unitCostOf(catalogue, thing).cost,
              0,
            ),
          ),
      );
      expect(option.darkHours).toBeLessThanOrEqual(option.hours);
    }
  });
});

describe('options on the demo site', () => {
  it('the weighbridge cannot keep its camera, and IP over coax would hold', () => {
    const kept = possible(site, 8, 'keep');
    expect(kept.state).toBe('fails');
    expect(brokenLimit(kept)!.remedy).toMatch(/pair|supply/);
    expect(possible(site, 8, 'ip-coax-unit').state).toBe('holds');
  });
  it('watts over coax are those of the worked feed, less what the converter takes', () => {
    // 212 m of RG-59 at 25 °C read 8.9 Ω: 30 W from the 50 V that a port gives at least lose 3.2 W on the way; of the rest a device may take 25.5 W, and 1.5 W stay in the converter.
    const watts = possible(site, 8, 'ip-coax-unit').margins.find(({ unit }) => unit === 'W')!;
    const amps = 30 / 50;
    const read = 8.9;
    const arrives = (50 - amps * read) * amps;
    expect(arrives).toBeGreaterThan(25.5);
    expect(watts.value).toBeCloseTo(25.5 - 1.5, 9);
    expect(watts.basis).toBe('measured');
    expect(possible(site, 15, 'ip-coax-unit').margins[0]!.basis).toBe('typical');
  });
  it('the head-end converter of a pair takes its watts too', () => {
    expect(possible(site, 8, 'ip-coax-pair').margins[0]!.value).toBeLessThan(
      possible(site, 8, 'ip-coax-unit').margins[0]!.value,
    );
  });
  it('the listed hall takes no new cable, the gatehouse has no route, and a camera worn out is not kept', () => {
    expect(optionOf(site, 1, 'new-category')).toMatchObject({
      state: 'no',
      why: expect.stringMatching(/Listed building/) as string,
    });
    expect(optionOf(site, 23, 'new-category')).toMatchObject({
      state: 'no',
      why: 'No route without trenching.',
    });
    expect(optionOf(site, 24, 'keep')).toMatchObject({ state: 'no' });
  });
  it('a hundred metres is the end of Ethernet, whatever feeds it', () => {
    expect(possible(site, 22, 'new-category')).toMatchObject({
      state: 'fails',
      binding: { unit: 'm', value: 108 },
    });
    // 91 m lie there: more than the 90 m of a fixed link, and with short cords still less than a channel.
    expect(possible(site, 22, 'ip-category')).toMatchObject({ state: 'close', binding: { kind: 'channel' } });
    const hot = site.run['r20']!.segments.map((segment) => ({ ...segment, temperatureC: 60 }));
    expect(possible(site, 20, 'ip-category').state).toBe('holds');
    expect(possible(withRun(20, { segments: hot }), 20, 'ip-category').state).toBe('holds');
    const longer = hot.map((segment) => ({ ...segment, lengthM: 85 }));
    expect(possible(withRun(20, { segments: longer }), 20, 'ip-category')).toMatchObject({
      state: 'fails',
      binding: { kind: 'channel' },
    });
  });
  it('baluns and PoE only where there is category cable, coax options only on coax', () => {
    expect(optionOf(site, 1, 'baluns').state).toBe('no');
    expect(optionOf(site, 1, 'ip-category').state).toBe('no');
    expect(
      ['hd-coax', 'ip-coax-pair', 'ip-coax-unit'].map((kind) => optionOf(site, 20, kind as OptionKind).state),
    ).toEqual(['no', 'no', 'no']);
    expect(possible(site, 20, 'baluns').margins[0]!.label).toMatch(/picture/);
  });
  it('copper-clad aluminium is warned of, and never simply holds', () => {
    const { state, binding, cautions } = possible(site, 21, 'ip-category');
    // 88 m count as 105.6: more than a channel may have.
    expect([state, binding!.kind]).toEqual(['fails', 'channel']);
    expect(cautions.join()).toMatch(/Copper-clad aluminium/);
    const short = possible(withRun(21, segmentsOf(21, 50)), 21, 'ip-category');
    expect([short.state, short.binding!.derivation().conclusion]).toEqual([
      'close',
      expect.stringMatching(/Copper-clad aluminium/),
    ]);
  });
});

describe('what changes an option', () => {
  it('a splitter blocks Ethernet over coax until it is out', () => {
    const segments = site.run['r06']!.segments.map((segment, index) =>
      index === 0 ? { ...segment, joint: 'splitter' as const } : segment,
    );
    expect(optionOf(withRun(6, { segments }), 6, 'ip-coax-unit')).toMatchObject({
      state: 'no',
      short: 'splitter',
    });
  });
  it('a long run lowers the picture format before it gives up', () => {
    const longer = (lengthM: number) =>
      withRun(1, {
        segments: [{ ...site.run['r01']!.segments[0]!, lengthM }],
        feed: { kind: 'local-adapter', current: 'dc', volts: 12.4, ratedAmps: 2 },
      });
    const format = (lengthM: number) => {
      const { signal } = possible(longer(lengthM), 1, 'hd-coax');
      return signal.kind === 'coax' ? signal.format : '';
    };
    expect([100, 300, 420].map(format)).toEqual(['hd4mp', 'hd1080', 'hd720']);
    expect(possible(longer(300), 1, 'hd-coax').cautions[0]).toMatch(/Lowered to/);
    expect(possible(longer(900), 1, 'hd-coax').state).toBe('fails');
  });
  it('an AC camera on a DC rail is not kept', () => {
    const { supply } = site.camera['c12']!;
    expect(possible(withCamera(1, { supply: { ...supply, current: 'ac' } }), 1, 'keep').state).toBe('fails');
  });
  it('a recorder that takes no HD rules it out', () => {
    const recorder = { ...site.recorder['hall-recorder']!, accepts: ['cvbs'] };
    expect(
      optionOf({ ...site, recorder: { ...site.recorder, 'hall-recorder': recorder } }, 1, 'hd-coax'),
    ).toMatchObject({ state: 'no', short: 'no HD input' });
  });
  it('height costs hours, a lift costs hire, and both are warned of', () => {
    const ground = possible(withPlace('lanes', { access: { by: 'ground', heightM: 0 } }), 8, 'ip-coax-unit');
    const lift = possible(site, 8, 'ip-coax-unit');
    expect(lift.hours).toBeGreaterThan(ground.hours);
    expect(lift.sharing.map(({ key }) => key)).toEqual(['lift lanes']);
    expect(lift.shareCost).toBeGreaterThan(0);
    expect(lift.cautions.join()).toMatch(/height/);
  });
  it('a longer coax never carries more', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 10, max: 1500, noNaN: true }),
        fc.double({ min: 1, max: 400, noNaN: true }),
        (lengthM, moreM) => {
          const at = (metres: number) =>
            possible(
              withRun(15, { segments: [{ ...site.run['r15']!.segments[0]!, lengthM: metres }] }),
              15,
              'ip-coax-pair',
            ).margins.map(({ value }) => value);
          const [watts, mbps] = at(lengthM);
          const [fewerWatts, fewerMbps] = at(lengthM + moreM);
          expect(fewerWatts).toBeLessThanOrEqual(watts!);
          expect(fewerMbps).toBeLessThanOrEqual(mbps!);
        },
      ),
      { numRuns: 25 },
    );
  });
});

describe('every way of the table', () => {
  const withReading = (reading: Site['reading'][string], at: Site = site): Site => ({
    ...at,
    reading: { ...at.reading, [reading.id]: reading },
  });
  const taken = { at: '2026-06-01T09:00:00Z', by: 'I. Marlow', instrument: 'Pair 1' };
  it('mends the power alone where the picture holds and the volts do not, without new cable where that will do', () => {
    const option = possible(site, 8, 'power-fix');
    expect(option).toMatchObject({ state: 'holds', newCableM: 0, signal: { kind: 'coax' } });
    expect(option.margins.find(({ unit }) => unit === 'V')!.value).toBeGreaterThan(10.8);
    expect(optionOf(site, 1, 'power-fix')).toMatchObject({ state: 'no', short: 'power holds' });
    expect(optionOf(site, 24, 'power-fix')).toMatchObject({ state: 'no', short: 'worn out' });
  });
  it('a supply of its own takes the camera off the box, whose fuse then says nothing of it', () => {
    const { feed } = site.run['r08']!;
    if (feed.kind === 'local-adapter') throw new Error('it hangs on a box');
    const box = site.supply[feed.supplyId]!;
    const outputs = box.outputs.map((output) => ({ ...output, fuseAmps: 0.1 }));
    const weak = { ...site, supply: { ...site.supply, [box.id]: { ...box, outputs } } };
    const option = possible(weak, 8, 'power-fix');
    expect(option.parts.map(({ item }) => item)).toContain('step-up-pair');
    expect(option).toMatchObject({ state: 'holds', draws: null, fedLocally: false });
    expect(option.cautions.join(' ')).toMatch(/leave the output of the box/);
    expect(possible(weak, 8, 'keep').margins).toContainEqual(
      expect.objectContaining({ kind: 'feed-amps', status: 'fails' }),
    );
  });
  it('fibre needs mains at the camera and a route, and carries no power', () => {
    expect(optionOf(site, 6, 'fibre')).toMatchObject({
      state: 'no',
      why: expect.stringMatching(/no power.*no mains at Lanes/) as string,
    });
    expect(optionOf(site, 23, 'fibre')).toMatchObject({ state: 'no', short: 'no route' });
    const option = possible(site, 19, 'fibre');
    expect(option).toMatchObject({ fedLocally: true, newCableM: 70, shared: null });
    expect(option.margins[0]!.value).toBeCloseTo(0.5 * 0.07 + 2 * 0.3 + 4 * 0.75 + 3, 6);
    expect(option.cautions.join()).toMatch(/never look into a fibre end/);
  });
  it('a radio needs a path that somebody noted; cameras of a place share its air', () => {
    expect(optionOf(site, 20, 'wireless')).toMatchObject({ state: 'no', short: 'not noted' });
    const [rate, room] = possible(site, 23, 'wireless').margins;
    // Two 4 MP cameras at the gatehouse stream 12 Mb/s together.
    expect(rate!.utilisation).toBeCloseTo(12 / rate!.value, 6);
    expect(room!.value).toBe(3.5);
    const low = {
      ...site,
      radioPath: { 'gatehouse-hall': { ...site.radioPath['gatehouse-hall']!, clearanceM: 0.5 } },
    };
    const lowered = possible(low, 23, 'wireless');
    expect(lowered.state).toBe('fails');
    expect(brokenLimit(lowered)!.remedy).toMatch(/masts/);
    expect(rate!.status).toBe('holds');
    const { clearanceM: _, ...unmeasured } = site.radioPath['gatehouse-hall']!;
    const [unsure] = possible(
      { ...site, radioPath: { 'gatehouse-hall': unmeasured } },
      23,
      'wireless',
    ).margins;
    expect(unsure).toMatchObject({ status: 'close', unread: true });
    expect(unsure!.derivation().conclusion).toMatch(/if the beam is clear, which nobody has measured/);
    const walled = {
      ...site,
      radioPath: { 'gatehouse-hall': { ...site.radioPath['gatehouse-hall']!, sight: 'blocked' as const } },
    };
    expect(optionOf(walled, 23, 'wireless')).toMatchObject({ state: 'no', short: 'no sight' });
  });
  it('a view is given up only where somebody agreed', () => {
    expect(optionOf(site, 22, 'retire')).toMatchObject({ state: 'no', short: 'not agreed' });
    expect(possible(withCamera(22, { mayGo: true }), 22, 'retire')).toMatchObject({
      binding: null,
      signal: { kind: 'none' },
      parts: [{ item: 'disposal', count: 1 }],
      hours: expect.any(Number) as number,
    });
  });
  it('the heater stays on the old pair where the coax cannot carry it as well', () => {
    const tight = withReading({ ...taken, id: 'x', runId: 'r13', test: 'coax-loop-ohms', value: 58 });
    const option = possible(tight, 13, 'ip-coax-unit');
    expect(option.message).toMatch(/heater stays on the old power pair/);
    expect(option.draws).toMatchObject({ supplyId: 'quay-box' });
    expect(option.state).not.toBe('fails');
    expect(possible(site, 13, 'ip-coax-unit').draws).toBeNull();
  });
  it('says how much shorter would do, and it would, and a few metres more would not', () => {
    const long = (lengthM: number): Option => {
      const at = withRun(15, {
        segments: [{ ...site.run['r15']!.segments[0]!, cable: 'coax-rg59-cu', lengthM }],
      });
      return optionOf(
        { ...at, camera: { ...at.camera, c15: { ...at.camera['c15']!, heater: false } } },
        15,
        'ip-coax-pair',
      );
    };
    const option = long(2500);
    if (option.state === 'no') throw new Error(option.why);
    const shorterM = Number(/a run (\d+) m shorter/.exec(brokenLimit(option)!.remedy)![1]);
    expect(long(2500 - shorterM - 1).state).not.toBe('fails');
    expect(long(2500 - shorterM + 5).state).toBe('fails');
  });
  it('a link that was tested decides over the model, rate and watts', () => {
    const tested = possible(
      withReading({
        ...taken,
        id: 'x',
        runId: 'r15',
        test: 'link',
        rateMbps: 100,
        throughputMbps: 2.5,
        lostPercent: 0,
        deliveredWatts: 11,
      }),
      15,
      'ip-coax-pair',
    );
    expect(tested.margins.map(({ value, basis }) => [value, basis])).toEqual([
      [11, 'measured'],
      [2.5, 'measured'],
    ]);
    expect(tested.state).toBe('fails');
  });
  it('a data sheet’s table decides over the model, at the next longer distance', () => {
    const converter = catalogue.products.get('coax-converter')!;
    const tabled = {
      ...site,
      product: {
        'coax-converter': {
          ...converter,
          distances: [
            { lengthM: 100, mbps: 90, watts: 26 },
            { lengthM: 350, mbps: 41, watts: 12 },
          ],
        } as never,
      },
    };
    expect(possible(tabled, 15, 'ip-coax-pair').margins.map(({ value, basis }) => [value, basis])).toEqual([
      [12, 'data-sheet'],
      [41, 'data-sheet'],
    ]);
    expect(possible(tabled, 23, 'ip-coax-pair')).toMatchObject({ state: 'fails' });
  });
  it('nothing goes through a line that was read as open, and nothing is fitted on one with dangerous volts without saying so', () => {
    expect(
      optionOf(
        withReading({ ...taken, id: 'x', runId: 'r01', test: 'continuity', found: 'open' }),
        1,
        'ip-coax-unit',
      ),
    ).toMatchObject({ state: 'no', short: 'open' });
    expect(
      possible(
        withReading({ ...taken, id: 'x', runId: 'r01', test: 'foreign-ac-volts', value: 120 }),
        1,
        'ip-coax-unit',
      ).cautions[0],
    ).toMatch(/nobody touches it/);
  });
  it('a view asks for the class that its detail takes', () => {
    const need = (fields: Partial<Camera>) => viewNeed(site, { ...site.camera['c08']!, ...fields });
    // 1/3 inch and 6 mm see 11.2 m wide at 14 m: 250 px/m are 2800 pixels, 125 are 1400.
    expect(need({ needs: { detail: 'identify' } })).toMatchObject({
      suggests: 'fixed-8mp',
      pixelsAcross: expect.closeTo(2800, 0) as number,
    });
    expect(need({ needs: { detail: 'recognise' } })).toMatchObject({ suggests: 'fixed-2mp', megapixels: 2 });
    expect(need({ needs: { detail: 'inspect' } }).beyond).toBe(true);
    expect(need({ needs: { lamps: false } }).ip.nightWatts).toBe(5.5);
    expect(need({ needs: { lamps: true, heater: true } }).ip.nightWatts).toBe(16);
  });
  it('each margin is worse the worse everything turns out, and as known where nothing does', () => {
    for (const option of evaluateSite(site).runs.flatMap(({ options }) => options)) {
      if (option.state === 'no') continue;
      for (const margin of option.margins) {
        if (margin.label !== 'volts by night' || margin.utilisation < 90)
          expect(margin.under(asKnown)).toBeCloseTo(margin.utilisation, 6);
        expect(margin.under(pessimistic)).toBeGreaterThanOrEqual(margin.under(asKnown) - 1e-9);
      }
    }
  });
});

describe('shared equipment', () => {
  it('ports that give power and stand there already are used first', () => {
    const chosen = [possible(site, 20, 'ip-category')];
    const there = {
      ...site,
      equipment: {
        ...site.equipment,
        sw: {
          id: 'sw',
          name: 'Hall switch',
          placeId: 'ticket-hall',
          gear: { kind: 'switch' as const, ports: 8, poePorts: 8, poeWatts: 120, uplinkMbps: 1000 },
        },
      },
    };
    expect(totalOf(site, chosen).shared[0]!.cost).toBe(210);
    expect(totalOf(there, chosen).shared[0]).toMatchObject({ cost: 0, parts: [] });
  });
  it('a rack without room is said', () => {
    const rack = { ...site.equipment['hall-rack']!, gear: { kind: 'rack' as const, units: 4 } };
    expect(
      totalOf({ ...site, equipment: { ...site.equipment, 'hall-rack': rack } }, [
        possible(site, 1, 'ip-coax-unit'),
      ]).noRoomAt,
    ).toEqual(['ticket-hall']);
    expect(totalOf(site, [possible(site, 1, 'ip-coax-unit')]).noRoomAt).toEqual([]);
  });
  it('a dearer mix is taken where only that fits the rack', () => {
    const sizes = [
      { item: 'two-units', each: 100, ports: 8, watts: 100, portWatts: 30, mbps: 1000, rackUnits: 2 },
      { item: 'one-unit', each: 150, ports: 8, watts: 100, portWatts: 30, mbps: 1000, rackUnits: 1 },
    ];
    expect(
      mixes(sizes, { ports: 8, watts: 50, mbps: 10, fedMbps: 10, levels: [] }).map(({ cost, rackUnits }) => [
        cost,
        rackUnits,
      ]),
    ).toEqual([
      [100, 2],
      [150, 1],
    ]);
  });
});

describe('the total', () => {
  it('buys whole units, the cheapest mix with the ports and the watts', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 60 }), fc.integer({ min: 1, max: 900 }), (ports, watts) => {
        const bought = mixes(unitSizes(catalogue, 'coax-unit'), {
          ports,
          watts,
          mbps: 0,
          fedMbps: 0,
          levels: [],
        })[0]!.parts;
        const count = (item: string) => bought.find((part) => part.item === item)?.count ?? 0;
        const [eights, sixteens] = [count('coax-unit-8'), count('coax-unit-16')];
        expect(8 * eights + 16 * sixteens).toBeGreaterThanOrEqual(ports);
        expect(130 * eights + 250 * sixteens).toBeGreaterThanOrEqual(watts);
        const cost = 520 * eights + 880 * sixteens;
        for (let e = 0; e <= 9; e += 1)
          for (let s = 0; s <= 5; s += 1) {
            if (8 * e + 16 * s >= ports && 130 * e + 250 * s >= watts)
              expect(cost).toBeLessThanOrEqual(520 * e + 880 * s);
          }
      }),
    );
  });
  it('buys strong ports for as many cameras as need them, and weak ones for the rest', () => {
    const sizes = unitSizes(catalogue, 'poe-switch');
    const of = (item: string) => sizes.find((size) => size.item === item)!;
    const [weak, many, strong] = [of('poe-switch-8'), of('poe-switch-24'), of('poe-switch-8-strong')];
    expect([weak.portWatts, many.portWatts, strong.portWatts]).toEqual([30, 30, 90]);
    fc.assert(
      fc.property(fc.nat(20), fc.nat(12), (plain, hungry) => {
        fc.pre(plain + hungry > 0);
        const wanted = {
          ports: plain + hungry,
          watts: 15.4 * plain + 45 * hungry,
          mbps: 4 * (plain + hungry),
          fedMbps: 4 * (plain + hungry),
          levels: levelsOf(
            [
              { watts: 15.4, ports: plain },
              { watts: 45, ports: hungry },
            ],
            [15.4, 45],
          ),
        };
        // Every mix there is, by counting.
        let least = Infinity;
        for (let a = 0; a <= 8; a += 1)
          for (let b = 0; b <= 4; b += 1)
            for (let c = 0; c <= 8; c += 1)
              if (
                8 * a + 24 * b + 8 * c >= wanted.ports &&
                8 * c >= hungry &&
                weak.watts * a + many.watts * b + strong.watts * c >= wanted.watts - 1e-9
              )
                least = Math.min(least, weak.each * a + many.each * b + strong.each * c);
        expect(mixes(sizes, wanted)[0]!.cost).toBe(least);
      }),
    );
  });
  it('counts one port for all that a fibre or a radio brings, with what each of them streams', () => {
    const chosen = [23, 24].map((n) => possible(site, n, 'wireless'));
    const { shared } = totalOf(site, chosen);
    const { placeId } = chosen[0]!.sharing.find(({ port }) => port)!.port!;
    expect(shared).toMatchObject([{ of: 'poe-switch', placeId, ports: 1, watts: 0 }]);
    const streams = chosen.map(({ signal }) => (signal.kind === 'ip' ? signal.mbps : 0));
    expect(shared[0]!.mbps).toBeCloseTo(streams[0]! + streams[1]!, 9);
  });
  it('shares a unit among the cameras of one head end', () => {
    const chosen = [1, 2].map((n) => possible(site, n, 'ip-coax-unit'));
    const { shared, cost, parts } = totalOf(site, chosen);
    expect(shared).toMatchObject([
      { of: 'coax-unit', placeId: 'ticket-hall', ports: 2, parts: [{ item: 'coax-unit-8', count: 1 }] },
    ]);
    expect(cost).toBe(chosen.reduce((sum, option) => sum + option.cost - option.portCost, 0) + 520);
    expect(parts.find(({ item }) => item === 'coax-converter')?.count).toBe(2);
  });
  it('of nothing is nothing', () =>
    expect(totalOf(site, [])).toEqual({
      cost: 0,
      network: { cost: 0, hours: 0, darkHours: 0 },
      labourCost: 0,
      hours: 0,
      darkHours: 0,
      renewCost: 0,
      newCableM: 0,
      ipCameras: 0,
      parts: [],
      shared: [],
      recorders: [],
      noRoomAt: [],
    }));
});

it('a recorder without inputs takes no HD over coax, whatever formats are noted of it', () => {
  const without: Site = {
    ...site,
    recorder: Object.fromEntries(
      Object.entries(site.recorder).map(([key, recorder]) => [
        key,
        withRulesOf({ ...recorder, accepts: ['cvbs', 'hd720', 'hd1080'] }, 'network-only'),
      ]),
    ),
  };
  const option = evaluateSite(without)
    .runs.find(({ camera }) => camera.number === 1)!
    .options.find(({ kind }) => kind === 'hd-coax')!;
  expect(option).toMatchObject({ state: 'no', short: 'no HD input' });
});
