import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { SiteFile } from '#core/model/site';
import type { DrillResult } from '#core/test/drills';
import { drillResult as result } from './drillResult';
import { startShared, type SharedServer, type Visitor } from './accountsUnderTest';

let shared: SharedServer;
let [admin, staff, trainee]: Visitor[] = [];
beforeAll(async () => {
  shared = await startShared();
  const signIn = async (name: string, role: 'admin' | 'staff' | 'guest') =>
    shared.signedIn(await shared.add(name, role));
  admin = await signIn('T. Sallow', 'admin');
  staff = await signIn('R. Tolland', 'staff');
  trainee = await signIn('W. Iken', 'guest');
});
afterAll(() => shared.close());

const resultsTo = async (visitor: Visitor): Promise<DrillResult[]> =>
  ((await (await visitor('GET', '/api/drill-results')).json()) as { results: DrillResult[] }).results;
const send = async (visitor: Visitor, results: unknown): Promise<number> =>
  (await visitor('POST', '/api/drill-results', { results })).status;

describe('the firm', () => {
  const ours = { name: 'Saltmarrow Integrators', address: '3 Causeway Row' };
  const firmOfNewSite = async (name: string): Promise<unknown> => {
    const made = await staff!('POST', '/api/sites', { name, headEndName: 'Hall' });
    const { id } = (await made.json()) as { id: string };
    const read = await staff!('GET', `/api/sites/${id}`);
    return ((await read.json()) as { file: SiteFile }).file.about.firm;
  };

  it('stands on no new site before somebody has said who it is, and on every one from then on', async () => {
    expect(await (await staff!('GET', '/api/firm')).json()).toEqual({ firm: null });
    expect(await firmOfNewSite('Saltmarrow Slip')).toBeUndefined();
    expect((await staff!('POST', '/api/firm', { firm: ours })).status).toBe(204);
    expect(await (await trainee!('GET', '/api/firm')).json()).toEqual({ firm: ours });
    expect(await firmOfNewSite('Saltmarrow Ramp')).toEqual(ours);
    const moved = { ...ours, address: '9 Ropewalk' };
    expect((await admin!('POST', '/api/firm', { firm: moved })).status).toBe(204);
    expect(await firmOfNewSite('Saltmarrow Pier')).toEqual(moved);
  });

  it('is not set by guests, nor to what is no firm', async () => {
    expect((await trainee!('POST', '/api/firm', { firm: ours })).status).toBe(403);
    expect((await staff!('POST', '/api/firm', { firm: { name: '', address: '' } })).status).toBe(400);
    expect((await staff!('POST', '/api/firm', {})).status).toBe(400);
  });
});

describe('results of drills', () => {
  it('are one’s own, and those of others once one has ended the same drill; all of them to whoever administers', async () => {
    const [first, second] = [result('R. Tolland', 'gate-at-night'), result('R. Tolland', '2-K7QF')];
    expect(await send(staff!, [first, second])).toBe(204);
    expect(await resultsTo(trainee!)).toEqual([]);
    const mine = result('W. Iken', '2-K7QF', { at: '2026-03-13T09:00:00Z', total: 40 });
    expect(await send(trainee!, [mine])).toBe(204);
    expect(await resultsTo(trainee!)).toEqual([second, mine]);
    expect(await resultsTo(staff!)).toEqual([second, first, mine]);
    expect(await resultsTo(admin!)).toEqual([second, first, mine]);
  });

  it('are kept once, as they were first sent', async () => {
    const before = await resultsTo(admin!);
    expect(await send(staff!, [result('R. Tolland', '2-K7QF', { total: 100 })])).toBe(204);
    expect(await resultsTo(admin!)).toEqual(before);
  });

  it('of somebody else, and what are none, are refused whole', async () => {
    const before = await resultsTo(admin!);
    const own = result('W. Iken', 'two-faults');
    expect(await send(trainee!, [own, result('R. Tolland', 'two-faults')])).toBe(403);
    expect(await send(trainee!, [own, { ...own, total: 101 }])).toBe(400);
    expect(await send(trainee!, [])).toBe(400);
    expect(await send(trainee!, 'all of them')).toBe(400);
    expect(await resultsTo(admin!)).toEqual(before);
  });
});
