import { defineEntity, p, type InferEntity } from '@mikro-orm/core';
import type { FirmRole, SiteRole } from '#contract';

/** Somebody who can sign in. Whoever was removed stays, so that a name is never given to another. */
export const PersonRow = defineEntity({
  name: 'PersonRow',
  tableName: 'person',
  properties: {
    id: p.string().primary(),
    name: p.string(),
    /** The name as it is found by, whatever its capitals. */
    nameKey: p.string(),
    role: p.string().$type<FirmRole>(),
    /** Of Argon2id, with its own salt; none for whoever has passkeys only. */
    passwordHash: p.string().nullable(),
    timeCodeSecret: p.string().nullable(),
    /** The last time code that was taken, which is not taken again. */
    timeCodeStep: p.integer().nullable(),
    createdAt: p.string(),
    removedAt: p.string().nullable(),
  },
});
export type PersonRow = InferEntity<typeof PersonRow>;

export const PasskeyRow = defineEntity({
  name: 'PasskeyRow',
  tableName: 'passkey',
  properties: {
    id: p.string().primary(),
    person: p.string(),
    /** Base64url. */
    publicKey: p.string(),
    counter: p.integer(),
    name: p.string(),
    createdAt: p.string(),
  },
});

/** A device that is signed in; known by the hash of what its cookie holds. */
export const SessionRow = defineEntity({
  name: 'SessionRow',
  tableName: 'session',
  properties: {
    id: p.string().primary(),
    person: p.string(),
    device: p.string(),
    address: p.string(),
    createdAt: p.string(),
    seenAt: p.string(),
  },
});
export type SessionRow = InferEntity<typeof SessionRow>;

export const MemberRow = defineEntity({
  name: 'MemberRow',
  tableName: 'member',
  properties: {
    site: p.string().primary(),
    person: p.string().primary(),
    role: p.string().$type<SiteRole>(),
  },
});

/** Known by the hash of its code. */
export const InvitationRow = defineEntity({
  name: 'InvitationRow',
  tableName: 'invitation',
  properties: {
    id: p.string().primary(),
    role: p.string().$type<FirmRole>(),
    site: p.string().nullable(),
    siteRole: p.string().$type<SiteRole>().nullable(),
    /** Whose account it gives access to again, where it is for that. */
    recovers: p.string().nullable(),
    by: p.string(),
    endsAt: p.string(),
  },
});
export type InvitationRow = InferEntity<typeof InvitationRow>;

/** What a passkey has to sign, once and soon. */
export const ChallengeRow = defineEntity({
  name: 'ChallengeRow',
  tableName: 'challenge',
  properties: { id: p.string().primary(), challenge: p.string(), endsAt: p.string() },
});

/** Passwords that were wrong in a row, by the name they were tried for, whether or not anybody has it. */
export const FailedSignInRow = defineEntity({
  name: 'FailedSignInRow',
  tableName: 'failed_sign_in',
  properties: {
    nameKey: p.string().primary(),
    count: p.integer(),
    lastAt: p.string(),
    lockedUntil: p.string(),
  },
});

/** What happened with accounts. */
export const AccountNoteRow = defineEntity({
  name: 'AccountNoteRow',
  tableName: 'account_note',
  properties: {
    id: p.integer().primary().autoincrement(),
    at: p.string(),
    name: p.string(),
    what: p.string(),
    address: p.string(),
  },
});

export const accountEntities = [
  PersonRow,
  PasskeyRow,
  SessionRow,
  MemberRow,
  InvitationRow,
  ChallengeRow,
  FailedSignInRow,
  AccountNoteRow,
];
