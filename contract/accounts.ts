import { z } from 'zod';
import { nameSchema } from '#core/model/site';
import { endpoint } from './endpoint';
import { nothing } from './nothing';
import { firmRoles, siteRoles } from './roles';

const firmRoleSchema = z.enum(firmRoles);
const siteRoleSchema = z.enum(siteRoles);
/** Long rather than odd; how long it may be keeps nobody busy with a book. */
const passwordSchema = z.string().min(12, 'at least 12 characters').max(200, 'up to 200 characters');
const givenPasswordSchema = z.string().max(200);
const codeSchema = z.string().trim().min(1).max(80);
const timeCodeSchema = z
  .string()
  .trim()
  .regex(/^\d{6}$/, 'six digits')
  .optional();
/** What the browser's own functions for passkeys take and give; they are held against their standard where they are read. */
const passkeyWords = z.looseObject({});
const idSchema = z.string().min(1).max(500);

const personSchema = z.object({ id: z.string(), name: z.string(), role: firmRoleSchema });
export type Person = z.infer<typeof personSchema>;

/** Who comes: on this machine without accounts, not signed in, or somebody. */
const visitorSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('without-accounts') }),
  z.object({ kind: z.literal('stranger') }),
  z.object({ kind: z.literal('person'), person: personSchema }),
]);
/**
 * A header that says which account a page takes for its own, by its id: a cookie is all a browser's windows have in common, and what one
 * of them has yet to save must not go out under the name of whoever signed in at another.
 */
export const asHeader = 'neotrope-as';
export type VisitorSaid = z.infer<typeof visitorSchema>;

const invitationSchema = z.object({
  id: z.string(),
  role: firmRoleSchema,
  site: z.string().nullable(),
  siteRole: siteRoleSchema.nullable(),
  by: z.string(),
  endsAt: z.string(),
});
export type InvitationListing = z.infer<typeof invitationSchema>;

const memberSchema = z.object({ id: z.string(), name: z.string(), role: siteRoleSchema });
export type Member = z.infer<typeof memberSchema>;

const told = { query: nothing, status: 200 } as const;
const done = { query: nothing, answer: nothing, status: 204 } as const;

/** Signing in, and what belongs to whoever did. */
export const accounts = {
  visitor: endpoint({
    ...told,
    needs: 'nothing',
    method: 'GET',
    path: '/visitor',
    body: nothing,
    answer: visitorSchema,
  }),
  signIn: endpoint({
    ...told,
    needs: 'nothing',
    method: 'POST',
    path: '/sign-in',
    body: z.strictObject({ name: nameSchema, password: givenPasswordSchema, timeCode: timeCodeSchema }),
    /** Whether the time code is still to come. */
    answer: z.object({ needsTimeCode: z.boolean() }),
    hint: 'A name and a password are needed.',
  }),
  beginPasskeySignIn: endpoint({
    ...told,
    needs: 'nothing',
    method: 'POST',
    path: '/sign-in/passkey/begin',
    body: nothing,
    answer: z.object({ id: z.string(), options: passkeyWords }),
  }),
  passkeySignIn: endpoint({
    ...done,
    needs: 'nothing',
    method: 'POST',
    path: '/sign-in/passkey',
    body: z.strictObject({ id: idSchema, answer: passkeyWords }),
    hint: 'That is no answer of a passkey.',
  }),
  signOut: endpoint({ ...done, needs: 'account', method: 'POST', path: '/sign-out', body: nothing }),
  /** What an invitation is for; the code is in the body, so that it stands in no log of addresses. */
  lookAtInvitation: endpoint({
    ...told,
    needs: 'nothing',
    method: 'POST',
    path: '/join/look',
    body: z.strictObject({ code: codeSchema }),
    answer: z.object({
      by: z.string(),
      role: firmRoleSchema,
      siteName: z.string().nullable(),
      siteRole: siteRoleSchema.nullable(),
      /** Whose account it gives access to again, where it is for that. */
      recovers: z.string().nullable(),
    }),
    hint: 'A code is needed.',
  }),
  join: endpoint({
    ...done,
    needs: 'nothing',
    method: 'POST',
    path: '/join',
    body: z.strictObject({ code: codeSchema, name: nameSchema, password: passwordSchema }),
    hint: 'A code, a name and a password of at least 12 characters are needed.',
  }),
  beginPasskeyJoin: endpoint({
    ...told,
    needs: 'nothing',
    method: 'POST',
    path: '/join/passkey/begin',
    body: z.strictObject({ code: codeSchema, name: nameSchema }),
    answer: z.object({ id: z.string(), options: passkeyWords }),
    hint: 'A code and a name are needed.',
  }),
  passkeyJoin: endpoint({
    ...done,
    needs: 'nothing',
    method: 'POST',
    path: '/join/passkey',
    body: z.strictObject({ code: codeSchema, name: nameSchema, id: idSchema, answer: passkeyWords }),
    hint: 'That is no answer of a passkey.',
  }),
  /** Somebody who has an account already takes up an invitation to a site. */
  takeUp: endpoint({
    ...done,
    needs: 'account',
    method: 'POST',
    path: '/join/take-up',
    body: z.strictObject({ code: codeSchema }),
    hint: 'A code is needed.',
  }),
  own: endpoint({
    ...told,
    needs: 'account',
    method: 'GET',
    path: '/own',
    body: nothing,
    answer: z.object({
      hasPassword: z.boolean(),
      hasTimeCode: z.boolean(),
      passkeys: z.array(z.object({ id: z.string(), name: z.string(), createdAt: z.string() })),
      sessions: z.array(
        z.object({
          id: z.string(),
          device: z.string(),
          address: z.string(),
          seenAt: z.string(),
          isThis: z.boolean(),
        }),
      ),
    }),
  }),
  endSession: endpoint({
    ...done,
    needs: 'account',
    method: 'DELETE',
    path: '/own/sessions/:sessionId',
    body: nothing,
  }),
  setPassword: endpoint({
    ...done,
    needs: 'account',
    method: 'POST',
    path: '/own/password',
    body: z.strictObject({ old: givenPasswordSchema, password: passwordSchema }),
    hint: 'The old password and one of at least 12 characters are needed.',
  }),
  beginPasskey: endpoint({
    ...told,
    needs: 'account',
    method: 'POST',
    path: '/own/passkeys/begin',
    body: nothing,
    answer: z.object({ id: z.string(), options: passkeyWords }),
  }),
  addPasskey: endpoint({
    ...done,
    needs: 'account',
    method: 'POST',
    path: '/own/passkeys',
    body: z.strictObject({ id: idSchema, answer: passkeyWords }),
    hint: 'That is no answer of a passkey.',
  }),
  dropPasskey: endpoint({
    ...done,
    needs: 'account',
    method: 'DELETE',
    path: '/own/passkeys/:passkeyId',
    body: nothing,
  }),
  beginTimeCode: endpoint({
    ...told,
    needs: 'account',
    method: 'POST',
    path: '/own/time-code/begin',
    body: nothing,
    /** For the app that shows the codes, as an address and as it is typed. */
    answer: z.object({ address: z.string(), secret: z.string() }),
  }),
  setTimeCode: endpoint({
    ...done,
    needs: 'account',
    method: 'POST',
    path: '/own/time-code',
    body: z.strictObject({ secret: z.string().max(80), timeCode: timeCodeSchema.unwrap() }),
    hint: 'The six digits that the app shows now are needed.',
  }),
  dropTimeCode: endpoint({
    ...done,
    needs: 'account',
    method: 'POST',
    path: '/own/time-code/drop',
    body: z.strictObject({ password: givenPasswordSchema }),
    hint: 'The password is needed.',
  }),
} as const;

/** Who may sign in, and who may come to a site. */
export const people = {
  list: endpoint({
    ...told,
    needs: 'admin',
    method: 'GET',
    path: '/people',
    body: nothing,
    answer: z.object({ people: z.array(personSchema), invitations: z.array(invitationSchema) }),
  }),
  setRole: endpoint({
    ...done,
    needs: 'admin',
    method: 'POST',
    path: '/people/:personId/role',
    body: z.strictObject({ role: firmRoleSchema }),
    hint: 'A role is needed.',
  }),
  remove: endpoint({ ...done, needs: 'admin', method: 'DELETE', path: '/people/:personId', body: nothing }),
  invite: endpoint({
    ...told,
    needs: 'admin',
    method: 'POST',
    path: '/invitations',
    body: z.strictObject({ role: firmRoleSchema }),
    answer: z.object({ code: z.string(), endsAt: z.string() }),
    hint: 'A role is needed.',
  }),
  withdraw: endpoint({
    ...done,
    needs: 'admin',
    method: 'DELETE',
    path: '/invitations/:invitationId',
    body: nothing,
  }),
  /** What happened with accounts, the last first. */
  notes: endpoint({
    ...told,
    needs: 'admin',
    method: 'GET',
    path: '/account-notes',
    body: nothing,
    answer: z.object({
      notes: z.array(z.object({ at: z.string(), name: z.string(), what: z.string(), address: z.string() })),
    }),
  }),
  members: endpoint({
    ...told,
    needs: 'manage',
    method: 'GET',
    path: '/sites/:id/people',
    body: nothing,
    answer: z.object({ members: z.array(memberSchema), invitations: z.array(invitationSchema) }),
  }),
  /** Gives somebody who has come to the site already another role on it, or none. */
  setSiteRole: endpoint({
    ...done,
    needs: 'manage',
    method: 'POST',
    path: '/sites/:id/people',
    body: z.strictObject({ person: idSchema, role: siteRoleSchema.nullable() }),
    hint: 'Somebody and a role are needed.',
  }),
  inviteToSite: endpoint({
    ...told,
    needs: 'manage',
    method: 'POST',
    path: '/sites/:id/invitations',
    body: z.strictObject({ role: siteRoleSchema }),
    answer: z.object({ code: z.string(), endsAt: z.string() }),
    hint: 'A role is needed.',
  }),
  withdrawFromSite: endpoint({
    ...done,
    needs: 'manage',
    method: 'DELETE',
    path: '/sites/:id/invitations/:invitationId',
    body: nothing,
  }),
  /** Where this server is reached from other machines, and whether they trust it by themselves. */
  shared: endpoint({
    ...told,
    needs: 'account',
    method: 'GET',
    path: '/shared',
    body: nothing,
    answer: z.object({
      addresses: z.array(z.string()),
      /** Of the authority that signed the certificate, for whoever compares; `null` where it is none of the server's own. */
      fingerprint: z.string().nullable(),
    }),
  }),
} as const;

/** Where the certificate of the server's own authority is had from. */
export const authorityFile = { path: '/authority.crt', needs: 'nothing' } as const;
