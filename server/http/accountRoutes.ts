import Router from '@koa/router';
import type { Context } from 'koa';
import { accounts as endpoints, type VisitorSaid } from '#contract';
import type { Accounts } from '../accounts/accounts';
import type { PersonRow } from '../accounts/entities';
import { invitationOf, useUp } from '../accounts/invitations';
import { joinBy, takeUp, type JoinOutcome } from '../accounts/joining';
import { forgetFailures, noteFailure, waitS } from '../accounts/lockOut';
import { noteAccount } from '../accounts/notes';
import {
  addPasskey,
  authenticated,
  beginAuthentication,
  beginRegistration,
  canHavePasskeys,
  dropPasskey,
  passkeysOf,
  registered,
  type Here,
} from '../accounts/passkeys';
import { hashOfPassword, isPassword, weakness } from '../accounts/passwords';
import { findPerson, personWithId, setPassword, setTimeCode } from '../accounts/people';
import { beginSession, endOtherSessions, endSession, sessionsOf } from '../accounts/sessions';
import { newTimeCode, stepOf, takeTimeCode } from '../accounts/timeCodes';
import type { SiteStore } from '../store/siteStore';
import { ownOrigin } from './ownOrigin';
import { keepPaceByAddress, paces } from './pace';
import { notFound, notRight, Refused } from './refused';
import { serveEndpoint } from './serveEndpoint';
import { dropCookie, writeCookie } from './sessionCookie';
import { personOf, visitorOf } from './visitor';

/** The page that asks: passkeys are bound to it. */
const hereOf = (context: Context): Here => ({ origin: ownOrigin(context), hostname: context.hostname });

function checkPasskeys(here: Here): void {
  if (canHavePasskeys(here)) return;
  throw notRight(
    422,
    `Passkeys belong to a name, and ${here.hostname} is an address in figures. Use a password here.`,
    [],
  );
}

/** Nothing tells whether the name or the password was wrong. */
const wrong = (): Refused =>
  new Refused({ status: 401, title: 'Not signed in', detail: 'Name or password is wrong.' });
const noPasskey = (): Refused =>
  new Refused({
    status: 401,
    title: 'Not signed in',
    detail: 'This passkey belongs to no account here, or took too long. Try again.',
  });
const noCode = (): Refused =>
  notFound('This code is not valid: it was used already, withdrawn, or is too old. Ask for another.');

/** Refuses a password that is too easily guessed, before anything is made of it. */
async function checkPassword(password: string, name: string): Promise<void> {
  const allowed = await weakness(password, name);
  if (allowed !== null)
    throw notRight(422, 'This password is too easily guessed.', [
      { path: 'password', value: '“…”', allowed },
    ]);
}

async function checkWait(accounts: Accounts, name: string): Promise<void> {
  const seconds = await waitS(accounts, name);
  if (seconds === 0) return;
  throw new Refused(
    {
      status: 429,
      title: 'Too many wrong passwords',
      detail: `Too many wrong passwords for this name. Try again in ${seconds} s, or ask whoever administers the accounts for a new code.`,
    },
    seconds,
  );
}

async function letIn(accounts: Accounts, context: Context, person: PersonRow, what: string): Promise<void> {
  const device = context.get('User-Agent') || 'an unknown browser';
  writeCookie(context, await beginSession(accounts, person.id, { device, address: context.ip }));
  await noteAccount(accounts, { name: person.name, what, address: context.ip });
}

/** Somebody who joined, signed in; ends the request where he could not. */
async function joined(accounts: Accounts, context: Context, outcome: JoinOutcome): Promise<PersonRow> {
  switch (outcome.kind) {
    case 'joined':
      await letIn(accounts, context, outcome.person, 'joined by invitation');
      return outcome.person;
    case 'name-taken':
      throw notRight(422, 'Somebody here has this name, or had it.', [
        { path: 'name', value: '', allowed: 'a name that nobody has; add an initial' },
      ]);
    case 'no-admin-yet':
      throw notRight(
        422,
        'Nobody administers accounts here yet: the first one is made with npm run people -- invite --role admin.',
        [],
      );
    case 'used':
    case 'nobody':
      throw noCode();
  }
}

async function invitationFor(accounts: Accounts, code: string) {
  const invitation = await invitationOf(accounts, code);
  if (!invitation) throw noCode();
  return invitation;
}

/** Ends the request unless it is the password of whoever is signed in, or he has none; wrong ones are counted as at the door. */
async function checkOwnPassword(accounts: Accounts, context: Context, password: string): Promise<void> {
  const { person } = personOf(context);
  if (!person.passwordHash) return;
  await checkWait(accounts, person.name);
  if (await isPassword(person.passwordHash, password)) return;
  await noteFailure(accounts, person.name);
  throw notRight(422, 'This is not your password.', []);
}

async function signInByPassword(
  accounts: Accounts,
  context: Context,
  { name, password, timeCode }: { name: string; password: string; timeCode?: string | undefined },
): Promise<{ needsTimeCode: boolean }> {
  await checkWait(accounts, name);
  const person = await findPerson(accounts, name);
  const isRight = await isPassword(person?.passwordHash, password);
  if (person && isRight && person.timeCodeSecret && timeCode === undefined) return { needsTimeCode: true };
  const isWhole =
    person &&
    isRight &&
    (!person.timeCodeSecret || (timeCode !== undefined && (await takeTimeCode(accounts, person, timeCode))));
  if (!isWhole) {
    await noteFailure(accounts, name);
    await noteAccount(accounts, { name, what: 'was refused', address: context.ip });
    throw wrong();
  }
  await forgetFailures(accounts, name);
  await letIn(accounts, context, person, 'signed in by password');
  return { needsTimeCode: false };
}

function doorRoutes(router: Router, accounts: Accounts, store: SiteStore): void {
  serveEndpoint(router, endpoints.visitor, ({ context }): VisitorSaid => {
    const visitor = visitorOf(context);
    if (visitor.kind !== 'person') return visitor;
    const { id, name, role } = visitor.person;
    return { kind: 'person', person: { id, name, role } };
  });
  serveEndpoint(router, endpoints.signIn, ({ body, context }) => signInByPassword(accounts, context, body));
  serveEndpoint(router, endpoints.beginPasskeySignIn, ({ context }) => {
    checkPasskeys(hereOf(context));
    return beginAuthentication(accounts, hereOf(context));
  });
  serveEndpoint(router, endpoints.passkeySignIn, async ({ body: { id, answer }, context }) => {
    const personId = await authenticated(accounts, hereOf(context), id, answer);
    const person = personId === null ? null : await personWithId(accounts, personId);
    if (!person) {
      await noteAccount(accounts, { name: 'unknown', what: 'a passkey was refused', address: context.ip });
      throw noPasskey();
    }
    await letIn(accounts, context, person, 'signed in by passkey');
    return null;
  });
  serveEndpoint(router, endpoints.signOut, async ({ context }) => {
    const { person, sessionId } = personOf(context);
    await endSession(accounts, person.id, sessionId);
    dropCookie(context);
    await noteAccount(accounts, { name: person.name, what: 'signed out', address: context.ip });
    return null;
  });
  serveEndpoint(router, endpoints.lookAtInvitation, async ({ body: { code } }) => {
    const { by, role, site, siteRole, recovers } = await invitationFor(accounts, code);
    const person = recovers ? await personWithId(accounts, recovers) : null;
    return {
      by,
      role,
      siteName: site ? await store.nameOf(site) : null,
      siteRole: siteRole ?? null,
      recovers: person?.name ?? null,
    };
  });
  serveEndpoint(router, endpoints.join, async ({ body: { code, name, password }, context }) => {
    const invitation = await invitationFor(accounts, code);
    await checkPassword(password, name);
    const passwordHash = await hashOfPassword(password);
    await joined(accounts, context, await joinBy(accounts, invitation, name, passwordHash));
    return null;
  });
  serveEndpoint(router, endpoints.beginPasskeyJoin, async ({ body: { code, name }, context }) => {
    await invitationFor(accounts, code);
    checkPasskeys(hereOf(context));
    return beginRegistration(accounts, hereOf(context), name, []);
  });
  serveEndpoint(router, endpoints.passkeyJoin, async ({ body: { code, name, id, answer }, context }) => {
    const invitation = await invitationFor(accounts, code);
    const passkey = await registered(accounts, hereOf(context), id, answer);
    if (!passkey) throw noPasskey();
    const person = await joined(accounts, context, await joinBy(accounts, invitation, name, null));
    await addPasskey(accounts, person.id, passkey, context.hostname);
    return null;
  });
}

/** What belongs to whoever is signed in. */
function ownRoutes(router: Router, accounts: Accounts): void {
  const note = (context: Context, what: string) =>
    noteAccount(accounts, { name: personOf(context).person.name, what, address: context.ip });

  serveEndpoint(router, endpoints.takeUp, async ({ body: { code }, context }) => {
    const invitation = await invitationFor(accounts, code);
    if (!invitation.site)
      throw notRight(422, 'This code makes an account, and you have one. It was not used up.', []);
    if (!(await useUp(accounts, invitation.id))) throw noCode();
    await takeUp(accounts, invitation, personOf(context).person.id);
    await note(context, 'took up an invitation');
    return null;
  });
  serveEndpoint(router, endpoints.own, async ({ context }) => {
    const { person, sessionId } = personOf(context);
    const passkeys = await passkeysOf(accounts, person.id);
    const sessions = await sessionsOf(accounts, person.id);
    return {
      hasPassword: Boolean(person.passwordHash),
      hasTimeCode: Boolean(person.timeCodeSecret),
      passkeys: passkeys.map(({ id, name, createdAt }) => ({ id, name, createdAt })),
      sessions: sessions.map(({ id, device, address, seenAt }) => ({
        id,
        device,
        address,
        seenAt,
        isThis: id === sessionId,
      })),
    };
  });
  serveEndpoint(router, endpoints.endSession, async ({ params, context }) => {
    await endSession(accounts, personOf(context).person.id, params.sessionId);
    await note(context, 'signed a device out');
    return null;
  });
  serveEndpoint(router, endpoints.setPassword, async ({ body, context }) => {
    const { person, sessionId } = personOf(context);
    await checkOwnPassword(accounts, context, body.old);
    await checkPassword(body.password, person.name);
    await setPassword(accounts, person.id, await hashOfPassword(body.password));
    // Whoever knew the old one is out.
    await endOtherSessions(accounts, person.id, sessionId);
    await note(context, 'set a password');
    return null;
  });
  serveEndpoint(router, endpoints.beginPasskey, async ({ context }) => {
    const { person } = personOf(context);
    checkPasskeys(hereOf(context));
    const known = await passkeysOf(accounts, person.id);
    return beginRegistration(
      accounts,
      hereOf(context),
      person.name,
      known.map(({ id }) => id),
    );
  });
  serveEndpoint(router, endpoints.addPasskey, async ({ body: { id, answer }, context }) => {
    const passkey = await registered(accounts, hereOf(context), id, answer);
    if (!passkey) throw noPasskey();
    await addPasskey(accounts, personOf(context).person.id, passkey, context.hostname);
    await note(context, 'added a passkey');
    return null;
  });
  serveEndpoint(router, endpoints.dropPasskey, async ({ params, context }) => {
    const { person } = personOf(context);
    const others = (await passkeysOf(accounts, person.id)).filter(({ id }) => id !== params.passkeyId);
    if (!person.passwordHash && others.length === 0)
      throw notRight(422, 'Nothing else would sign you in. Set a password first.', []);
    await dropPasskey(accounts, person.id, params.passkeyId);
    await note(context, 'removed a passkey');
    return null;
  });
  serveEndpoint(router, endpoints.beginTimeCode, ({ context }) => newTimeCode(personOf(context).person.name));
  serveEndpoint(router, endpoints.setTimeCode, async ({ body: { secret, timeCode }, context }) => {
    const step = stepOf(secret, timeCode, accounts.now());
    if (step === null) throw notRight(422, 'These are not the six digits that the app shows now.', []);
    await setTimeCode(accounts, personOf(context).person.id, secret, step);
    await note(context, 'set up time codes');
    return null;
  });
  serveEndpoint(router, endpoints.dropTimeCode, async ({ body: { password }, context }) => {
    await checkOwnPassword(accounts, context, password);
    await setTimeCode(accounts, personOf(context).person.id, null, null);
    await note(context, 'stopped time codes');
    return null;
  });
}

/** The addresses under which people sign in, join, and see to their own accounts. */
export function accountRoutes({ accounts, store }: { accounts: Accounts; store: SiteStore }): Router {
  const router = new Router({ prefix: '/api' });
  router.post(/^\/api\/(sign-in|join|own)/, keepPaceByAddress(paces.signIns));
  doorRoutes(router, accounts, store);
  ownRoutes(router, accounts);
  return router;
}
