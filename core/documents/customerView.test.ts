import loadHighs from 'highs';
import { beforeAll, describe, expect, it } from 'vitest';
import { giveOffer, offerOf } from '#core/decide/offer';
import { evaluateSite, signOffOf } from '#core/evaluate';
import { readForAcceptance, withChanges, type Site } from '#core/model/site';
import { thingKey } from '#core/signoff/acceptance';
import { decidedSaltmarrow, soundReading } from '../evaluate/testDecided';
import { customerAccepts, customerAcceptsOffer, customerView, tablesOf } from '.';

const at = '2026-05-05T07:30:00Z';
const doing = { at, by: 'J. Holm', mark: 'holm1' };
const moment = {
  on: '2026-05-05',
  measures: { length: 'm', gauge: 'mm2' } as const,
  clock: { now: Date.parse(at), beginOf: (date: string, time: string) => Date.parse(`${date}T${time}:00Z`) },
  pageOf: () => '',
};
const signature = [[10, 10, 60, 40]];
const kiosk = { kind: 'camera', id: 'c03' } as const;

let site: Site;
/** With every check of one camera read as it should be. */
let read: Site;
beforeAll(async () => {
  site = decidedSaltmarrow(await loadHighs());
  const thing = signOffOf(site, evaluateSite(site)).things.find(
    ({ of }) => thingKey(of) === thingKey(kiosk),
  )!;
  read = withChanges(
    site,
    thing.checks.map((check, k) =>
      readForAcceptance(
        { of: kiosk, check: check.check, found: soundReading(check), instrument: 'Bench meter 1' },
        { at: '2026-05-04T09:00:00Z', by: 'K. Ridley' },
        `m${k}`,
      ),
    ),
  );
});
const viewOf = (of: Site) => customerView(of, evaluateSite(of), moment);
const restsOn = (of: Site): string => viewOf(of).things.find((thing) => thing.of.id === 'c03')!.restsOn;
const accepting = (of: Site, things = [{ of: kiosk, restsOn: restsOn(of) }]) =>
  customerAccepts(of, evaluateSite(of), moment, { things, signedBy: 'J. Holm', signature }, doing);
const offered = (of: Site): Site => {
  const given = giveOffer(of, offerOf(of, evaluateSite(of).runs), {
    preparedBy: 'R. Tolland',
    isFinal: false,
    saying: '',
    at: '2026-05-01T09:00:00Z',
    by: 'R. Tolland',
    mark: 'tolla',
  });
  if (!given.ok) throw new Error(given.problems.join(' '));
  return withChanges(of, [given.change]);
};
const sayingYes = (of: Site, on = at) =>
  customerAcceptsOffer(
    of,
    evaluateSite(of),
    moment,
    { offerId: Object.keys(of.givenOffer)[0]!, name: 'J. Holm' },
    { at: on, by: 'J. Holm' },
  );

describe('what a customer sees', () => {
  it('is how far everything is, and nothing of what it costs whoever offers', () => {
    const { papers, things, offer } = viewOf(offered(site));
    expect(papers.map(({ id }) => id)).toEqual(['offer', 'sign-off']);
    expect(offer).toMatchObject({ number: 1, hasMovedOn: false, accepted: '' });
    expect(things.every(({ why }) => why.length > 0)).toBe(true);
    const prices = tablesOf(papers[0]!).find(({ name }) => name === 'Price')!;
    const figures = new Set(prices.rows.flat());
    const { lines } = offerOf(site, evaluateSite(site).runs);
    for (const { price } of lines) expect(figures).toContain(price);
    for (const { cost, price } of lines)
      if (cost > 500 && cost !== price) expect(figures).not.toContain(cost);
  });
  it('is no offer where none is on record, and none whose figures the site has moved on from', () => {
    expect(viewOf(site).offer).toBeNull();
    const moved = { ...offered(site), choice: {} };
    expect(viewOf(moved).offer).toMatchObject({ hasMovedOn: true });
    expect(viewOf(moved).papers.map(({ id }) => id)).toEqual(['sign-off']);
    expect(sayingYes(moved)).toMatchObject({ kind: 'may-not' });
  });
});

describe('what a customer signs', () => {
  it('is what was read and holds, under his name, once', () => {
    expect(viewOf(read).things.find(({ of }) => of.id === 'c03')).toMatchObject({
      why: [],
      isAccepted: false,
    });
    const signed = accepting(read);
    if (signed.kind !== 'signed') throw new Error(signed.why.join(' '));
    const after = withChanges(read, [signed.change]);
    expect(Object.values(after.acceptance)).toMatchObject([
      { things: [kiosk], signedBy: 'J. Holm', role: 'customer', by: 'J. Holm', at, exceptions: [] },
    ]);
    const { things, papers } = viewOf(after);
    expect(things.find(({ of }) => of.id === 'c03')).toMatchObject({ isAccepted: true });
    expect(papers.map(({ id }) => id)).toContain('hand-over');
    expect(accepting(after)).toMatchObject({
      kind: 'may-not',
      why: [expect.stringContaining('accepted already')],
    });
  });
  it('is nothing that was not read, and nothing that is not there', () => {
    expect(accepting(site)).toMatchObject({ kind: 'may-not', why: [expect.stringContaining('not read')] });
    expect(accepting(read, [{ of: { kind: 'camera', id: 'c99' }, restsOn: '' } as never])).toMatchObject({
      kind: 'may-not',
    });
  });
  it('is nothing that has changed since it was shown to him', () => {
    const shown = restsOn(read);
    const again = withChanges(read, [
      readForAcceptance(
        { of: kiosk, check: 'labels', found: { kind: 'seen', isSo: true }, instrument: 'by eye' },
        { at: '2026-05-05T07:00:00Z', by: 'K. Ridley' },
        'again',
      ),
    ]);
    expect(accepting(again, [{ of: kiosk, restsOn: shown }])).toEqual({
      kind: 'may-not',
      why: ['3 Turnstiles has changed since it was shown.'],
    });
    expect(accepting(again)).toMatchObject({ kind: 'signed' });
  });
  it('is the offer that stands, while it is valid, once', () => {
    const given = offered(site);
    const yes = sayingYes(given);
    if (yes.kind !== 'signed') throw new Error(yes.why.join(' '));
    const after = withChanges(given, [yes.change]);
    expect(viewOf(after).offer).toMatchObject({ accepted: 'J. Holm' });
    expect(sayingYes(after)).toMatchObject({ kind: 'may-not', why: ['J. Holm has said yes to it already.'] });
    expect(sayingYes(given, '2027-01-01T00:00:00Z')).toMatchObject({
      kind: 'may-not',
      why: [expect.stringContaining('was valid until')],
    });
  });
});
