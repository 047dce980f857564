import loadHighs from 'highs';
import { beforeAll, describe, expect, it } from 'vitest';
import { mayAccept, thingKey, type ThingState } from '#core/signoff/acceptance';
import {
  accept,
  applyChanges,
  closePunchItem,
  notePunchItem,
  readForAcceptance,
  setPolicyFigure,
  strikeAcceptanceReading,
  withChanges,
  withdrawAcceptance,
  type AcceptanceCheckId,
  type Change,
  type Site,
} from '#core/model/site';
import { newNetworkGear } from '#core/connect/gear';
import { evaluateSite } from './evaluateSite';
import { signOffOf, type SignOff } from './signOffOf';
import { decidedSaltmarrow, soundReading } from './testDecided';

let site: Site;
beforeAll(async () => {
  site = decidedSaltmarrow(await loadHighs());
});

const doing = { at: '2026-05-05T07:30:00Z', by: 'K. Ridley' };
const later = { at: '2026-05-06T07:30:00Z', by: 'K. Ridley' };
const signOff = (of: Site): SignOff => signOffOf(of, evaluateSite(of));
const thingIn = ({ things }: SignOff, name: string): ThingState =>
  things.find((thing) => thing.name === name)!;

const readAll = (thing: ThingState): Change[] =>
  thing.checks.map((one) =>
    readForAcceptance(
      { of: thing.of, check: one.check, found: soundReading(one), instrument: 'meter' },
      doing,
      'first',
    ),
  );

const reading = (
  thing: ThingState,
  check: AcceptanceCheckId,
  value: number,
  when = later,
  mark = 'again',
): Change =>
  readForAcceptance(
    { of: thing.of, check, found: { kind: 'figure', value }, instrument: 'meter' },
    when,
    mark,
  );

const applied = (to: Site, changes: readonly Change[]): Site => {
  const done = applyChanges(to, changes);
  if (done.kind === 'refused') throw new Error(JSON.stringify(done.problems));
  return done.value.site;
};

describe('what is asked before a site is accepted', () => {
  it('follows from what was chosen: volts where a box feeds, a link over coax, light, a tester on category cable', () => {
    const all = signOff(site);
    const checks = (name: string) => thingIn(all, name).checks.map(({ check }) => check);
    expect(checks('Turnstiles')).toEqual(expect.arrayContaining(['lamp-volts', 'idle-volts', 'playback']));
    expect(checks('Turnstiles')).not.toContain('password-holder');
    expect(checks('Weighbridge')).toEqual(
      expect.arrayContaining(['delivered-watts', 'throughput', 'lost-packets', 'soak', 'password-holder']),
    );
    expect(checks('Slip')).toEqual(expect.arrayContaining(['cable-tester', 'frame-errors', 'port-watts']));
    expect(checks('Yard')).toContain('fibre-loss');
    expect(checks('Hall recorder')).toEqual(expect.arrayContaining(['clock-off', 'day-rate', 'loss-alarm']));
    expect(checks('Hall UPS')).toContain('ups-minutes');
    expect(all.totals).toMatchObject({ accepted: 0, fails: 0, punch: 0 });
  });

  it('tells beforehand what is expected and would not be accepted, until it is read', () => {
    const foreseen = ({ things }: SignOff) =>
      things.flatMap(({ name, checks }) =>
        checks.flatMap(({ check, foreseen: why }) => (why ? [[name, check, why]] : [])),
      );
    // 24 W over 410 m from a port of 30 W, of which 85 % are accepted.
    expect(foreseen(signOff(site))).toEqual([
      [
        'Mast, turning',
        'port-watts',
        expect.stringMatching(/^Expected at 27\.4 W\. Too much: wanted at most 25\.5 W/),
      ],
    ]);
    const mast = thingIn(signOff(site), 'Mast, turning');
    expect(foreseen(signOff(applied(site, [reading(mast, 'port-watts', 25)])))).toEqual([]);
  });

  it('expects of a link of fibre what its own grade loses', () => {
    const lossOf = (fibreGrade: 'os2' | 'om1') => {
      const link = { ...site.link['hall-office-fibre']!, fibreGrade };
      const { checks } = thingIn(signOff({ ...site, link: { [link.id]: link } }), link.name);
      return checks.find(({ check }) => check === 'fibre-loss')!.predicted!.value;
    };
    // 310 m at 0.5 and at 3.5 dB a kilometre.
    expect(lossOf('om1') - lossOf('os2')).toBeCloseTo(0.31 * 3, 9);
  });

  it('goes by the firm’s own figures', () => {
    const stricter = withChanges(site, setPolicyFigure(site, 'linkTimes', 2));
    const wanted = ({ checks }: ThingState) => checks.find(({ check }) => check === 'throughput')!.wanted;
    expect(wanted(thingIn(signOff(site), 'Gate in'))).toBe('at least 9 Mb/s');
    expect(wanted(thingIn(signOff(stricter), 'Gate in'))).toBe('at least 12 Mb/s');
    expect(withChanges(stricter, setPolicyFigure(stricter, 'linkTimes', 1.5)).acceptancePolicy).toEqual({});
  });

  it('watches a close link for longer', () => {
    const soakOfThing = (name: string) =>
      thingIn(signOff(site), name).checks.find(({ check }) => check === 'soak')!.limit;
    expect(soakOfThing('Mast, turning')).toMatchObject({ hours: 72 });
    expect(soakOfThing('Weighbridge')).toMatchObject({ hours: 24 });
  });
});

describe('accepting', () => {
  it('is for what was read and holds; a later reading goes before', () => {
    const weighbridge = thingIn(signOff(site), 'Weighbridge');
    const may = mayAccept([weighbridge]);
    expect(may).toMatchObject({ kind: 'may-not' });
    expect(may.kind === 'may-not' && may.why[0]).toContain(
      '8 Weighbridge: Watts that arrive over the coax: not read',
    );
    const read = applied(site, readAll(weighbridge));
    expect(thingIn(signOff(read), 'Weighbridge').status).toBe('ready');
    const low = applied(read, [reading(weighbridge, 'delivered-watts', 3)]);
    const failing = thingIn(signOff(low), 'Weighbridge');
    expect(failing).toMatchObject({ status: 'fails', failing: 1 });
    expect(failing.checks[0]).toMatchObject({ holds: false, isExpected: false, superseded: 1 });
    expect(mayAccept([failing])).toMatchObject({
      kind: 'may-not',
      why: ['8 Weighbridge: Watts that arrive over the coax: does not hold.'],
    });
    const mended = applied(low, [
      reading(weighbridge, 'delivered-watts', 23, { ...later, at: '2026-05-07T07:30:00Z' }, 'third'),
    ]);
    expect(thingIn(signOff(mended), 'Weighbridge').status).toBe('ready');
  });

  it('is with an exception where the punch list says what is not so, and never of what is unsafe', () => {
    const weighbridge = thingIn(signOff(site), 'Weighbridge');
    const item = {
      of: weighbridge.of,
      what: 'reflection of the lamps',
      check: 'picture-by-lamps' as const,
      severity: 'cosmetic' as const,
    };
    const read = applied(site, [
      ...readAll(weighbridge).filter(({ id }) => !id.includes('picture-by-lamps')),
      notePunchItem(site, item, doing, 'k'),
    ]);
    const thing = thingIn(signOff(read), 'Weighbridge');
    const may = mayAccept([thing]);
    if (may.kind !== 'may') throw new Error(may.why.join(' '));
    expect(may.exceptions).toEqual([{ punchId: expect.any(String), what: 'reflection of the lamps' }]);
    const { readingIds, exceptions } = may;
    const given = {
      things: [thing.of],
      readingIds,
      exceptions,
      signedBy: 'J. Holm',
      role: 'customer' as const,
    };
    const signed = applied(read, [accept(read, given, later, 'k')]);
    expect(thingIn(signOff(signed), 'Weighbridge')).toMatchObject({ status: 'with-exceptions' });
    const [punch] = Object.values(signed.punchItem);
    const closed = applied(signed, [
      closePunchItem(punch!, 'hood moved', { ...later, at: '2026-05-08T07:30:00Z' }),
      readForAcceptance(
        { of: thing.of, check: 'picture-by-lamps', found: { kind: 'seen', isSo: true }, instrument: '' },
        { ...later, at: '2026-05-08T07:30:00Z' },
        'k',
      ),
    ]);
    expect(thingIn(signOff(closed), 'Weighbridge').status).toBe('accepted');
    const unsafe = applied(read, [
      notePunchItem(read, { of: thing.of, what: 'bare mains core', severity: 'unsafe' }, doing, 'u'),
    ]);
    expect(mayAccept([thingIn(signOff(unsafe), 'Weighbridge')])).toMatchObject({
      kind: 'may-not',
      why: ['8 Weighbridge is unsafe: bare mains core. Mend it and close it on the punch list first.'],
    });
  });

  it('lasts: what it rests on is not struck out, and it is not changed but withdrawn', () => {
    const weighbridge = thingIn(signOff(site), 'Weighbridge');
    const read = applied(site, readAll(weighbridge));
    const may = mayAccept([thingIn(signOff(read), 'Weighbridge')]);
    if (may.kind !== 'may') throw new Error('may not');
    const { kind: _kind, ...rests } = may;
    const given = { things: [weighbridge.of], ...rests, signedBy: 'J. Holm', role: 'customer' as const };
    const signed = applied(read, [accept(read, given, later, 'k')]);
    const [acceptance] = Object.values(signed.acceptance);
    const [first] = Object.values(signed.acceptanceReading);
    const refused = (changes: Change[]) => applyChanges(signed, changes).kind;
    expect(refused([strikeAcceptanceReading(first!, 'wrong plug', later)])).toBe('refused');
    expect(refused([{ kind: 'acceptance', id: acceptance!.id, remove: true }])).toBe('refused');
    expect(
      refused([{ kind: 'acceptance', id: acceptance!.id, set: { ...acceptance!, signedBy: 'A. Other' } }]),
    ).toBe('refused');
    expect(
      refused([
        {
          kind: 'acceptanceReading',
          id: first!.id,
          set: { ...first!, found: { kind: 'seen', isSo: false } },
        },
      ]),
    ).toBe('refused');
    const withdrawn = applied(signed, [withdrawAcceptance(acceptance!, 'wrong camera', later)]);
    expect(thingIn(signOff(withdrawn), 'Weighbridge').accepted).toBeNull();
    expect(applyChanges(withdrawn, [strikeAcceptanceReading(first!, 'wrong plug', later)]).kind).toBe(
      'sound',
    );
    // A reading after it that does not hold says so; what was accepted stays what it was.
    const worse = applied(signed, [
      reading(weighbridge, 'delivered-watts', 3, { ...later, at: '2027-05-06T07:30:00Z' }),
    ]);
    expect(thingIn(signOff(worse), 'Weighbridge')).toMatchObject({
      status: 'fails',
      accepted: { id: acceptance!.id },
    });
  });

  it('is the customer’s: what the integrator signs leaves it to him', () => {
    const weighbridge = thingIn(signOff(site), 'Weighbridge');
    const read = applied(site, readAll(weighbridge));
    const may = mayAccept([thingIn(signOff(read), 'Weighbridge')]);
    if (may.kind !== 'may') throw new Error('may not');
    const { kind: _kind, ...rests } = may;
    const given = { things: [weighbridge.of], ...rests, signedBy: 'K. Ridley', role: 'integrator' as const };
    const signed = applied(read, [accept(read, given, later, 'k')]);
    expect(thingIn(signOff(signed), 'Weighbridge')).toMatchObject({ status: 'ready', accepted: null });
  });

  it('is undone by withdrawing, not by forgetting', () => {
    const weighbridge = thingIn(signOff(site), 'Weighbridge');
    const done = applyChanges(site, readAll(weighbridge));
    if (done.kind === 'refused') throw new Error('refused');
    const back = applied(done.value.site, done.value.inverse);
    expect(Object.values(back.acceptanceReading).every(({ struck }) => struck?.why === 'taken back')).toBe(
      true,
    );
    expect(thingIn(signOff(back), 'Weighbridge').unread).toBe(weighbridge.checks.length);
  });
});

describe('the check after a year', () => {
  it('is against what was accepted: drift, and what to do', () => {
    const weighbridge = thingIn(signOff(site), 'Weighbridge');
    const read = applied(site, readAll(weighbridge));
    const may = mayAccept([thingIn(signOff(read), 'Weighbridge')]);
    if (may.kind !== 'may') throw new Error('may not');
    const { kind: _kind, ...rests } = may;
    const given = { things: [weighbridge.of], ...rests, signedBy: 'J. Holm', role: 'customer' as const };
    const signed = applied(read, [accept(read, given, later, 'k')]);
    expect(signOff(signed).yearly).toHaveLength(weighbridge.checks.length);
    const yearly = (check: AcceptanceCheckId, value: number): Change =>
      readForAcceptance(
        {
          of: weighbridge.of,
          check,
          found: { kind: 'figure', value },
          instrument: 'meter',
          occasion: 'yearly',
        },
        { ...later, at: '2027-05-06T07:30:00Z' },
        'y',
      );
    const base = weighbridge.checks.find(({ check }) => check === 'delivered-watts')!.predicted!.value;
    const now = applied(signed, [yearly('delivered-watts', 0.8 * base), yearly('throughput', 2)]);
    const drift = (check: AcceptanceCheckId) => signOff(now).yearly.find((one) => one.check === check)!;
    expect(drift('delivered-watts')).toMatchObject({ state: 'drifts' });
    expect(drift('delivered-watts').percent).toBeCloseTo(-20, 6);
    expect(drift('throughput').state).toBe('fails');
    expect(drift('labels').state).toBe('to-read');
    // A yearly reading is no reading of the sign-off.
    expect(thingKey(weighbridge.of)).toBe(`camera/${weighbridge.of.id}`);
    expect(thingIn(signOff(now), 'Weighbridge').status).toBe('accepted');
  });
});

describe('figures that are off together', () => {
  it('are told by the reel that their cables come from, before anything that says less of them', () => {
    const ofReel = ['r23', 'r24'].map((id): Change => {
      const run = site.run[id]!;
      const segments = run.segments.map((segment) => ({ ...segment, reel: 'R-7', installedBy: 'M. Quay' }));
      return { kind: 'run', id, set: { ...run, segments } };
    });
    const noted = applied(site, ofReel);
    const before = signOff(noted);
    const poor = [
      reading(thingIn(before, 'Gate in'), 'throughput', 30),
      reading(thingIn(before, 'Gate out'), 'throughput', 31),
    ];
    expect(signOff(applied(noted, poor)).agreement.differences).toMatchObject([
      { kin: { by: 'reel', name: 'R-7' }, numbers: [23, 24] },
    ]);
  });
});

describe('what is bought and noted nowhere', () => {
  it('is told, and once it is noted costs what it cost and is accepted like the rest', () => {
    const { total } = evaluateSite(site);
    const { unnoted } = signOff(site);
    expect(unnoted.length).toBeGreaterThan(0);
    const noted = unnoted.reduce((of, one) => withChanges(of, newNetworkGear(of, one)), site);
    const after = signOff(noted);
    expect(after.unnoted).toEqual([]);
    expect(evaluateSite(noted).total.cost).toBeCloseTo(total.cost, 6);
    for (const { name } of unnoted)
      expect(thingIn(after, name).checks.map(({ check }) => check)).toContain('serial');
  });
});
