import type { Context, Next } from 'koa';
import type { Need, SiteRole, Standing } from '#contract';
import { asHeader, meets, roleOn } from '#contract';
import type { Accounts } from '../accounts/accounts';
import { standingOf } from '../accounts/members';
import { hasAccounts } from '../accounts/people';
import type { PersonRow } from '../accounts/entities';
import { sessionOf } from '../accounts/sessions';
import { readCookie } from './sessionCookie';
import { notFound, Refused } from './refused';

/** Who sent a request. */
export type Visitor =
  | { kind: 'without-accounts' }
  | { kind: 'stranger' }
  | { kind: 'person'; person: PersonRow; sessionId: string };

async function visitorNow(context: Context, accounts: Accounts, isShared: boolean): Promise<Visitor> {
  const secret = readCookie(context);
  const signedIn = secret === null ? null : await sessionOf(accounts, secret);
  if (signedIn) {
    const as = context.get(asHeader);
    // Somebody else signed in at another window since: to this one it is as if nobody had.
    return as === '' || as === signedIn.person.id ? { kind: 'person', ...signedIn } : { kind: 'stranger' };
  }
  return isShared || (await hasAccounts(accounts)) ? { kind: 'stranger' } : { kind: 'without-accounts' };
}

/** Finds out who comes. Where the server is reached from this machine alone and nobody has an account, it is whoever sits at it. */
export const knowVisitor =
  (accounts: Accounts, isShared: boolean) =>
  async (context: Context, next: Next): Promise<void> => {
    context.state['visitor'] = await visitorNow(context, accounts, isShared);
    context.state['again'] = () => visitorNow(context, accounts, isShared);
    context.state['accounts'] = accounts;
    context.state['standings'] = new Map();
    await next();
  };

/** Finds out anew who listens, where a line has been open for a while. */
export async function knowAnew(context: Context): Promise<void> {
  context.state['visitor'] = await (context.state['again'] as () => Promise<Visitor>)();
  context.state['standings'] = new Map();
}

export const visitorOf = (context: Context): Visitor => context.state['visitor'] as Visitor;

/** Who is signed in; ends the request where nobody is. */
export function personOf(context: Context): { person: PersonRow; sessionId: string } {
  const visitor = visitorOf(context);
  if (visitor.kind === 'person') return visitor;
  throw signInFirst();
}

/** The name that something is noted under: of the account, or as it was given where there are none. */
export function nameOf(context: Context, given: string): string {
  const visitor = visitorOf(context);
  return visitor.kind === 'person' ? visitor.person.name : given;
}

const signInFirst = (): Refused =>
  new Refused({ status: 401, title: 'Not signed in', detail: 'Sign in first. Nothing was changed.' });

const notAllowed = (role: SiteRole | null): Refused =>
  new Refused({
    status: 403,
    title: 'Not allowed',
    detail: `${role === null ? 'Your account' : `Your role here, ${role},`} does not allow this. Nothing was changed.`,
  });

/** Turns strangers away from what needs anything before their bodies are read. */
export const noStrangers =
  (need: Need) =>
  async (context: Context, next: Next): Promise<void> => {
    if (need !== 'nothing' && visitorOf(context).kind === 'stranger') throw signInFirst();
    await next();
  };

/** How a person stands to a site, asked once a request. */
async function standingHere(context: Context, person: PersonRow, site: string | null): Promise<Standing> {
  const standings = context.state['standings'] as Map<string | null, Standing>;
  const known = standings.get(site);
  if (known) return known;
  const standing = await standingOf(context.state['accounts'] as Accounts, person, site);
  standings.set(site, standing);
  return standing;
}

/** The role of whoever comes on a site; `null` where there are no accounts, or he has none. */
export async function siteRoleOf(context: Context, site: string): Promise<SiteRole | null> {
  const visitor = visitorOf(context);
  if (visitor.kind !== 'person') return null;
  return roleOn(await standingHere(context, visitor.person, site));
}

/** Ends the request unless whoever comes meets the need; a site that he has no role on is to him as if it were not there. */
export async function admit(context: Context, need: Need, site: string | null): Promise<void> {
  const visitor = visitorOf(context);
  if (need === 'nothing' || visitor.kind === 'without-accounts') return;
  if (visitor.kind === 'stranger') throw signInFirst();
  const standing = await standingHere(context, visitor.person, site);
  if (meets(need, standing)) return;
  const role = roleOn(standing);
  if (site !== null && role === null)
    throw notFound(`There is no site ${site} here, unless it is in the bin.`);
  throw notAllowed(role);
}
