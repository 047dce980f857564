import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evaluateSite } from '#core/evaluation';
import { optionKinds, type Camera, type OptionKind, type Place, type Run, type Site } from '#core/site';
import { saltmarrowSite } from '../site/testSite';
import { cheapestUnits, prices, totalOf, type Option, type Possible } from '.';

const site = saltmarrowSite();
const id = (n: number) => String(n).padStart(2, '0');

function optionOf(at: Site, number: number, kind: OptionKind): Option {
  return evaluateSite(at).runs.find(({ camera }) => camera.number === number)!.options.find((option) => option.kind === kind)!;
}
function possible(at: Site, number: number, kind: OptionKind): Possible {
  const option = optionOf(at, number, kind);
  if (option.state === 'no') throw new Error(option.why);
  return option;
}
const withRun = (n: number, fields: Partial<Run>): Site => ({ ...site, run: { ...site.run, [`r${id(n)}`]: { ...site.run[`r${id(n)}`]!, ...fields } } });
const withCamera = (n: number, fields: Partial<Camera>): Site => ({ ...site, camera: { ...site.camera, [`c${id(n)}`]: { ...site.camera[`c${id(n)}`]!, ...fields } } });
const withPlace = (placeId: string, fields: Partial<Place>): Site => ({ ...site, place: { ...site.place, [placeId]: { ...site.place[placeId]!, ...fields } } });

describe('every camera', () => {
  const { runs } = evaluateSite(site);
  it('has every option, in the same order', () => {
    for (const { options } of runs) expect(options.map(({ kind }) => kind)).toEqual(optionKinds);
  });
  it('what cannot be done says why, and what does not hold says what would', () => {
    for (const option of runs.flatMap(({ options }) => options)) {
      if (option.state === 'no') expect(option.why.length).toBeGreaterThan(10);
      else if (option.state === 'fails') expect(option.broken).toMatchObject({ limit: expect.stringContaining(option.binding.label) as string, remedy: expect.stringMatching(/\w{4,}/) as string });
      else expect(option.broken).toBeNull();
    }
  });
  it('every margin has a working that ends in its figure', () => {
    for (const option of runs.flatMap(({ options }) => options)) {
      if (option.state === 'no') continue;
      for (const { working, value } of option.margins) {
        expect(working().steps.length).toBeGreaterThan(0);
        expect(working().steps.some(({ result, inputs }) => [result, ...inputs].some((figure) => figure.value !== null && Math.abs(figure.value - value) < 1e-9))).toBe(true);
      }
    }
  });
  it('cost is parts, labour and the port, to the unit', () => {
    for (const option of runs.flatMap(({ options }) => options)) {
      if (option.state === 'no') continue;
      expect(option.cost).toBe(option.parts.reduce((sum, { item, count }) => sum + prices[item].each * count, 0) + option.labourCost + option.portCost);
      expect(option.darkHours).toBeLessThanOrEqual(option.hours);
    }
  });
});

describe('options on the demo site', () => {
  it('the weighbridge cannot keep its camera, and IP over coax would hold', () => {
    expect(possible(site, 8, 'keep')).toMatchObject({ state: 'fails', broken: { remedy: expect.stringMatching(/pair|supply/) as string } });
    expect(possible(site, 8, 'ip-coax-unit').state).toBe('holds');
  });
  it('watts over coax are those of the worked feed, less what the converter takes', () => {
    // 212 m of RG-59 at 25 °C read 8.9 Ω: 30 W from 54 V lose 2.75 W on the way, and 1.5 W stay in the converter.
    const watts = possible(site, 8, 'ip-coax-unit').margins.find(({ unit }) => unit === 'W')!;
    const amps = 30 / 54;
    const read = 8.9;
    expect(watts.value).toBeCloseTo((54 - amps * read) * amps - 1.5, 1);
    expect(watts.basis).toBe('measured');
    expect(possible(site, 15, 'ip-coax-unit').margins[0]!.basis).toBe('typical');
  });
  it('the head-end converter of a pair takes its watts too', () => {
    expect(possible(site, 8, 'ip-coax-pair').margins[0]!.value).toBeLessThan(possible(site, 8, 'ip-coax-unit').margins[0]!.value);
  });
  it('the listed hall takes no new cable, the gatehouse has no route, and a camera worn out is not kept', () => {
    expect(optionOf(site, 1, 'new-category')).toMatchObject({ state: 'no', why: expect.stringMatching(/Listed building/) as string });
    expect(optionOf(site, 23, 'new-category')).toMatchObject({ state: 'no', why: 'No route without trenching.' });
    expect(optionOf(site, 24, 'keep')).toMatchObject({ state: 'no' });
  });
  it('a hundred metres is the end of Ethernet, whatever feeds it', () => {
    expect(possible(site, 22, 'new-category')).toMatchObject({ state: 'fails', binding: { unit: 'm', value: 108 } });
    expect(possible(site, 22, 'ip-category')).toMatchObject({ state: 'holds' });
  });
  it('baluns and PoE only where there is category cable, coax options only on coax', () => {
    expect(optionOf(site, 1, 'baluns').state).toBe('no');
    expect(optionOf(site, 1, 'ip-category').state).toBe('no');
    expect(['hd-coax', 'ip-coax-pair', 'ip-coax-unit'].map((kind) => optionOf(site, 20, kind as OptionKind).state)).toEqual(['no', 'no', 'no']);
    expect(possible(site, 20, 'baluns').margins[0]!.label).toMatch(/picture/);
  });
  it('copper-clad aluminium is warned of', () => expect(possible(site, 21, 'ip-category').cautions.join()).toMatch(/Copper-clad aluminium/));
});

describe('what changes an option', () => {
  it('a splitter blocks Ethernet over coax until it is out', () => {
    const segments = site.run['r06']!.segments.map((segment, index) => (index === 0 ? { ...segment, joint: 'splitter' as const } : segment));
    expect(optionOf(withRun(6, { segments }), 6, 'ip-coax-unit')).toMatchObject({ state: 'no', short: 'splitter' });
  });
  it('a long run lowers the picture format before it gives up', () => {
    const longer = (lengthM: number) => withRun(1, { segments: [{ ...site.run['r01']!.segments[0]!, lengthM }], feed: { kind: 'local-adapter', current: 'dc', volts: 12.4, ratedAmps: 2 } });
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
    expect(optionOf({ ...site, recorder: { ...site.recorder, 'hall-recorder': recorder } }, 1, 'hd-coax')).toMatchObject({ state: 'no', short: 'no HD input' });
  });
  it('height costs hours, a lift costs hire, and both are warned of', () => {
    const ground = possible(withPlace('lanes', { access: { by: 'ground', heightM: 0 } }), 8, 'ip-coax-unit');
    const lift = possible(site, 8, 'ip-coax-unit');
    expect(lift.hours).toBeGreaterThan(ground.hours);
    expect(lift.parts.some(({ item }) => item === 'lift-half-day')).toBe(true);
    expect(lift.cautions.join()).toMatch(/height/);
  });
  it('a longer coax never carries more', () => {
    fc.assert(fc.property(fc.double({ min: 10, max: 1500, noNaN: true }), fc.double({ min: 1, max: 400, noNaN: true }), (lengthM, moreM) => {
      const at = (metres: number) => possible(withRun(15, { segments: [{ ...site.run['r15']!.segments[0]!, lengthM: metres }] }), 15, 'ip-coax-pair').margins.map(({ value }) => value);
      const [watts, mbps] = at(lengthM);
      const [fewerWatts, fewerMbps] = at(lengthM + moreM);
      expect(fewerWatts).toBeLessThanOrEqual(watts!);
      expect(fewerMbps).toBeLessThanOrEqual(mbps!);
    }), { numRuns: 25 });
  });
});

describe('the total', () => {
  it('buys whole units, the cheapest mix with the ports and the watts', () => {
    fc.assert(fc.property(fc.integer({ min: 1, max: 60 }), fc.integer({ min: 1, max: 900 }), (ports, watts) => {
      const bought = cheapestUnits('coax-unit', ports, watts);
      const count = (item: string) => bought.find((part) => part.item === item)?.count ?? 0;
      const [eights, sixteens] = [count('coax-unit-8'), count('coax-unit-16')];
      expect(8 * eights + 16 * sixteens).toBeGreaterThanOrEqual(ports);
      expect(130 * eights + 250 * sixteens).toBeGreaterThanOrEqual(watts);
      const cost = 520 * eights + 880 * sixteens;
      for (let e = 0; e <= 9; e += 1) for (let s = 0; s <= 5; s += 1) {
        if (8 * e + 16 * s >= ports && 130 * e + 250 * s >= watts) expect(cost).toBeLessThanOrEqual(520 * e + 880 * s);
      }
    }));
  });
  it('shares a unit among the cameras of one head end', () => {
    const chosen = [1, 2].map((n) => possible(site, n, 'ip-coax-unit'));
    const { shared, cost, parts } = totalOf(chosen);
    expect(shared).toMatchObject([{ of: 'coax-unit', placeId: 'ticket-hall', ports: 2, parts: [{ item: 'coax-unit-8', count: 1 }] }]);
    expect(cost).toBe(chosen.reduce((sum, option) => sum + option.cost - option.portCost, 0) + 520);
    expect(parts.find(({ item }) => item === 'coax-converter')?.count).toBe(2);
  });
  it('of nothing is nothing', () => expect(totalOf([])).toEqual({ cost: 0, hours: 0, darkHours: 0, parts: [], shared: [] }));
});
