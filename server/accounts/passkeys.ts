import type { AuthenticationResponseJSON, RegistrationResponseJSON } from '@simplewebauthn/server';
import { isIP } from 'node:net';
import type { Accounts } from './accounts';
import { later } from './accounts';
import { ChallengeRow, PasskeyRow } from './entities';
import { newSecret } from './secrets';

/** The page that a passkey belongs to. */
export interface Here {
  /** With its scheme and port. */
  origin: string;
  hostname: string;
}

/** What reads passkeys is fetched with the first of them: most starts need none, and would be longer by it. */
const webAuthn = () => import('@simplewebauthn/server');

const challengeMs = 5 * 60 * 1000;

/** Passkeys belong to a name; the standard gives none to an address in figures. */
export const canHavePasskeys = ({ hostname }: Here): boolean => isIP(hostname.replace(/^\[|\]$/g, '')) === 0;

async function keepChallenge({ orm, now }: Accounts, challenge: string): Promise<string> {
  const id = newSecret();
  const em = orm.em.fork();
  await em.nativeDelete(ChallengeRow, { endsAt: { $lt: now() } });
  await em.insert(ChallengeRow, { id, challenge, endsAt: later(now(), challengeMs) });
  return id;
}

/** What had to be signed; once, so that an answer that was overheard is worth nothing. */
async function takeChallenge({ orm, now }: Accounts, id: string): Promise<string | null> {
  const em = orm.em.fork();
  const row = await em.findOne(ChallengeRow, { id, endsAt: { $gte: now() } });
  if (!row || (await em.nativeDelete(ChallengeRow, { id })) !== 1) return null;
  return row.challenge;
}

/** What a browser is asked, and by which id its answer is known. */
export interface Begun {
  id: string;
  options: Record<string, unknown>;
}

/** What a browser is asked in order to make a passkey. */
export async function beginRegistration(
  accounts: Accounts,
  here: Here,
  name: string,
  knownIds: readonly string[],
): Promise<Begun> {
  const { generateRegistrationOptions } = await webAuthn();
  const options = await generateRegistrationOptions({
    rpName: 'Neotrope',
    rpID: here.hostname,
    userName: name,
    attestationType: 'none',
    excludeCredentials: knownIds.map((id) => ({ id })),
    authenticatorSelection: { residentKey: 'required', userVerification: 'required' },
  });
  return { id: await keepChallenge(accounts, options.challenge), options: { ...options } };
}

export interface NewPasskey {
  id: string;
  publicKey: string;
  counter: number;
}

/** The passkey that a browser made; `null` where its answer is not one to what was asked here. */
export async function registered(
  accounts: Accounts,
  here: Here,
  challengeId: string,
  answer: object,
): Promise<NewPasskey | null> {
  const expectedChallenge = await takeChallenge(accounts, challengeId);
  if (expectedChallenge === null) return null;
  try {
    const { verifyRegistrationResponse } = await webAuthn();
    const { verified, registrationInfo } = await verifyRegistrationResponse({
      response: answer as RegistrationResponseJSON,
      expectedChallenge,
      expectedOrigin: here.origin,
      expectedRPID: here.hostname,
    });
    if (!verified || !registrationInfo) return null;
    const { id, publicKey, counter } = registrationInfo.credential;
    return { id, publicKey: Buffer.from(publicKey).toString('base64url'), counter };
  } catch {
    // Not what a browser answers, or not to this.
    return null;
  }
}

export async function addPasskey(
  { orm, now }: Accounts,
  person: string,
  passkey: NewPasskey,
  name: string,
): Promise<void> {
  await orm.em.fork().insert(PasskeyRow, { ...passkey, person, name, createdAt: now() });
}

export const passkeysOf = ({ orm }: Accounts, person: string) =>
  orm.em.fork().find(PasskeyRow, { person }, { orderBy: { createdAt: 'asc' } });

export const dropPasskey = ({ orm }: Accounts, person: string, id: string): Promise<number> =>
  orm.em.fork().nativeDelete(PasskeyRow, { id, person });

/** What a browser is asked in order to sign in by whatever passkey it has for this place. */
export async function beginAuthentication(accounts: Accounts, here: Here): Promise<Begun> {
  const { generateAuthenticationOptions } = await webAuthn();
  const options = await generateAuthenticationOptions({ rpID: here.hostname, userVerification: 'required' });
  return { id: await keepChallenge(accounts, options.challenge), options: { ...options } };
}

/** Whose passkey signed what was asked here; `null` where none did. */
export async function authenticated(
  accounts: Accounts,
  here: Here,
  challengeId: string,
  answer: object,
): Promise<string | null> {
  const expectedChallenge = await takeChallenge(accounts, challengeId);
  const response = answer as AuthenticationResponseJSON;
  const em = accounts.orm.em.fork();
  const passkey = typeof response.id === 'string' ? await em.findOne(PasskeyRow, { id: response.id }) : null;
  if (expectedChallenge === null || !passkey) return null;
  try {
    const { verifyAuthenticationResponse } = await webAuthn();
    const { verified, authenticationInfo } = await verifyAuthenticationResponse({
      response,
      expectedChallenge,
      expectedOrigin: here.origin,
      expectedRPID: here.hostname,
      credential: {
        id: passkey.id,
        publicKey: new Uint8Array(Buffer.from(passkey.publicKey, 'base64url')),
        counter: passkey.counter,
      },
    });
    if (!verified) return null;
    await em.nativeUpdate(PasskeyRow, { id: passkey.id }, { counter: authenticationInfo.newCounter });
    return passkey.person;
  } catch {
    return null;
  }
}
