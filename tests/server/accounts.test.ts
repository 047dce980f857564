import { existsSync, readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { TOTP, Secret } from 'otpauth';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { hashOfCode, hashOfSecret, newCode } from '../../server/accounts/secrets';
import { invitationMs, invite, invitationOf } from '../../server/accounts/invitations';
import { forgetFailures, noteFailure, waitS } from '../../server/accounts/lockOut';
import { setMember } from '../../server/accounts/members';
import { lastNotes } from '../../server/accounts/notes';
import { isPassword, hashOfPassword, weakness } from '../../server/accounts/passwords';
import { findPerson, listPeople, removePerson, setFirmRole } from '../../server/accounts/people';
import { beginSession, sessionOf } from '../../server/accounts/sessions';
import { stepOf, takeTimeCode } from '../../server/accounts/timeCodes';
import { startServer } from '../../server/startServer';
import { cookieFrom, password, startShared, visitorWith, type SharedServer } from './accountsUnderTest';
import { placeFor } from './placeUnderTest';
import { choosing, demoFile, newFolder, post, root, siteId } from './serverUnderTest';

let shared: SharedServer;
beforeAll(async () => {
  shared = await startShared();
});
afterAll(() => shared.close());

const stranger = () => visitorWith(shared.api, null);
let seat = 0;
/** From an address of its own, so that no test is too fast for another. */
const elsewhere = () => ({ 'x-forwarded-for': `198.51.100.${(seat += 1)}` });
const said = async (response: Response) => (await response.json()) as { detail: string; title: string };
const signIn = (name: string, given: string, more: object = {}) =>
  stranger()('POST', '/api/sign-in', { name, password: given, ...more }, elsewhere());
const toStaff = (by = 'A. Marrow') => ({
  role: 'staff' as const,
  site: null,
  siteRole: null,
  recovers: null,
  by,
});
const reading = (id: string) => ({
  kind: 'reading' as const,
  id,
  set: {
    id,
    runId: 'r01',
    at: '2026-03-12T09:00:00Z',
    by: 'R. Tolland',
    instrument: 'meter',
    test: 'coax-loop-ohms' as const,
    value: 4.1,
  },
});

describe('a machine by itself', () => {
  it('is as it was: nobody signs in, and every site is there', async () => {
    const server = await startServer({
      port: 0,
      ...(await placeFor(newFolder())),
      webDir: path.join(root, 'dist'),
      demoFile,
      withDemo: true,
      reset: false,
    });
    expect(await (await fetch(`${server.address}/api/visitor`)).json()).toEqual({ kind: 'without-accounts' });
    expect((await fetch(`${server.address}/api/sites/${siteId}`)).status).toBe(200);
    expect(server.firstCode).toBeNull();
    await server.close();
  });
});

describe('an invitation', () => {
  const join = (code: string, name: string, given = password) =>
    stranger()('POST', '/api/join', { code, name, password: given }, elsewhere());
  it('makes one account, signs it in, and is used up', async () => {
    const { code } = await invite(shared.accounts, toStaff(), invitationMs.usual);
    expect(await (await stranger()('POST', '/api/join/look', { code }, elsewhere())).json()).toMatchObject({
      by: 'A. Marrow',
      role: 'staff',
      recovers: null,
    });
    const response = await join(code, 'R. Tolland');
    expect(response.status).toBe(204);
    expect(response.headers.get('set-cookie')).toMatch(/Path=\/; Secure; HttpOnly; SameSite=Strict/);
    const me = visitorWith(shared.api, cookieFrom(response));
    expect(await (await me('GET', '/api/visitor')).json()).toMatchObject({
      kind: 'person',
      person: { name: 'R. Tolland', role: 'staff' },
    });
    const again = await join(code, 'Somebody else');
    expect(again.status).toBe(404);
    expect((await said(again)).detail).toMatch(/used already, withdrawn, or is too old/);
  });
  it('lets in one of several who come with it at the same moment', async () => {
    const { code } = await invite(shared.accounts, toStaff(), invitationMs.usual);
    const statuses = (await Promise.all([1, 2, 3].map((k) => join(code, `At once ${k}`)))).map(
      ({ status }) => status,
    );
    expect(statuses.filter((status) => status === 204)).toHaveLength(1);
    const names = (await listPeople(shared.accounts)).map(({ name }) => name);
    expect(names.filter((name) => name.startsWith('At once'))).toHaveLength(1);
  });
  it('is read however it is typed, and gives nobody a name that somebody has', async () => {
    const { code } = await invite(shared.accounts, toStaff(), invitationMs.usual);
    const typed = code.toUpperCase().replaceAll('-', ' ');
    const taken = await join(typed, 'a. MARROW');
    expect(taken.status).toBe(422);
    expect((await said(taken)).detail).toMatch(/has this name/);
    expect((await join(typed, 'B. Quay')).status).toBe(204);
  });
  it('takes no password that is short or has the name in it, and says none back', async () => {
    const { code } = await invite(shared.accounts, toStaff(), invitationMs.usual);
    const short = await join(code, 'C. Lane', 'tide');
    expect(short.status).toBe(400);
    const body = JSON.stringify(await short.json());
    expect(body).toContain('at least 12 characters');
    expect(body).not.toContain('tide');
    expect((await join(code, 'C. Lane', 'c. lane is here')).status).toBe(422);
    expect(await invitationOf(shared.accounts, code)).not.toBeNull();
  });
  it('runs out', async () => {
    const early = { ...shared.accounts, now: () => '2026-01-01T00:00:00.000Z' };
    const { code, endsAt } = await invite(early, toStaff(), invitationMs.usual);
    expect(endsAt).toBe('2026-01-08T00:00:00.000Z');
    expect(await invitationOf({ ...early, now: () => endsAt }, code)).not.toBeNull();
    expect(await invitationOf(shared.accounts, code)).toBeNull();
  });
  it('to a site is taken up by somebody who has an account', async () => {
    const guest = await shared.signedIn(await shared.add('D. Mast', 'guest'));
    const owner = await shared.signedIn(await shared.add('E. Owner', 'guest', { [siteId]: 'owner' }));
    expect((await guest('GET', `/api/sites/${siteId}`)).status).toBe(404);
    const { code } = (await (
      await owner('POST', `/api/sites/${siteId}/invitations`, { role: 'viewer' })
    ).json()) as { code: string };
    expect((await guest('POST', '/api/join/take-up', { code }, elsewhere())).status).toBe(204);
    expect((await guest('GET', `/api/sites/${siteId}`)).status).toBe(200);
    expect((await guest('POST', `/api/sites/${siteId}/edits`, choosing('c01', 'keep', 0))).status).toBe(403);
  });
  it('takes nothing from an owner who takes up a lesser role, and a code for an account is not wasted', async () => {
    const owner = await shared.signedIn(await shared.add('V. Owner', 'guest', { [siteId]: 'owner' }));
    const { code } = (await (
      await owner('POST', `/api/sites/${siteId}/invitations`, { role: 'viewer' })
    ).json()) as { code: string };
    expect((await owner('POST', '/api/join/take-up', { code }, elsewhere())).status).toBe(204);
    expect((await owner('GET', `/api/sites/${siteId}/people`)).status).toBe(200);
    const staff = await invite(shared.accounts, toStaff(), invitationMs.usual);
    expect((await owner('POST', '/api/join/take-up', { code: staff.code }, elsewhere())).status).toBe(422);
    expect(await invitationOf(shared.accounts, staff.code)).not.toBeNull();
  });
  it('is known in the database by its hash, whose 20 letters nobody tries out', () => {
    const codes = Array.from({ length: 200 }, newCode);
    expect(new Set(codes).size).toBe(200);
    expect(codes.every((code) => /^([a-z0-9]{5}-){3}[a-z0-9]{5}$/.test(code))).toBe(true);
    expect(hashOfCode(' AB cd-2 ')).toBe(hashOfSecret('abcd2'));
  });
});

describe('the first account', () => {
  it('is an administrator’s, or nobody could let others in', async () => {
    const own = await startShared();
    const admin = (await findPerson(own.accounts, 'A. Marrow'))!;
    await own.accounts.orm.em.fork().nativeDelete('PersonRow', { id: admin.id });
    const join = async (role: 'staff' | 'admin') => {
      const { code } = await invite(own.accounts, { ...toStaff(), role }, invitationMs.usual);
      return visitorWith(own.api, null)('POST', '/api/join', { code, name: `First ${role}`, password });
    };
    const refused = await join('staff');
    expect(refused.status).toBe(422);
    expect((await said(refused)).detail).toMatch(/Nobody administers accounts here yet/);
    expect((await join('admin')).status).toBe(204);
    expect((await join('staff')).status).toBe(204);
    await own.close();
  });
});

describe('signing in', () => {
  it('tells nobody whether the name or the password was wrong', async () => {
    const [name, given] = [await signIn('Nobody', password), await signIn('A. Marrow', 'wrong password')];
    expect([name.status, given.status]).toEqual([401, 401]);
    expect(await name.json()).toEqual(await given.json());
    expect((await signIn('a. marrow', password)).status).toBe(200);
  });
  it('waits longer after each wrong password from the fifth on, for names that nobody has as well', async () => {
    let clock = Date.parse('2026-03-12T09:00:00Z');
    const accounts = { ...shared.accounts, now: () => new Date(clock).toISOString() };
    const waits = [];
    for (let k = 0; k < 13; k += 1) {
      await noteFailure(accounts, 'F. Locked');
      waits.push(await waitS(accounts, 'f. locked'));
    }
    expect(waits).toEqual([0, 0, 0, 0, 30, 60, 120, 240, 480, 960, 1920, 3600, 3600]);
    clock += 3600 * 1000;
    expect(await waitS(accounts, 'F. Locked')).toBe(0);
    clock += 25 * 3600 * 1000;
    await noteFailure(accounts, 'F. Locked');
    expect(await waitS(accounts, 'F. Locked')).toBe(0);
    await forgetFailures(accounts, 'F. Locked');
  });
  it('is refused while it waits, with the right password too', async () => {
    await shared.add('G. Waits', 'staff');
    for (let k = 0; k < 5; k += 1) await signIn('G. Waits', 'wrong password');
    const refused = await signIn('G. Waits', password);
    expect(refused.status).toBe(429);
    expect(Number(refused.headers.get('retry-after'))).toBeGreaterThan(20);
    await forgetFailures(shared.accounts, 'G. Waits');
    expect((await signIn('G. Waits', password)).status).toBe(200);
  });
  it('from one address stops at a pace, whatever a proxy’s visitor claims to be', async () => {
    const statuses = [];
    for (let k = 0; k < 45; k += 1)
      statuses.push(
        (
          await stranger()(
            'POST',
            '/api/join/look',
            { code: 'none' },
            {
              // All but the last address are the visitor's own words.
              'x-forwarded-for': `203.0.113.${k}, 192.0.2.77`,
            },
          )
        ).status,
      );
    expect(statuses.slice(0, 40).every((status) => status === 404)).toBe(true);
    expect(statuses.slice(40)).toEqual([429, 429, 429, 429, 429]);
  });
  it('needs the time code where somebody set that up, each once', async () => {
    const id = await shared.add('H. Clock', 'staff');
    const me = await shared.signedIn(id);
    const { secret, address } = (await (
      await me('POST', '/api/own/time-code/begin', {}, elsewhere())
    ).json()) as { secret: string; address: string };
    expect(address).toMatch(/^otpauth:\/\/totp\/Neotrope/);
    const codeAt = (ms: number) =>
      new TOTP({ secret: Secret.fromBase32(secret) }).generate({ timestamp: ms });
    const wrong = await me('POST', '/api/own/time-code', { secret, timeCode: codeAt(0) }, elsewhere());
    expect(wrong.status).toBe(422);
    const before = Date.now() - 30_000;
    const set = await me('POST', '/api/own/time-code', { secret, timeCode: codeAt(before) }, elsewhere());
    expect(set.status).toBe(204);
    expect(await (await signIn('H. Clock', password)).json()).toEqual({ needsTimeCode: true });
    expect((await signIn('H. Clock', password, { timeCode: codeAt(before) })).status).toBe(401);
    expect((await signIn('H. Clock', password, { timeCode: codeAt(Date.now()) })).status).toBe(200);
    expect((await signIn('H. Clock', password, { timeCode: codeAt(Date.now()) })).status).toBe(401);
    expect((await signIn('H. Clock', 'wrong password')).status).toBe(401);
  });
  it('has the time codes that RFC 6238 prints', async () => {
    // Appendix B, SHA-1: at 59 s 94287082, at 1111111109 s 07081804, of which the last six digits are six-digit codes.
    const secret = new Secret({ buffer: new TextEncoder().encode('12345678901234567890').buffer }).base32;
    expect(stepOf(secret, '287082', '1970-01-01T00:00:59Z')).toBe(1);
    expect(stepOf(secret, '081804', '2005-03-18T01:58:29Z')).toBe(37_037_036);
    expect(stepOf(secret, '287082', '1970-01-01T00:02:59Z')).toBeNull();
    expect(
      await takeTimeCode(shared.accounts, { id: 'x', timeCodeSecret: null, timeCodeStep: null }, '123456'),
    ).toBe(false);
  });
  it('keeps passwords so that they cannot be read', async () => {
    const hash = await hashOfPassword(password);
    expect(hash).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/);
    expect(hash).not.toBe(await hashOfPassword(password));
    expect(await isPassword(hash, password)).toBe(true);
    expect(await isPassword(hash, `${password} `)).toBe(false);
    expect(await isPassword(null, 'nobody has this password')).toBe(false);
  });
  it.each([
    ['aaaaaaaaaaaa', 'at least five different'],
    ['neotrope 2026', 'the name of this program'],
    ['r. tolland, ferry', 'without your name'],
    ['Password1234!', 'no list of usual ones'],
    ['qwertyuiop123', 'no list of usual ones'],
    ['p@ssw0rd'.repeat(25), 'no list of usual ones'],
  ])('refuses %s, which guessers try first', async (easy, words) =>
    expect(await weakness(easy, 'R. Tolland')).toContain(words),
  );
  it('takes words that nobody puts together', async () => {
    for (const hard of [password, 'slack tide at dusk', 'Trombone-Kettle-9'])
      expect(await weakness(hard, 'R. Tolland')).toBeNull();
  });
});

describe('a session', () => {
  it('ends after a week unused, and after a month whatever', async () => {
    let clock = Date.parse('2026-03-01T09:00:00Z');
    const accounts = { ...shared.accounts, now: () => new Date(clock).toISOString() };
    const id = await shared.add('I. Session', 'staff');
    const day = 24 * 3600 * 1000;
    const begin = () => beginSession(accounts, id, { device: 'a phone', address: '127.0.0.1' });
    const idle = await begin();
    clock += 6.9 * day;
    expect((await sessionOf(accounts, idle))?.person.name).toBe('I. Session');
    clock += 7.1 * day;
    expect(await sessionOf(accounts, idle)).toBeNull();
    const used = await begin();
    for (let k = 0; k < 29; k += 1) {
      clock += day;
      expect(await sessionOf(accounts, used)).not.toBeNull();
    }
    clock += 1.1 * day;
    expect(await sessionOf(accounts, used)).toBeNull();
  });
  it('is worth nothing once it was left, from another device as well', async () => {
    const id = await shared.add('J. Leaves', 'staff');
    const [desk, phone] = [await shared.signedIn(id), await shared.signedIn(id)];
    const { sessions } = (await (await desk('GET', '/api/own')).json()) as {
      sessions: { id: string; isThis: boolean }[];
    };
    expect(sessions).toHaveLength(2);
    const other = sessions.find(({ isThis }) => !isThis)!;
    expect((await desk('DELETE', `/api/own/sessions/${other.id}`)).status).toBe(204);
    expect((await phone('GET', '/api/own')).status).toBe(401);
    const left = await desk('POST', '/api/sign-out');
    expect(left.headers.get('set-cookie')).toMatch(/__Host-neotrope=; .*Max-Age=0/);
    expect((await desk('GET', '/api/own')).status).toBe(401);
  });
  it('is not made by a cookie of somebody’s own making, nor by what the database holds', async () => {
    const id = await shared.add('K. Stolen', 'staff');
    const secret = await beginSession(shared.accounts, id, { device: 'x', address: 'y' });
    expect((await visitorWith(shared.api, secret)('GET', '/api/own')).status).toBe(200);
    for (const made of ['x', hashOfSecret(secret), `${secret}x`, '%00', "' or 1=1 --"])
      expect((await visitorWith(shared.api, made)('GET', '/api/own')).status).toBe(401);
  });
  it('is of whom the page takes it for: at another’s it changes nothing and shows nothing', async () => {
    const [one, other] = [await shared.add('T. Quay', 'staff'), await shared.add('T. Shed', 'staff')];
    const visitor = await shared.signedIn(one);
    const read = (as?: string) =>
      visitor('GET', '/api/sites', undefined, as === undefined ? {} : { 'neotrope-as': as });
    expect([(await read()).status, (await read(one)).status, (await read(other)).status]).toEqual([
      200, 200, 401,
    ]);
    const refused = await visitor('POST', '/api/sites/demo', {}, { 'neotrope-as': other });
    expect(refused.status).toBe(401);
  });
  it('is ended on every other device by a new password', async () => {
    const id = await shared.add('L. Changes', 'staff');
    const [desk, phone] = [await shared.signedIn(id), await shared.signedIn(id)];
    const change = (old: string) =>
      desk('POST', '/api/own/password', { old, password: 'another tide table' }, elsewhere());
    expect((await change('wrong password')).status).toBe(422);
    expect((await change(password)).status).toBe(204);
    expect((await phone('GET', '/api/own')).status).toBe(401);
    expect((await desk('GET', '/api/own')).status).toBe(200);
    expect((await signIn('L. Changes', password)).status).toBe(401);
    expect((await signIn('L. Changes', 'another tide table')).status).toBe(200);
  });
});

describe('a role', () => {
  it('lets a crew note readings and nothing else, under its own name', async () => {
    const crew = await shared.signedIn(await shared.add('M. Crew', 'guest', { [siteId]: 'crew' }));
    const { version } = (await (await crew('GET', `/api/sites/${siteId}`)).json()) as { version: number };
    const refused = await crew('POST', `/api/sites/${siteId}/edits`, choosing('c01', 'keep', version));
    expect(refused.status).toBe(403);
    expect((await said(refused)).detail).toMatch(/Crew is your role here, and it does not change this/);
    const edit = choosing('c01', 'keep', version, { changes: [reading('m-1')], by: 'Somebody else' });
    const noted = await crew('POST', `/api/sites/${siteId}/edits`, edit);
    expect(noted.status).toBe(200);
    expect((await noted.json()) as object).toMatchObject({ entry: { by: 'M. Crew' } });
  });
  it('that is taken away in mid-work ends it, and nothing of the edit is kept', async () => {
    const id = await shared.add('N. Planner', 'guest', { [siteId]: 'planner' });
    const me = await shared.signedIn(id);
    const { version } = (await (await me('GET', `/api/sites/${siteId}`)).json()) as { version: number };
    await setMember(shared.accounts, siteId, id, 'viewer');
    expect((await me('POST', `/api/sites/${siteId}/edits`, choosing('c02', 'keep', version))).status).toBe(
      403,
    );
    await setMember(shared.accounts, siteId, id, null);
    expect((await me('POST', `/api/sites/${siteId}/edits`, choosing('c02', 'keep', version))).status).toBe(
      404,
    );
    await setMember(shared.accounts, siteId, id, 'viewer');
    expect(await (await me('GET', `/api/sites/${siteId}`)).json()).toMatchObject({ version });
  });
  it('of a customer reads the offer and the sign-off, signs what was read, and does nothing else', async () => {
    const holm = await shared.signedIn(await shared.add('J. Holm', 'guest', { [siteId]: 'customer' }));
    const seen = await holm('GET', `/api/sites/${siteId}/customer`);
    const { maySign, view } = (await seen.json()) as {
      maySign: boolean;
      view: { papers: { id: string }[]; things: { of: object }[]; offer: null };
    };
    expect([seen.status, maySign, view.offer]).toEqual([200, true, null]);
    expect(view.papers.map(({ id }) => id)).toEqual(['sign-off']);
    const signing = { signedBy: 'J. Holm', signature: [[10, 10, 60, 40]] };
    const at = `/api/sites/${siteId}/customer`;
    const of = { of: { kind: 'supply', id: 'hall-box' }, restsOn: '' };
    const refused = await holm('POST', `${at}/accept`, { ...signing, things: [of] });
    expect([refused.status, (await said(refused)).detail]).toEqual([
      422,
      expect.stringMatching(/not (read|to be accepted here).*Nothing was signed/),
    ]);
    const unnamed = await holm('POST', `${at}/accept`, { ...signing, signedBy: '', things: [of] });
    expect(unnamed.status).toBe(400);
    const offer = await holm('POST', `${at}/accept-offer`, { offerId: 'none', name: 'J. Holm' });
    expect([offer.status, (await said(offer)).detail]).toEqual([
      422,
      expect.stringContaining('not the offer that stands'),
    ]);
    for (const [method, path] of [
      ['GET', `/api/sites/${siteId}`],
      ['GET', `/api/sites/${siteId}/file`],
      ['POST', `/api/sites/${siteId}/edits`],
    ] as const)
      expect((await holm(method, path, choosing('c08', 'keep', 0))).status).toBe(403);
  });
  it('shows each his own sites, and makes whoever starts one its owner', async () => {
    const staff = await shared.signedIn(await shared.add('O. Staff', 'staff'));
    const list = async () =>
      ((await (await staff('GET', '/api/sites')).json()) as { sites: { id: string; role: string }[] }).sites;
    expect(await list()).toEqual([]);
    await staff('POST', '/api/sites', { name: 'Saltmarrow slip', headEndName: 'Hut' });
    expect(await list()).toMatchObject([{ id: 'saltmarrow-slip', role: 'owner' }]);
    const customer = await shared.signedIn(
      await shared.add('P. Customer', 'guest', { [siteId]: 'customer' }),
    );
    expect((await customer('GET', `/api/sites/${siteId}/plan.csv`)).status).toBe(200);
    expect((await customer('GET', `/api/sites/${siteId}`)).status).toBe(403);
    expect((await customer('POST', '/api/sites', { name: 'x', headEndName: 'y' })).status).toBe(403);
  });
  it('of the last administrator and of the last owner cannot be given up', async () => {
    const admin = (await findPerson(shared.accounts, 'A. Marrow'))!;
    expect(await setFirmRole(shared.accounts, admin.id, 'staff')).toBe('last-admin');
    expect(await removePerson(shared.accounts, admin.id)).toBe('last-admin');
    const id = await shared.add('Q. Owner', 'staff');
    const owner = await shared.signedIn(id);
    await owner('POST', '/api/sites', { name: 'Saltmarrow pound', headEndName: 'Hut' });
    const given = await owner('POST', '/api/sites/saltmarrow-pound/people', { person: id, role: 'viewer' });
    expect(given.status).toBe(422);
    expect((await said(given)).detail).toMatch(/no owner then/);
  });
  it('is nothing to somebody who was removed: devices are out, the name stays taken, the log stays', async () => {
    const id = await shared.add('R. Removed', 'staff');
    const me = await shared.signedIn(id);
    const admin = await shared.signedIn((await findPerson(shared.accounts, 'A. Marrow'))!.id);
    expect((await admin('DELETE', `/api/people/${id}`)).status).toBe(204);
    expect((await me('GET', '/api/own')).status).toBe(401);
    expect((await signIn('R. Removed', password)).status).toBe(401);
    await expect(shared.add('r. removed', 'staff')).rejects.toThrow('taken');
  });
});

describe('an intruder', () => {
  it('uses up nobody’s pace: whoever is turned away takes none of it', async () => {
    for (let k = 0; k < 130; k += 1)
      expect((await stranger()('POST', '/api/sites/import', {})).status).toBe(401);
    const staff = await shared.signedIn(await shared.add('W. Imports', 'staff'));
    expect((await staff('POST', '/api/sites/import', {})).status).toBe(422);
  });
  const headersOf = (headers: Record<string, string>, cookie: string) =>
    fetch(`${shared.api}/api/own/password`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', cookie: `__Host-neotrope=${cookie}`, ...headers },
      body: JSON.stringify({ old: password, password: 'a password of his own' }),
    });
  it('gets nowhere from another page, with the cookie of whoever looks at it', async () => {
    const id = await shared.add('S. Target', 'staff');
    const cookie = await beginSession(shared.accounts, id, { device: 'x', address: 'y' });
    for (const headers of [
      { origin: 'https://elsewhere.example' },
      { origin: 'null' },
      { origin: shared.api.replace('http:', 'https:') },
      { 'sec-fetch-site': 'cross-site' },
      { 'sec-fetch-site': 'same-site' },
      // No page says nothing at all: what comes with a cookie and from nowhere is not taken.
      {},
    ])
      expect({ headers, status: (await headersOf(headers, cookie)).status }).toEqual({
        headers,
        status: 403,
      });
    expect((await headersOf({ origin: shared.api, 'content-type': 'text/plain' }, cookie)).status).toBe(415);
    expect((await signIn('S. Target', password)).status).toBe(200);
  });
  it('under another name than the server’s is answered nothing', async () => {
    const asked = await fetch(`${shared.api}/api/visitor`, {
      headers: { 'x-forwarded-host': 'elsewhere.example' },
    });
    expect(asked.status).toBe(403);
    const named = await fetch(`${shared.api}/api/visitor`, {
      headers: { 'x-forwarded-host': 'neotrope.test' },
    });
    expect(named.status).toBe(200);
  });
  it('leaves traces in the notes, and the notes hold no secret', async () => {
    await signIn('T. Tries', 'a secret that nobody reads');
    const notes = JSON.stringify(await lastNotes(shared.accounts));
    expect(notes).toContain('T. Tries');
    expect(notes).toContain('was refused');
    expect(notes).not.toContain('a secret that nobody reads');
  });
});

describe('a server that everybody signs in to', () => {
  // What several servers share is copied with the tools of its database.
  it.skipIf(inject('postgres'))(
    'is the same after a restart, a backup and a disaster: accounts, roles, devices',
    async () => {
      const { backup } = await import('../../server/backup/backup');
      const { restore } = await import('../../server/backup/restore');
      const own = await startShared();
      const id = await own.add('U. Stays', 'guest', { [siteId]: 'viewer' });
      const secret = await beginSession(own.accounts, id, { device: 'x', address: 'y' });
      await own.close();
      const dataDir = path.dirname(own.accounts.orm.config.get('dbName')!);
      const folder = backup({ dataDir, to: newFolder(), now: new Date().toISOString(), withPictures: true });
      const restored = path.join(newFolder(), 'data');
      restore({ from: folder, dataDir: restored, now: new Date().toISOString() });
      for (const where of [dataDir, restored]) {
        const server = await startServer({
          port: 0,
          dataDir: where,
          webDir: path.join(root, 'dist'),
          demoFile,
          reset: false,
        });
        const me = visitorWith(server.address, secret);
        expect((await me('GET', `/api/sites/${siteId}`)).status).toBe(200);
        expect((await post(`${server.address}/api/sign-in`, { name: 'U. Stays', password })).status).toBe(
          200,
        );
        expect((await fetch(`${server.address}/api/sites`)).status).toBe(401);
        await server.close();
        const logs = path.join(where, 'logs');
        const text = existsSync(logs)
          ? readdirSync(logs)
              .map((name) => readFileSync(path.join(logs, name), 'utf8'))
              .join('')
          : '';
        expect(text).toContain('Started');
        for (const hidden of [secret, password, 'U. Stays']) expect(text).not.toContain(hidden);
      }
    },
  );
});
