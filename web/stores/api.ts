import type { z } from 'zod';
import {
  accounts,
  asHeader,
  authorityFile,
  converters,
  customers,
  devices,
  downloads,
  instruments,
  live,
  newsFile,
  pathOf,
  people,
  pictureFile,
  pictures,
  problemDetailsSchema,
  recorders,
  settingsFile,
  sites,
  switches,
  type AnswerOf,
  type AnyEndpoint,
  type BodyOf,
  type FirmRole,
  type InstrumentAsked,
  type SiteRole,
} from '#contract';
import type { Problem } from '#core/shared/problems';
import type { Edit, LogEntry } from '#core/model/site';

/** What the server said in place of an answer. */
export interface Refusal {
  status: number;
  detail: string;
  problems: Problem[];
  since: LogEntry[];
  /** The host that a person would have to allow first. */
  host: string | null;
}
export type Answer<T> =
  { kind: 'answer'; value: T } | { kind: 'refusal'; refusal: Refusal } | { kind: 'silence' };

/** Where an address of the server is reached from a page. */
const addressOf = (path: string, params: Record<string, string> = {}, query: Record<string, string> = {}) => {
  const search = new URLSearchParams(query).toString();
  return `/api${pathOf(path, params)}${search ? `?${search}` : ''}`;
};

function refusalFrom(status: number, body: unknown): Answer<never> {
  const { detail, problems = [], since = [], host = null } = problemDetailsSchema.parse(body);
  return { kind: 'refusal', refusal: { status, detail, problems, since, host } };
}

/** An answer as its contract has it. A proxy's page, or an answer that broke off, is as good as none, and safe to ask again. */
async function answerFrom<S extends z.ZodType>(response: Response, schema: S): Promise<Answer<z.infer<S>>> {
  try {
    const body: unknown = response.status === 204 ? null : await response.json();
    if (!response.ok) return refusalFrom(response.status, body);
    return { kind: 'answer', value: schema.parse(body) as z.infer<S> };
  } catch {
    return { kind: 'silence' };
  }
}

interface Asked {
  params?: Record<string, string>;
  query?: Record<string, string>;
  /** Text is sent as it is: it is JSON already. */
  body?: unknown;
  bytes?: Blob;
}

let hearSignedOut = (): void => undefined;
/** Says who is told when the server no longer knows whoever asks. */
export function whenSignedOut(hear: () => void): void {
  hearSignedOut = hear;
}

let askedAs: string | null = null;
/** Whose requests these are from now on, by the id of his account; a server at which another is signed in turns them away. */
export function askAs(personId: string | null): void {
  askedAs = personId;
}

export async function ask<E extends AnyEndpoint>(
  { method, path, answer }: E,
  { params, query, body, bytes }: Asked = {},
): Promise<Answer<AnswerOf<E>>> {
  const sends = method === 'POST';
  const init: RequestInit = {
    method,
    headers: {
      ...(sends && { 'content-type': bytes ? 'application/octet-stream' : 'application/json' }),
      // Who is signed in now is asked by whoever is open to any answer.
      ...(askedAs !== null && path !== accounts.visitor.path && { [asHeader]: askedAs }),
    },
    ...(sends && { body: bytes ?? (typeof body === 'string' ? body : JSON.stringify(body ?? {})) }),
  };
  let response: Response;
  try {
    response = await fetch(addressOf(path as string, params, query), init);
  } catch {
    return { kind: 'silence' };
  }
  // Somebody who tries a password is answered so as well; what he is told there he reads in the form.
  if (response.status === 401 && !String(path).startsWith('/sign-in')) hearSignedOut();
  return answerFrom(response, answer as E['answer']);
}

const ofRecorder = (id: string, recorderId: string) => ({ params: { id, recorderId } });

export const api = {
  visitor: () => ask(accounts.visitor),
  signIn: (body: BodyOf<typeof accounts.signIn>) => ask(accounts.signIn, { body }),
  beginPasskeySignIn: () => ask(accounts.beginPasskeySignIn),
  passkeySignIn: (body: BodyOf<typeof accounts.passkeySignIn>) => ask(accounts.passkeySignIn, { body }),
  signOut: () => ask(accounts.signOut),
  lookAtInvitation: (code: string) => ask(accounts.lookAtInvitation, { body: { code } }),
  join: (body: BodyOf<typeof accounts.join>) => ask(accounts.join, { body }),
  beginPasskeyJoin: (code: string, name: string) => ask(accounts.beginPasskeyJoin, { body: { code, name } }),
  passkeyJoin: (body: BodyOf<typeof accounts.passkeyJoin>) => ask(accounts.passkeyJoin, { body }),
  takeUp: (code: string) => ask(accounts.takeUp, { body: { code } }),
  own: () => ask(accounts.own),
  endSession: (sessionId: string) => ask(accounts.endSession, { params: { sessionId } }),
  setPassword: (body: BodyOf<typeof accounts.setPassword>) => ask(accounts.setPassword, { body }),
  beginPasskey: () => ask(accounts.beginPasskey),
  addPasskey: (body: BodyOf<typeof accounts.addPasskey>) => ask(accounts.addPasskey, { body }),
  dropPasskey: (passkeyId: string) => ask(accounts.dropPasskey, { params: { passkeyId } }),
  beginTimeCode: () => ask(accounts.beginTimeCode),
  setTimeCode: (body: BodyOf<typeof accounts.setTimeCode>) => ask(accounts.setTimeCode, { body }),
  dropTimeCode: (password: string) => ask(accounts.dropTimeCode, { body: { password } }),
  people: () => ask(people.list),
  setFirmRole: (personId: string, role: FirmRole) =>
    ask(people.setRole, { params: { personId }, body: { role } }),
  removePerson: (personId: string) => ask(people.remove, { params: { personId } }),
  invite: (role: FirmRole) => ask(people.invite, { body: { role } }),
  withdrawInvitation: (invitationId: string) => ask(people.withdraw, { params: { invitationId } }),
  accountNotes: () => ask(people.notes),
  members: (id: string) => ask(people.members, { params: { id } }),
  setSiteRole: (id: string, person: string, role: SiteRole | null) =>
    ask(people.setSiteRole, { params: { id }, body: { person, role } }),
  inviteToSite: (id: string, role: SiteRole) => ask(people.inviteToSite, { params: { id }, body: { role } }),
  withdrawFromSite: (id: string, invitationId: string) =>
    ask(people.withdrawFromSite, { params: { id, invitationId } }),
  shared: () => ask(people.shared),
  here: (id: string, body: BodyOf<typeof live.here>) => ask(live.here, { params: { id }, body }),
  sites: () => ask(sites.list),
  site: (id: string) => ask(sites.read, { params: { id } }),
  since: (id: string, version: number) =>
    ask(sites.since, { params: { id }, query: { after: String(version) } }),
  /** Edits of one site, each on the one before: what became of them as far as they went through. */
  edit: async (edits: readonly Edit[]): Promise<Answer<LogEntry[]>> => {
    const params = { id: edits[0]!.site };
    if (edits.length > 1) {
      const answer = await ask(sites.editInTurn, { params, body: { edits } });
      return answer.kind === 'answer' ? { kind: 'answer', value: answer.value.entries } : answer;
    }
    const answer = await ask(sites.edit, { params, body: edits[0] });
    return answer.kind === 'answer' ? { kind: 'answer', value: [answer.value.entry] } : answer;
  },
  newSite: (body: BodyOf<typeof sites.create>) => ask(sites.create, { body }),
  duplicateSite: (id: string, name: string) => ask(sites.duplicate, { params: { id }, body: { name } }),
  customerView: (id: string, length: 'm' | 'ft') =>
    ask(customers.look, { params: { id }, query: { length } }),
  customerAccepts: (id: string, body: BodyOf<typeof customers.accept>) =>
    ask(customers.accept, { params: { id }, body }),
  customerAcceptsOffer: (id: string, body: BodyOf<typeof customers.acceptOffer>) =>
    ask(customers.acceptOffer, { params: { id }, body }),
  archiveSite: (id: string, archived: boolean) => ask(sites.archive, { params: { id }, body: { archived } }),
  binSite: (id: string, binned: boolean) => ask(sites.bin, { params: { id }, body: { binned } }),
  eraseSite: (id: string) => ask(sites.erase, { params: { id } }),
  demoSite: () => ask(sites.demo),
  importSite: (text: string) => ask(sites.import, { body: text }),
  keepPicture: (use: 'drawing' | 'photo', bytes: Blob) => ask(pictures.keep, { query: { for: use }, bytes }),
  instruments: () => ask(instruments.list),
  identifyInstrument: (site: string, address: string) =>
    ask(instruments.identify, { body: { site, address } }),
  readInstrument: (site: string, address: string, asked: InstrumentAsked) =>
    ask(instruments.read, { body: { site, address, ...asked } }),
  converters: () => ask(converters.list),
  readConverter: (body: BodyOf<typeof converters.read>) => ask(converters.read, { body }),
  switches: () => ask(switches.list),
  readSwitch: (site: string, address: string) => ask(switches.read, { body: { site, address } }),
  switchCounters: (body: BodyOf<typeof switches.counters>) => ask(switches.counters, { body }),
  restartPort: (body: BodyOf<typeof switches.restartPort>) => ask(switches.restartPort, { body }),
  recorders: () => ask(recorders.list),
  readRecorder: (site: string, address: string) => ask(recorders.read, { body: { site, address } }),
  allowedHosts: (id: string) => ask(devices.allowed, { params: { id } }),
  allowHost: (id: string, host: string, by: string) =>
    ask(devices.allow, { params: { id }, body: { host, by } }),
  withdrawHost: (id: string, host: string) => ask(devices.withdraw, { params: { id, host } }),
  applying: (siteId: string, recorderId: string) => ask(recorders.applying, ofRecorder(siteId, recorderId)),
  apply: (siteId: string, recorderId: string, body: BodyOf<typeof recorders.apply>) =>
    ask(recorders.apply, { ...ofRecorder(siteId, recorderId), body }),
  goOnApplying: (siteId: string, recorderId: string, body: BodyOf<typeof recorders.goOn>) =>
    ask(recorders.goOn, { ...ofRecorder(siteId, recorderId), body }),
  stopApplying: (siteId: string, recorderId: string) => ask(recorders.stop, ofRecorder(siteId, recorderId)),
  forgetApplying: (siteId: string, recorderId: string) =>
    ask(recorders.forget, ofRecorder(siteId, recorderId)),
};

export const fileAddress = (id: string): string => addressOf(downloads.file.path, { id });
export const planCsvAddress = (id: string): string => addressOf(downloads.planCsv.path, { id });
export const savedSettingsAddress = (id: string, recorderId: string): string =>
  addressOf(settingsFile.path, { id, recorderId });
export const pictureAddress = (id: string): string => addressOf(pictureFile.path, { id });
export const authorityAddress = addressOf(authorityFile.path);
export const newsAddress = (id: string): string => addressOf(newsFile.path, { id });
