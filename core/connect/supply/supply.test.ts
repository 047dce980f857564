import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { catalogueOf } from '#core/model/catalogue';
import type { Camera, Equipment, Run, Site, Supply } from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';
import { adapterCheck, mainsCheck, plannedGear, supplyCheck } from '.';

const site = saltmarrowSite();
const box = site.supply['hall-box']!;
const withSupply = (fields: Partial<Supply>): Site => ({
  ...site,
  supply: { ...site.supply, 'hall-box': { ...box, ...fields } },
});
const withCamera = (id: string, fields: Partial<Camera>): Site => ({
  ...site,
  camera: { ...site.camera, [id]: { ...site.camera[id]!, ...fields } },
});
const check = (of: Site, id = 'hall-box') => supplyCheck(of, of.supply[id]!);

describe('a supply box', () => {
  it('has each camera on its output', () => {
    const { outputs } = check(site);
    expect(outputs.slice(0, 3).map(({ fed }) => fed.map(({ number }) => number))).toEqual([[1], [2], [3]]);
    expect(outputs.at(-1)).toMatchObject({ fed: [], fuse: { used: 0, utilisation: 0, status: 'holds' } });
  });
  it('gives each camera its watts and what the wire loses', () => {
    // Camera 1 by hand: 34 m of 2 × 18 AWG, read as so many ohms; P = (V − I·R)·I.
    const [first] = check(site).outputs[0]!.fed;
    const reading = Object.values(site.reading).find(
      ({ runId, test, struck }) => runId === 'r01' && test === 'power-loop-ohms' && !struck,
    );
    const ohms = reading?.test === 'power-loop-ohms' ? reading.value : 34 * 2 * 0.02095;
    const watts = (box.setVolts - first!.nightAmps * ohms) * first!.nightAmps;
    expect(watts).toBeCloseTo(Math.max(site.camera['c01']!.watts.day, site.camera['c01']!.watts.night), 1);
  });
  it('sums all at once, against 80 % of its rating', () => {
    const { outputs, sum } = check(site);
    expect(sum.used).toBeCloseTo(
      outputs.flatMap(({ fed }) => fed).reduce((all, { nightAmps }) => all + nightAmps, 0),
      9,
    );
    expect(sum.most).toBeCloseTo(4, 9);
    expect(check(withSupply({ ratedAmps: 2 }))).toMatchObject({
      sum: { status: 'fails' },
      wrong: [expect.stringMatching(/Hall box gives .* A at night; 80 % of its 2 A is 1.6 A/)],
    });
  });
  it('blows a fuse when two cameras are moved to one output', () => {
    const run: Run = { ...site.run['r03']!, feed: { kind: 'along-run', supplyId: 'hall-box', output: 1 } };
    const both = withCamera('c03', { watts: { day: 3, night: 12, startUp: 14 } });
    const { outputs, wrong } = check({ ...both, run: { ...both.run, r03: run } });
    expect(outputs[0]!.fed.map(({ number }) => number)).toEqual([1, 3]);
    expect(outputs[0]!.fuse.status).toBe('fails');
    expect(wrong.join()).toMatch(/Output 1 gives up to 1\.\d+ A; its fuse is 1.1 A/);
  });
  it('never takes a camera of the other current, and minds the highest volts', () => {
    const ac = withCamera('c01', {
      supply: { current: 'ac', window: { minVolts: 20, maxVolts: 28, from: 'typical' } },
    });
    expect(check(ac).wrong.join()).toContain('Camera 1 takes AC; Hall box gives DC. The two are never mixed');
    expect(check(withSupply({ setVolts: 13.8 })).wrong.join()).toContain(
      'Camera 1 takes at most 13.2 V; Hall box is set to 13.8 V',
    );
  });
  it('says that a supply collapses, with a current that is still finite', () => {
    const hungry = withCamera('c05', { watts: { day: 3, night: 90, startUp: 90 } });
    const { wrong, sum } = check(hungry);
    expect(wrong.join()).toContain('Camera 5 asks for more at night than its wires can bring');
    expect(Number.isFinite(sum.used)).toBe(true);
  });
  it('says what a battery on the rail means while it charges and before it is empty', () => {
    const floated = check(withSupply({ battery: true }));
    expect(check(site).wrong.join() + check(site).cautions.join()).not.toMatch(/battery/);
    // Camera 1 by hand: 1.8 W over 1.4 Ω from 13.8 V leave (13.8 + √(13.8² − 4·1.4·1.8))/2 = 13.6 V, above its 13.2.
    expect(floated.wrong.join()).toMatch(
      /^Cameras 1, .*: above the window while the battery of Hall box charges at 13\.8 V/,
    );
    expect(floated.cautions.join()).toMatch(
      /Cameras 1, .*: dark before the battery of Hall box is empty, which is at 10\.5 V/,
    );
    const wide = {
      current: 'dc' as const,
      window: { minVolts: 9, maxVolts: 15, from: 'data-sheet' as const },
    };
    const only: Site = { ...withCamera('c01', { supply: wide }), run: { r01: site.run['r01']! } };
    expect(supplyCheck(only, { ...box, battery: true })).toMatchObject({ wrong: [], cautions: [] });
  });
  it('names fuses that protect nothing, and outputs above 100 VA', () => {
    const only = (runId: string): Site => ({ ...site, run: { [runId]: site.run[runId]! } });
    const on = (runId: string, supply: Partial<Supply>) => {
      const at = only(runId);
      return supplyCheck(at, { ...box, ...supply }).cautions.join(' ');
    };
    expect(check(site).cautions).toEqual([]);
    expect(on('r01', { outputs: [{ number: 1, fuseAmps: 6 }] })).toContain(
      'Output 1: a fuse above the 5 A that Hall box gives never opens',
    );
    // Run 4 hangs on thin cores; 2 × 22 AWG copper-clad bears 9.8 · 0.326^0.62 · 0.78 = 3.8 A.
    expect(on('r04', { outputs: [{ number: 4, fuseAmps: 4 }] })).toMatch(
      /Output 4: its fuse of 4 A does not protect cores that bear 3\.8 A/,
    );
    expect(on('r04', { outputs: [{ number: 4, fuseAmps: 3.5 }] })).not.toMatch(/does not protect/);
    const large = { setVolts: 24, ratedAmps: 10 };
    expect(on('r01', { ...large, outputs: [{ number: 1, fuseAmps: 4.1 }] })).not.toMatch(/VA/);
    expect(on('r01', { ...large, outputs: [{ number: 1, fuseAmps: 5 }] })).toMatch(
      /Output 1: up to 120 VA, above 100 VA\. No limited-power source/,
    );
  });
  it('gives more amps for more watts, up to the collapse', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 120 }), fc.integer({ min: 1, max: 120 }), (a, b) => {
        const amps = (night: number) =>
          check(withCamera('c01', { watts: { day: 0, night: night / 10, startUp: night / 10 } })).outputs[0]!
            .fed[0]!.nightAmps;
        expect(Math.sign(amps(a) - amps(b))).toBe(Math.sign(a - b));
      }),
      { numRuns: 40 },
    );
  });
  it('an adapter at the camera is held against its own rating', () => {
    expect(adapterCheck(site, site.run['r01']!)).toBeNull();
    expect(adapterCheck(site, site.run['r23']!)).toMatchObject({
      load: { most: 2, status: 'holds' },
      wrong: [],
    });
    const small: Run = {
      ...site.run['r23']!,
      feed: { kind: 'local-adapter', current: 'ac', volts: 24, ratedAmps: 0.01 },
    };
    expect(adapterCheck(site, small)).toMatchObject({
      load: { status: 'fails' },
      wrong: [expect.stringContaining('takes DC')],
    });
  });
});

describe('mains, UPS and racks', () => {
  const gear = (id: string, one: Equipment['gear'], hookUp?: Equipment['hookUp']): Equipment => ({
    id,
    name: id,
    placeId: 'ticket-hall',
    gear: one,
    ...(hookUp ? { hookUp } : {}),
  });
  const equipped: Site = {
    ...site,
    equipment: {
      circuit: gear('circuit', { kind: 'circuit', volts: 230, breakerAmps: 10 }),
      ups: gear(
        'ups',
        { kind: 'ups', usableWh: 300, efficiencyPercent: 90, ratedWatts: 600 },
        { fedById: 'circuit', rackId: 'rack', rackUnits: 2 },
      ),
      rack: gear('rack', { kind: 'rack', units: 4 }),
      switch: gear(
        'switch',
        { kind: 'switch', ports: 8, poePorts: 8, poeWatts: 120, uplinkMbps: 1000 },
        { fedById: 'ups', mainsWatts: 90, rackId: 'rack' },
      ),
      screen: gear('screen', { kind: 'monitor', input: 'hdmi' }, { fedById: 'circuit', mainsWatts: 30 }),
    },
    recorder: {
      ...site.recorder,
      'hall-recorder': {
        ...site.recorder['hall-recorder']!,
        hookUp: { fedById: 'ups', mainsWatts: 45, rackId: 'rack', rackUnits: 2 },
      },
    },
  };
  it('a circuit carries what hangs on it through a UPS too', () => {
    const { circuits, upses } = mainsCheck(equipped);
    expect(circuits[0]!.consumers.map(({ name }) => name).sort()).toEqual([
      'Hall recorder',
      'screen',
      'switch',
    ]);
    // By hand: a breaker feels the 90 W of the switch as 94.7 VA, and 45 W and 30 W, drawn in peaks, as 69.2 and 46.2.
    expect(circuits[0]!.load).toMatchObject({
      used: expect.closeTo(90 / 0.95 + (45 + 30) / 0.65, 9),
      most: 1840,
      unit: 'VA',
      status: 'holds',
    });
    expect(upses[0]!.load).toMatchObject({ used: 135, most: 600 });
    expect(upses[0]!.backup).toMatchObject({
      hours: expect.closeTo((300 * 0.8 * 0.9) / 135, 9),
      isOverloaded: false,
    });
  });
  it('counts volt-amperes by the power factor of what hangs there, and the gear that is chosen beside it', () => {
    const ups: Equipment = {
      ...equipped.equipment['ups']!,
      gear: { kind: 'ups', usableWh: 300, efficiencyPercent: 90, ratedWatts: 600, ratedVa: 160 },
    };
    const rated: Site = { ...equipped, equipment: { ...equipped.equipment, ups } };
    const coming = plannedGear(catalogueOf(rated), [
      { placeId: ups.placeId, watts: 81, parts: [{ item: 'poe-switch-8', count: 1 }] },
      { placeId: ups.placeId, watts: 0, parts: [{ item: 'encoder-4', count: 2 }] },
      { placeId: 'gatehouse', watts: 900, parts: [] },
    ]);
    const [check] = mainsCheck(rated, undefined, coming).upses;
    // By hand: the recorder's 45 W without correction are 69.2 VA, the switch's 90 W with it 94.7.
    expect(check!.voltAmps).toMatchObject({
      used: expect.closeTo(45 / 0.65 + 90 / 0.95, 9),
      status: 'fails',
    });
    // 81 W of ports are 90 W of mains; two encoders take 10 W each themselves.
    expect(check!.withPlanned).toMatchObject({ watts: 110, load: { used: 245 } });
    expect(check!.withPlanned!.backup).toMatchObject({
      hours: expect.closeTo((300 * 0.8 * 0.9) / 245, 9),
      isOverloaded: true,
    });
    expect(check!.withPlanned!.voltAmps).toMatchObject({
      used: expect.closeTo(45 / 0.65 + (90 + 110) / 0.95, 9),
      status: 'fails',
    });
    expect(mainsCheck(equipped).upses[0]).toMatchObject({ voltAmps: null, withPlanned: null });
  });
  it('many small loads fill a breaker that their watts alone would not', () => {
    const screens = Object.fromEntries(
      Array.from({ length: 22 }, (_, index) => {
        const id = `screen-${index}`;
        return [id, gear(id, { kind: 'monitor', input: 'hdmi' }, { fedById: 'circuit', mainsWatts: 60 })];
      }),
    );
    const crowded: Site = { ...equipped, equipment: { ...equipped.equipment, ...screens } };
    const [circuit] = mainsCheck(crowded).circuits;
    // 1,485 W would be 81 % of what a 10 A breaker bears for long.
    expect(circuit!.consumers.reduce((sum, { watts }) => sum + watts, 0)).toBe(165 + 22 * 60);
    expect(circuit!.load.status).toBe('fails');
  });
  it('a supply box takes what its cameras draw where nobody noted its watts', () => {
    const fed: Site = {
      ...equipped,
      supply: { ...equipped.supply, 'hall-box': { ...box, hookUp: { fedById: 'ups' } } },
    };
    const watts = (check(fed).sum.used * 12.6) / 0.85;
    expect(mainsCheck(fed).upses[0]!.consumers.find(({ id }) => id === 'hall-box')).toMatchObject({
      watts: expect.closeTo(watts, 9) as number,
      from: 'computed',
    });
  });
  it('a rack is full at its units, and what hangs on nothing is named', () => {
    const { racks, unfed } = mainsCheck(equipped);
    expect(racks[0]).toMatchObject({ load: { used: 5, most: 4, status: 'fails' } });
    expect(unfed.map(({ name }) => name)).toEqual(['Quay box']);
  });
  it('two UPS that were noted as feeding each other do not go round for ever', () => {
    const ring: Site = {
      ...equipped,
      equipment: {
        ...equipped.equipment,
        ups: { ...equipped.equipment['ups']!, hookUp: { fedById: 'second' } },
        second: gear(
          'second',
          { kind: 'ups', usableWh: 100, efficiencyPercent: 90, ratedWatts: 300 },
          { fedById: 'ups' },
        ),
      },
    };
    expect(mainsCheck(ring).upses.map(({ load }) => load.used)).toEqual([135, 135]);
  });
});
