import type { Applying, FoundCamera, Report } from '#core/allocate/device';
import type { Problem } from '#core/shared/problems';
import type { Edit, Found, LogEntry, PictureType, RunState, SiteFile, TestId } from '#core/model/site';

export interface SiteListing {
  id: string;
  name: string;
  version: number;
  changedAt: string;
  archivedAt: string | null;
}
/** A picture as the server keeps it. */
export interface KeptPicture {
  fileId: string;
  mediaType: PictureType;
  widthPx: number;
  heightPx: number;
  remarks: string[];
}
/** Who an instrument says that it is. */
export interface InstrumentIdentity {
  name: string;
  serial: string;
}
export interface InstrumentAnswer extends InstrumentIdentity {
  found: Found;
}
/** What an instrument is asked to read, and how the run was left for it. */
export interface InstrumentAsked {
  test: TestId;
  runNumber: number;
  state: RunState;
  current: 'dc' | 'ac';
}
export interface ServedSite {
  id: string;
  version: number;
  file: SiteFile;
  log: LogEntry[];
}

/** What the server said in place of an answer. */
export interface Refusal {
  status: number;
  detail: string;
  problems: Problem[];
  since: LogEntry[];
}
export type Answer<T> =
  { kind: 'answer'; value: T } | { kind: 'refusal'; refusal: Refusal } | { kind: 'silence' };

async function ask<T>(path: string, init?: RequestInit): Promise<Answer<T>> {
  let response: Response;
  try {
    response = await fetch(`/api${path}`, init);
  } catch {
    return { kind: 'silence' };
  }
  if (response.status === 204) return { kind: 'answer', value: null as T };
  try {
    const body: unknown = await response.json();
    if (response.ok) return { kind: 'answer', value: body as T };
    const { detail, problems, since } = body as Partial<Refusal>;
    return {
      kind: 'refusal',
      refusal: {
        status: response.status,
        detail: detail ?? response.statusText,
        problems: problems ?? [],
        since: since ?? [],
      },
    };
  } catch {
    // A proxy's page, or an answer that broke off: as good as none, and safe to ask again.
    return { kind: 'silence' };
  }
}

const post = <T>(path: string, body: string) =>
  ask<T>(path, { method: 'POST', headers: { 'content-type': 'application/json' }, body });

export const api = {
  sites: () => ask<{ sites: SiteListing[] }>('/sites'),
  site: (id: string) => ask<ServedSite>(`/sites/${id}`),
  since: (id: string, version: number) => ask<{ entries: LogEntry[] }>(`/sites/${id}/edits?after=${version}`),
  edit: (edit: Edit) => post<{ entry: LogEntry }>(`/sites/${edit.site}/edits`, JSON.stringify(edit)),
  newSite: (name: string, headEndName: string) =>
    post<SiteListing>('/sites', JSON.stringify({ name, headEndName })),
  duplicateSite: (id: string, name: string) =>
    post<SiteListing>(`/sites/${id}/duplicate`, JSON.stringify({ name })),
  archiveSite: (id: string, archived: boolean) =>
    post<SiteListing>(`/sites/${id}/archive`, JSON.stringify({ archived })),
  demoSite: () => post<SiteListing>('/sites/demo', '{}'),
  keepPicture: (use: 'drawing' | 'photo', picture: Blob) =>
    ask<KeptPicture>(`/pictures?for=${use}`, {
      method: 'POST',
      headers: { 'content-type': 'application/octet-stream' },
      body: picture,
    }),
  instruments: () => ask<{ standIn: string | null; reads: TestId[] }>('/instrument'),
  identifyInstrument: (address: string) =>
    post<InstrumentIdentity>('/instrument/identify', JSON.stringify({ address })),
  readInstrument: (address: string, asked: InstrumentAsked) =>
    post<InstrumentAnswer>('/instrument/read', JSON.stringify({ address, ...asked })),
  recorders: () => ask<{ standIns: Record<string, string> }>('/recorders'),
  readRecorder: (address: string) =>
    post<{ report: Report; cameras: FoundCamera[] }>('/recorders/read', JSON.stringify({ address })),
  applying: (siteId: string, recorderId: string) =>
    ask<{ applying: Applying | null; damaged: boolean }>(`/sites/${siteId}/recorders/${recorderId}/applying`),
  apply: (siteId: string, recorderId: string, given: { address: string; key: string; by: string }) =>
    post<Applying>(`/sites/${siteId}/recorders/${recorderId}/applying`, JSON.stringify(given)),
  goOnApplying: (
    siteId: string,
    recorderId: string,
    given: { address: string; key: string; by: string; goal: Applying['goal'] },
  ) => post<Applying>(`/sites/${siteId}/recorders/${recorderId}/applying/on`, JSON.stringify(given)),
  stopApplying: (siteId: string, recorderId: string) =>
    post<null>(`/sites/${siteId}/recorders/${recorderId}/applying/stop`, '{}'),
  forgetApplying: (siteId: string, recorderId: string) =>
    ask<null>(`/sites/${siteId}/recorders/${recorderId}/applying`, { method: 'DELETE' }),
  importSite: (text: string) => post<SiteListing>('/sites/import', text),
};

export const fileAddress = (id: string): string => `/api/sites/${id}/file`;
export const planCsvAddress = (id: string): string => `/api/sites/${id}/plan.csv`;
export const savedSettingsAddress = (siteId: string, recorderId: string): string =>
  `/api/sites/${siteId}/recorders/${recorderId}/applying/settings`;
export const pictureAddress = (fileId: string): string => `/api/pictures/${fileId}`;
