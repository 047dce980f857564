import { describe, expect, it } from 'vitest';
import { catalogueOf } from '#core/model/catalogue';
import { loadDerivation } from '#core/connect/topology';
import { planSheet } from '#core/documents';
import {
  applyChanges,
  changesBetween,
  removeRunAndCamera,
  withChanges,
  type Change,
  type Product,
  type Site,
} from '#core/model/site';
import { formulas } from '#core/shared/derivation';
import { overTheMast } from '../connect/topology/testRelay';
import { changesOf, saltmarrowSite } from '../model/site/testSite';
import {
  evaluateSite,
  initialPatch,
  networkAt,
  summaryPatch,
  summaryOf,
  detailsOf,
  withDetails,
  applyPatch,
  derivationOf,
} from '.';

const site = saltmarrowSite();
const after = (...changes: Change[]): Site => {
  const applied = applyChanges(site, changes);
  if (applied.kind === 'refused') throw new Error(JSON.stringify(applied.problems));
  return applied.value.site;
};
const choose = (id: string, option: 'keep' | 'ip-coax-unit'): Change => ({
  kind: 'choice',
  id,
  set: { id, option, at: '2026-03-12T09:00:00Z', by: 'R. Tolland' },
});

describe('evaluateSite', () => {
  const evaluation = evaluateSite(site);
  it('counts what is left', () =>
    expect(evaluation.left).toEqual({ toNote: 2, toTest: 5, toDecide: 18, toPlace: 20, broken: 0 }));
  it('a choice without a slot waits; an undecided camera holds its input', () => {
    const { allocation } = evaluateSite(after(choose('c08', 'ip-coax-unit')));
    expect(allocation.waiting.map(({ number }) => number)).toEqual([8, 18, 20]);
    expect(
      allocation.occupied['marshalling-recorder']!.some(({ need, placed }) => need.number === 9 && !placed),
    ).toBe(true);
  });
  it('a reading that comes later and breaks a choice raises it at once', () => {
    const read: Change = {
      kind: 'reading',
      id: 'r03-late',
      set: {
        id: 'r03-late',
        runId: 'r03',
        test: 'night-volts',
        value: 9.4,
        at: '2026-05-01T22:00:00Z',
        by: 'I. Marlow',
        instrument: 'Bench meter 1',
      },
    };
    const { runs, left } = evaluateSite(after(read));
    expect(runs.find(({ camera }) => camera.number === 3)?.choiceBroken).toMatch(/volts by night/);
    expect(left.broken).toBe(1);
  });
  it('without its derivations it is the same, and each can still be asked for', () => {
    const light = summaryOf(evaluation);
    expect(JSON.stringify(light)).not.toContain('"derivation"');
    expect(light.runs[7]!.findings.binding.id).toBe('night-volts');
    expect(
      derivationOf(site, evaluation, { kind: 'verdict', runId: 'r08', id: 'night-volts' })?.title,
    ).toMatch(/Volts at the camera, night, 8\.9 V/);
    expect(
      derivationOf(site, evaluation, { kind: 'margin', runId: 'r08', option: 'ip-coax-unit', index: 0 })
        ?.title,
    ).toMatch(/Watts that arrive/);
    expect(
      derivationOf(site, evaluation, { kind: 'margin', runId: 'r08', option: 'baluns', index: 0 }),
    ).toBeNull();
    expect(derivationOf(site, evaluation, { kind: 'verdict', runId: 'r99', id: 'night-volts' })).toBeNull();
  });
  it('every formula that is listed is used by some derivation', () => {
    // An open end far out on a run that nobody has read.
    const counts = Array.from({ length: 800 }, (_, k) =>
      k < 10 ? 30_000 : k >= 640 && k < 650 ? 12_000 : 0,
    );
    const traced = evaluateSite(
      after({
        kind: 'reading',
        id: 'r16-trace',
        set: {
          id: 'r16-trace',
          runId: 'r16',
          test: 'reflectometer',
          trace: { stepNs: 3, voltsPerCount: 1e-5, counts },
          at: '2026-05-01T22:00:00Z',
          by: 'I. Marlow',
          instrument: 'Echo box',
        },
      }),
    );
    // A converter with a data sheet's table.
    const converter = catalogueOf(site).products.get('coax-converter')! as Extract<
      Product,
      { kind: 'converter' }
    >;
    // And a view that another camera could see.
    const needs = { detail: 'observe' as const };
    const camera = {
      ...site.camera,
      c01: { ...site.camera['c01']!, needs, seenFrom: { cameraId: 'c02', acrossDegrees: 80, targetM: 6 } },
      c02: { ...site.camera['c02']!, needs, targetM: 5 },
    };
    const tabled = evaluateSite({
      ...site,
      camera,
      product: {
        'coax-converter': {
          ...converter,
          distances: [
            { lengthM: 200, mbps: 80, watts: 24 },
            { lengthM: 500, mbps: 40, watts: 15 },
          ],
        },
      },
    });
    // Views that come over a radio which passes on.
    const passedOn = overTheMast(site, 1);
    const network = networkAt(site, evaluation, { kind: 'after' });
    const relay = networkAt(passedOn.site, evaluateSite(passedOn.site), { kind: 'after' });
    const ofNetwork = [
      loadDerivation(relay, { of: 'device', id: passedOn.mastId, label: 'airtime' }),
      ...network.links.map(({ linkId }) => loadDerivation(network, { of: 'link', id: linkId })),
      ...network.devices.flatMap(({ deviceId, loads }) =>
        loads.map(({ label }) => loadDerivation(network, { of: 'device', id: deviceId, label })),
      ),
      ...Object.keys({ ...site.equipment, ...site.supply }).map((nodeId) =>
        derivationOf(site, evaluation, { kind: 'power', at: { kind: 'today' }, nodeId }),
      ),
    ].flatMap((derivation) => derivation ?? []);
    const used = new Set(
      [...traced.runs, ...tabled.runs]
        .flatMap(({ findings, options }) => [
          ...findings.verdicts.map(({ derivation }) => derivation()),
          ...options.flatMap((option) =>
            option.state === 'no' ? [] : option.margins.map(({ derivation }) => derivation()),
          ),
        ])
        .concat(ofNetwork)
        .flatMap(({ steps }) => steps.map(({ formula }) => formula)),
    );
    expect([...used].sort()).toEqual(Object.keys(formulas).sort());
  });
});

describe('evaluating again', () => {
  const read: Change = {
    kind: 'reading',
    id: 'r09-late',
    set: {
      id: 'r09-late',
      runId: 'r09',
      test: 'night-volts',
      value: 9.4,
      at: '2026-05-01T22:00:00Z',
      by: 'I. Marlow',
      instrument: 'Bench meter 1',
    },
  };
  const changes: [string, Change, number][] = [
    ['a choice', choose('c08', 'ip-coax-unit'), 1],
    ['a reading', read, 1],
    [
      'a camera, with those on its supply box',
      { kind: 'camera', id: 'c08', set: { ...site.camera['c08']!, name: 'Weighbridge east' } },
      6,
    ],
    ['a place', { kind: 'place', id: 'quay', set: { ...site.place['quay']!, temperatureC: 30 } }, 24],
    [
      'a slot',
      { kind: 'placement', id: 'c18', set: { id: 'c18', recorderId: 'hall-recorder', slot: 20 } },
      0,
    ],
  ];
  it.each(changes)('after %s works out only what it touches, to the same result', (_, change, anew) => {
    const before = { site, evaluation: evaluateSite(site) };
    const next = after(change);
    const again = evaluateSite(next, before);
    const news = summaryPatch(again, before.evaluation);
    expect(news.changed).toHaveLength(anew);
    expect(summaryOf(again)).toEqual(summaryOf(evaluateSite(next)));
    expect(applyPatch(summaryOf(before.evaluation), news, next)).toEqual(summaryOf(again));
    expect(changesBetween(site, next)).toEqual([change]);
    expect(withChanges(site, [change])).toEqual(next);
  });
  it('comes in two parts when a site is opened: what the board shows, then verdicts and options', () => {
    const evaluation = evaluateSite(site);
    const first = applyPatch(null, initialPatch(evaluation), site);
    expect(
      first.runs.every(({ options, findings }) => options.length === 0 && findings.verdicts.length === 0),
    ).toBe(true);
    expect(withDetails(first, detailsOf(evaluation))).toEqual(summaryOf(evaluation));
    expect(first.runs[0]!.run).toBe(site.run[first.runs[0]!.run.id]);
  });
  it('a run that goes is gone', () => {
    const before = { site, evaluation: evaluateSite(site) };
    const next = after(...changesOf(removeRunAndCamera(site, 'r15')));
    expect(
      applyPatch(
        summaryOf(before.evaluation),
        summaryPatch(evaluateSite(next, before), before.evaluation),
        next,
      ).runs.map(({ camera }) => camera.number),
    ).not.toContain(15);
    expect(changesBetween(site, next)).toEqual([
      { kind: 'camera', id: 'c15', remove: true },
      { kind: 'run', id: 'r15', remove: true },
      { kind: 'pin', id: 'camera-c15', remove: true },
    ]);
  });
});

describe('planSheet', () => {
  it('adds up, and says what is open', () => {
    const sheet = planSheet(site, evaluateSite(site));
    expect(sheet.rows).toHaveLength(24);
    expect(sheet.open).toEqual(['18 cameras are not decided.', 'Without a slot: 18, 20.']);
    expect(sheet.total.cost).toBe(
      sheet.parts.reduce((sum, { cost }) => sum + (cost ?? 0), 0) + sheet.total.labourCost,
    );
    // Nights are dearer, and not all of it is by night.
    expect(sheet.total.labourCost).toBeGreaterThan(sheet.total.hours * 48 - 1);
    expect(sheet.total.labourCost).toBeLessThan(sheet.total.hours * 72);
  });
  it('carries the cautions of what was chosen, each once', () => {
    const { cautions } = planSheet(site, evaluateSite(site));
    expect(cautions.join(' ')).toMatch(/licensed/);
    expect(new Set(cautions).size).toBe(cautions.length);
  });
  it('names a broken rule and a decision on an untested run', () => {
    const sheet = planSheet(
      site,
      evaluateSite(
        after(choose('c15', 'ip-coax-unit'), choose('c17', 'ip-coax-unit'), {
          kind: 'placement',
          id: 'c17',
          set: { id: 'c17', recorderId: 'hall-recorder', slot: 9 },
        }),
      ),
    );
    expect(sheet.open.join(' ')).toMatch(/untested runs: 15.*from the highest down/);
  });
});
