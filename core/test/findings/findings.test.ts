import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  applyChanges,
  notePlace,
  type Change,
  type QuantityReading,
  type QuantityTestDefinition,
  type QuantityTestId,
  type Run,
  type Segment,
  type Site,
  quantityTests,
  testDefinition,
  tests,
} from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';
import {
  applies,
  insulationState,
  touchLimits,
  type TouchLimits,
  prerequisites,
  interlock,
  isStopped,
  lineKind,
  runFindings,
  voltsShare,
  type RunFindings,
} from '.';
import { readingsByRun, type RunReadings } from '#core/test/readings';
import { safetyVerdict } from './safety';
import { coaxLoop, expectedCoaxOhms, expectedPowerOhms, powerLoop } from './loops';

const site = saltmarrowSite();
const reading = (
  runId: string,
  test: QuantityTestId,
  value: number,
  over: Partial<QuantityReading> = {},
): QuantityReading => ({
  id: `${runId}-${test}-new`,
  runId,
  test,
  value,
  at: '2026-04-01T09:00:00Z',
  by: 'I. Marlow',
  instrument: 'Bench meter 1',
  ...over,
});

function findingsOf(at: Site, runId: string): RunFindings {
  const run = at.run[runId]!;
  return runFindings(at, run, at.camera[run.cameraId]!, readingsByRun(at).get(runId) ?? {});
}
function withReading(
  runId: string,
  test: QuantityTestId,
  value: number,
  over: Partial<QuantityReading> = {},
): Site {
  const set = reading(runId, test, value, over);
  const applied = applyChanges(site, [{ kind: 'reading', id: set.id, set }]);
  if (applied.kind === 'refused') throw new Error(JSON.stringify(applied.problems));
  return applied.value.site;
}
const verdict = (findings: RunFindings, id: string) => findings.verdicts.find((one) => one.id === id)!;

describe('the demo site’s planted troubles show in its first verdicts', () => {
  it('the camera that dies at night fails on its night volts, and its cores explain it', () => {
    const { state, binding } = findingsOf(site, 'r08');
    expect([state, binding.id, binding.message]).toEqual([
      'fails',
      'night-volts',
      'too low with the lamps on',
    ]);
    expect(binding.derivation().conclusion).toMatch(/cores as noted explain the reading/);
    expect(verdict(findingsOf(site, 'r08'), 'day-volts').state).toBe('holds');
  });
  it('the steel core is named, beside the joint that would read the same', () => {
    const loop = verdict(findingsOf(site, 'r14'), 'coax-loop-ohms');
    expect(loop.message).toBe('steel core');
    expect(loop.derivation().conclusion).toMatch(
      /Most likely RG-6, 18 AWG copper-clad steel.*\(9\d %\).*reflectometer would confirm it/,
    );
  });
  it('the salt-air joint reads as an excess that no other construction explains', () => {
    const loop = verdict(findingsOf(site, 'r13'), 'coax-loop-ohms');
    expect([loop.state, loop.message]).toEqual(['fails', '5.6 Ω in a joint']);
  });
  it('the earth difference is not to be bonded', () =>
    expect(verdict(findingsOf(site, 'r17'), 'shield-earth-volts')).toMatchObject({
      state: 'fails',
      message: expect.stringMatching(/never just bond/) as string,
    }));
  it('a run nobody has read is untested, however good it should be', () => {
    const { state, missing } = findingsOf(site, 'r15');
    expect([state, missing]).toEqual(['untested', ['foreign-ac-volts', 'coax-loop-ohms', 'night-volts']]);
  });
});

const dry: TouchLimits = touchLimits(site, site.run['r01']!, site.camera['c01']!);
const wet: TouchLimits = touchLimits(site, site.run['r14']!, site.camera['c14']!);

describe('foreign volts', () => {
  it('where skin is wet the limits are half as high, and it is said why', () => {
    expect(dry).toEqual({ acVolts: 50, dcVolts: 60, because: null });
    expect(wet).toEqual({ acVolts: 25, dcVolts: 30, because: 'a marine place' });
    const place = site.place['ticket-hall']!;
    const marked = {
      ...site,
      place: { ...site.place, 'ticket-hall': notePlace(place, { restrictions: ['wet'] }) },
    };
    expect(touchLimits(marked, site.run['r01']!, site.camera['c01']!)).toMatchObject({
      acVolts: 25,
      because: `${place.name} is noted as wet`,
    });
    expect(touchLimits(site, site.run['r06']!, site.camera['c06']!).because).toBe('cable underground');
  });
  it.each([
    ['foreign-ac-volts', 12, dry, 'holds', /^below 50 V limit; caution above 25 V$/],
    ['foreign-ac-volts', 25.1, dry, 'close', /^caution: above 25 V, below 50 V limit/],
    ['foreign-ac-volts', 48, dry, 'close', /^caution: above 25 V/],
    ['foreign-ac-volts', 50.1, dry, 'stop', /^Stop\. Do not touch/],
    ['foreign-ac-volts', 12, wet, 'holds', /^below 25 V limit; caution above 12\.5 V$/],
    ['foreign-ac-volts', 20, wet, 'close', /^caution: above 12\.5 V, below 25 V limit/],
    ['foreign-ac-volts', 26, wet, 'stop', /^Stop/],
    ['foreign-dc-volts', 30, dry, 'holds', /caution above 30 V/],
    ['foreign-dc-volts', 60, dry, 'close', /^caution/],
    ['foreign-dc-volts', 61, dry, 'stop', /^Stop/],
    ['foreign-dc-volts', 110, dry, 'stop', /^Stop/],
    ['foreign-dc-volts', 31, wet, 'stop', /^Stop/],
  ] as const)('%s of %d V: %s', (test, value, limits, state, message) => {
    const taken = reading('r01', test, value, { meterProved: true });
    expect(safetyVerdict(test, { [test]: taken }, limits)).toMatchObject({
      state,
      message: expect.stringMatching(message) as string,
    });
  });
  it('above 50 V AC everything stops', () => {
    const { state, binding } = findingsOf(withReading('r01', 'foreign-ac-volts', 61), 'r01');
    expect([state, binding.message]).toEqual([
      'stop',
      'Stop. Do not touch the cable. Get a licensed electrician.',
    ]);
    expect(findingsOf(withReading('r01', 'foreign-ac-volts', 49), 'r01').state).not.toBe('stop');
    expect(findingsOf(withReading('r01', 'foreign-dc-volts', 61), 'r01').state).toBe('stop');
    // By the quay it is wet: half as much stops there.
    expect(findingsOf(withReading('r14', 'foreign-ac-volts', 26), 'r14').state).toBe('stop');
  });
  it('induced volts are told from real ones before a sound run is given up', () => {
    const read = (loaded: number, at = '2026-04-01T09:05:00Z') => {
      const readings: RunReadings = {
        'foreign-ac-volts': reading('r08', 'foreign-ac-volts', 62, { meterProved: true }),
        'foreign-ac-loaded-volts': reading('r08', 'foreign-ac-loaded-volts', loaded, {
          at,
          meterProved: true,
        }),
      };
      const findings = runFindings(site, site.run['r08']!, site.camera['c08']!, readings);
      return { isStopped: isStopped(readings, dry), verdict: verdict(findings, 'foreign-ac-volts') };
    };
    expect(read(1.5)).toMatchObject({
      isStopped: false,
      verdict: {
        state: 'close',
        message: 'induced: 1.5 V with a low-impedance meter. Find what it runs beside',
      },
    });
    // Half gone is not gone, and what was read before the volts came says nothing of them.
    expect(read(30)).toMatchObject({ isStopped: true, verdict: { state: 'stop' } });
    expect(read(55)).toMatchObject({ isStopped: true, verdict: { state: 'stop' } });
    expect(read(1.5, '2026-03-01T08:00:00Z')).toMatchObject({ isStopped: true, verdict: { state: 'stop' } });
  });
  it('a low-impedance reading from before the volts were read again holds nothing back', () => {
    const readings: RunReadings = {
      'foreign-ac-loaded-volts': reading('r08', 'foreign-ac-loaded-volts', 55, {
        at: '2026-04-01T09:05:00Z',
      }),
      'foreign-ac-volts': reading('r08', 'foreign-ac-volts', 0.2, {
        at: '2026-04-02T09:00:00Z',
        meterProved: true,
      }),
    };
    const { state, verdicts } = runFindings(site, site.run['r08']!, site.camera['c08']!, readings);
    expect(isStopped(readings, dry)).toBe(false);
    expect(state).not.toBe('stop');
    expect(verdicts.map(({ id }) => id)).not.toContain('foreign-ac-loaded-volts');
  });
  it('the low-impedance check is asked for where volts are raised, and nowhere else', () => {
    const asked = (volts: number) =>
      findingsOf(withReading('r01', 'foreign-ac-volts', volts), 'r01').verdicts.some(
        ({ id }) => id === 'foreign-ac-loaded-volts',
      );
    expect([10, 25, 26, 70].map(asked)).toEqual([false, false, true, true]);
  });
  it('low volts with a meter that nobody proved are no proof', () => {
    const volts = (meterProved?: boolean) =>
      verdict(
        findingsOf(withReading('r01', 'foreign-ac-volts', 0.1, meterProved ? { meterProved } : {}), 'r01'),
        'foreign-ac-volts',
      ).message;
    expect(volts(true)).toBe('below 50 V limit; caution above 25 V');
    expect(volts()).toMatch(/Meter not noted as proved: no proof that it is dead$/);
    const isolated: Run = { ...site.run['r01']!, state: 'isolated' };
    const held = (meterProved: boolean) =>
      interlock(
        testDefinition('coax-loop-ohms'),
        isolated,
        { 'foreign-ac-volts': reading('r01', 'foreign-ac-volts', 0.1, { meterProved }) },
        dry,
      );
    expect([held(true), held(false)]).toEqual([undefined, 'prove the meter, read the foreign voltage again']);
  });
  it('leaks add up along a cable: what is dry for 100 m is more than enough for 400', () => {
    const of = (lengthM: number, megohms: number) =>
      insulationState(
        { ...site.run['r01']!, segments: [{ ...site.run['r01']!.segments[0]!, lengthM }] },
        megohms,
      );
    // By hand: 10 and 1 MΩ for 100 m are 2.5 and 0.25 for 400 m, 40 and 4 for 25 m.
    expect([of(100, 10.1), of(100, 10), of(100, 1), of(100, 0.99)]).toEqual(['dry', 'damp', 'damp', 'wet']);
    expect([of(400, 2.6), of(400, 2.5), of(400, 0.25), of(400, 0.24)]).toEqual([
      'dry',
      'damp',
      'damp',
      'wet',
    ]);
    expect([of(25, 41), of(25, 39), of(25, 3.9)]).toEqual(['dry', 'damp', 'wet']);
  });
  it('the latest reading counts, and a struck one does not', () => {
    const read = withReading('r08', 'night-volts', 12.1);
    expect(verdict(findingsOf(read, 'r08'), 'night-volts').state).toBe('holds');
    const set = {
      ...read.reading['r08-night-volts-new']!,
      struck: { why: 'lens not covered', at: '2026-04-01T09:10:00Z', by: 'I. Marlow' },
    };
    const struck = applyChanges(read, [{ kind: 'reading', id: set.id, set } satisfies Change]);
    expect(
      struck.kind === 'sound' && verdict(findingsOf(struck.value.site, 'r08'), 'night-volts').state,
    ).toBe('fails');
  });
  it.each([
    [30, 'holds', 'dry'],
    [12, 'close', 'damp: find where, before it is wet'],
    [0.6, 'fails', 'wet or damaged'],
  ])('%f MΩ is %s', (megohms, state, message) => {
    expect(
      verdict(findingsOf(withReading('r01', 'insulation-megohms', megohms), 'r01'), 'insulation-megohms'),
    ).toMatchObject({ state, message });
  });
  it('volts above the window fail as surely as those below', () => {
    expect(verdict(findingsOf(withReading('r01', 'day-volts', 13.9), 'r01'), 'day-volts')).toMatchObject({
      state: 'fails',
      message: 'above what the camera takes',
    });
  });
  it('a reading far under what the wire explains points at the wire', () => {
    const night = verdict(findingsOf(withReading('r01', 'night-volts', 10.9), 'r01'), 'night-volts');
    expect(night.derivation().conclusion).toMatch(/1\.4 V below what the cores as noted would give/);
  });
});

describe('what is found rather than measured', () => {
  const found = (test: 'camera-at-head-end' | 'camera-on-local-supply' | 'continuity', what: string) => {
    const set = {
      id: `r01-${test}-new`,
      runId: 'r01',
      test,
      found: what,
      at: '2026-04-01T09:00:00Z',
      by: 'I. Marlow',
      instrument: '',
    };
    const applied = applyChanges(site, [{ kind: 'reading', id: `r01-${test}-new`, set } as Change]);
    if (applied.kind === 'refused') throw new Error(JSON.stringify(applied.problems));
    return findingsOf(applied.value.site, 'r01');
  };
  it('a camera that works away from its run is no trouble of the run’s', () => {
    expect(verdict(found('camera-at-head-end', 'works'), 'camera-at-head-end')).toMatchObject({
      state: 'holds',
      message: 'the camera is sound',
      utilisation: null,
    });
    expect(found('camera-at-head-end', 'works').state).toBe('holds');
  });
  it('one that fails there is', () => {
    expect(found('camera-at-head-end', 'fails')).toMatchObject({
      state: 'fails',
      binding: { message: 'the camera itself' },
    });
    expect(found('camera-on-local-supply', 'fails').binding.message).toBe(
      'not its power: the way of the signal',
    );
    expect(found('continuity', 'open').binding.message).toBe('open: no way through');
  });
});

describe('loops', () => {
  const run = site.run['r08']!;
  it('a measurement wins over the table', () => {
    expect(coaxLoop(run, undefined).from).toBe('typical');
    expect(coaxLoop(run, reading('r08', 'coax-loop-ohms', 14))).toMatchObject({ from: 'measured', ohms: 14 });
  });
  it('a reading taken cold counts for more on a warm run', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 60, noNaN: true }),
        fc.integer({ min: -20, max: 20 }),
        (ohms, temperatureC) => {
          expect(
            powerLoop(run, reading('r08', 'power-loop-ohms', ohms, { temperatureC })).ohms,
          ).toBeGreaterThan(ohms);
        },
      ),
    );
  });
  it('spare pairs count as many conductors as are used', () => {
    const pairs = (cores: number): Run => ({
      ...site.run['r20']!,
      segments: site.run['r20']!.segments.map((segment) => ({
        ...segment,
        leg: { kind: 'spare-pairs', outCores: cores, backCores: cores },
      })),
    });
    expect(expectedPowerOhms(pairs(3))).toBeCloseTo(expectedPowerOhms(pairs(1)) / 3, 9);
  });
  it('a separate pair has a length of its own', () =>
    expect(expectedPowerOhms(site.run['r12']!)).toBeCloseTo(2 * 35 * 13.17e-3 * 1.02, 1));
  it('an adapter has no loop', () => expect(expectedPowerOhms(site.run['r23']!)).toBe(0));
  it('coax and category cable are told apart', () => {
    expect([lineKind(site.run['r01']!), lineKind(site.run['r20']!)]).toEqual(['coax', 'pair']);
    expect(
      lineKind({
        ...site.run['r01']!,
        segments: [...site.run['r01']!.segments, ...site.run['r20']!.segments],
      }),
    ).toBe('mixed');
    expect(expectedCoaxOhms(site.run['r20']!.segments)).toBe(0);
  });
});

describe('volts against the window', () => {
  const window = { minVolts: 10.8, maxVolts: 13.2, from: 'typical' as const };
  it('uses none of the drop at the source’s volts and all of it at the lowest', () => {
    expect(voltsShare(12.6, 12.6, window)).toMatchObject({ utilisation: 0, status: 'holds' });
    expect(voltsShare(12.6, 10.8, window).utilisation).toBeCloseTo(1, 9);
    expect(voltsShare(12.6, 10.7, window).status).toBe('fails');
    expect(voltsShare(13.8, 13.4, window).status).toBe('fails');
    expect(voltsShare(10.5, 10.5, window).status).toBe('fails');
  });
  it('never gives an infinite share', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 60, noNaN: true }),
        fc.double({ min: 0, max: 60, noNaN: true }),
        (source, load) => {
          expect(Number.isFinite(voltsShare(source, load, window).utilisation)).toBe(true);
        },
      ),
    );
  });
});

describe('a test whose limit is the same for every run', () => {
  const limited = quantityTests.filter(({ limit }) => limit);
  const judgedAt = (id: QuantityTestDefinition['id'], value: number) => {
    const { run, camera } =
      testDefinition(id).appliesTo === 'pair-throughout'
        ? { run: site.run['r20']!, camera: site.camera['c20']! }
        : { run: site.run['r08']!, camera: site.camera['c08']! };
    return verdict(runFindings(site, run, camera, { [id]: reading(run.id, id, value) }), id);
  };
  it('is judged from its row alone', () => {
    expect(limited.length).toBeGreaterThanOrEqual(7);
    for (const { id, limit } of limited) {
      const { sense, value, message } = limit!;
      const [fine, bad] = sense === 'at-most' ? [value / 10, value * 1.01] : [value * 10, value / 1.01];
      expect(judgedAt(id, fine)).toMatchObject({ state: 'holds', message: message.holds });
      expect(judgedAt(id, value)).toMatchObject({ state: 'close', message: message.close });
      expect(judgedAt(id, bad)).toMatchObject({ state: 'fails', message: message.fails });
    }
  });
});

describe('which tests say anything', () => {
  const ids = (change: Partial<Run>) =>
    tests.filter((test) => applies(test, { ...site.run['r08']!, ...change })).map(({ id }) => id);
  const over = (...cables: Segment['cable'][]) =>
    cables.map((cable): Segment => ({ ...site.run['r08']!.segments[0]!, cable }));
  it('no loop of cores that do not feed the camera', () => {
    expect(ids({})).toContain('power-loop-ohms');
    expect(ids({ feed: { kind: 'local-adapter', current: 'dc', volts: 12, ratedAmps: 1 } })).not.toContain(
      'power-loop-ohms',
    );
  });
  it('a coax loop where there is any coax, converters where there is nothing else', () => {
    const [coax, pair] = ['coax-rg59-cu', 'pair-cat5e'] as const;
    expect(ids({ segments: over(coax, coax) })).toEqual(expect.arrayContaining(['coax-loop-ohms', 'link']));
    expect(ids({ segments: over(coax, pair) })).toContain('coax-loop-ohms');
    expect(ids({ segments: over(coax, pair) })).not.toContain('link');
    expect(ids({ segments: over(pair) })).not.toContain('coax-loop-ohms');
  });
});

describe('the order of tests', () => {
  it('what could hurt comes first', () =>
    expect(tests.slice(0, 3).map(({ id }) => id)).toEqual([
      'foreign-ac-volts',
      'foreign-ac-loaded-volts',
      'foreign-dc-volts',
    ]));
  const run = (state: Run['state'], stateSince?: string): Run => ({
    ...site.run['r08']!,
    state,
    ...(stateSince ? { stateSince } : {}),
  });
  const read = readingsByRun(site).get('r08')!;
  it('no resistance or insulation test on a live run, no volts on a dead one', () => {
    expect(interlock(testDefinition('coax-loop-ohms'), run('live'), read, dry)).toMatch(/isolate/);
    expect(interlock(testDefinition('insulation-megohms'), run('isolated'), read, dry)).toMatch(/disconnect/);
    expect(interlock(testDefinition('night-volts'), run('isolated'), read, dry)).toBe('needs run live');
    expect(interlock(testDefinition('coax-loop-ohms'), run('isolated'), read, dry)).toBeUndefined();
    expect(interlock(testDefinition('foreign-ac-volts'), run('live'), read, dry)).toBeUndefined();
  });
  it('a dead test waits until foreign voltage was looked for since the run was isolated', () => {
    expect(
      interlock(testDefinition('coax-loop-ohms'), run('isolated', '2026-03-31T08:00:00Z'), read, dry),
    ).toBe('read the foreign voltage first');
    expect(
      interlock(testDefinition('coax-loop-ohms'), run('isolated', '2026-03-01T08:00:00Z'), read, dry),
    ).toBeUndefined();
    expect(
      interlock(testDefinition('foreign-dc-volts'), run('isolated', '2026-03-31T08:00:00Z'), read, dry),
    ).toBeUndefined();
    expect(interlock(testDefinition('coax-loop-ohms'), run('isolated'), {}, dry)).toBe(
      'read the foreign voltage first',
    );
  });
  it('what comes first is said in a sentence that can be obeyed', () => {
    const loop = testDefinition('coax-loop-ohms');
    expect(prerequisites(loop, run('live'), read, dry)).toBe(
      'First isolate the run, prove it, and set the run’s state above.',
    );
    expect(prerequisites(loop, run('isolated'), {}, dry)).toBe(
      'First prove the meter on a known source, read the foreign voltage to prove the run dead, and prove the meter again.',
    );
    expect(
      prerequisites(
        loop,
        run('isolated'),
        { 'foreign-ac-volts': reading('r08', 'foreign-ac-volts', 60) },
        dry,
      ),
    ).toMatch(/^Nobody goes on before a licensed electrician/);
    expect(prerequisites(loop, run('isolated'), read, dry)).toBeUndefined();
  });
  it('dangerous volts hold back everything but looking for them again', () => {
    const stopped = { ...read, 'foreign-ac-volts': reading('r08', 'foreign-ac-volts', 60) };
    expect(
      tests.filter((test) => interlock(test, run('live'), stopped, dry) === undefined).map(({ id }) => id),
    ).toEqual(['foreign-ac-volts', 'foreign-ac-loaded-volts']);
    for (const test of tests)
      expect(interlock(test, run('live'), stopped, dry) ?? '').not.toMatch(/isolate|disconnect/);
    expect(isStopped(stopped, dry)).toBe(true);
    expect(isStopped({ 'foreign-dc-volts': reading('r08', 'foreign-dc-volts', 59) }, dry)).toBe(false);
  });
  it('whatever is offered fits the state that the run is in', () => {
    for (const state of ['live', 'isolated', 'disconnected'] as const) {
      for (const test of tests)
        if (interlock(test, run(state), read, dry) === undefined) expect(test.allowedIn).toContain(state);
    }
  });
});
