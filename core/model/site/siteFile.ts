import { z } from 'zod';
import { check, nestsDeeper, type Checked } from '#core/shared/problems';
import { fileIdSchema, pictureTypes } from './drawing';
import { referenceProblems } from './references';
import { upgradeFile } from './upgrade';
import {
  aboutSchema,
  aboutOf,
  factSchemas,
  fileLists,
  isListRequired,
  listNames,
  type Fact,
  type Kind,
  type ListName,
  type Site,
} from './site';

export const siteFileFormat = 'neotrope-site';
export const siteFileVersion = 3;

/** A picture that facts refer to, so that a site file carries its drawings and photos along. */
export const attachedFileSchema = z.strictObject({
  id: fileIdSchema,
  mediaType: z.enum(pictureTypes),
  base64: z.string().max(24_000_000),
});
export type AttachedFile = z.infer<typeof attachedFileSchema>;

type FileLists = { [L in ListName]: z.ZodType<Fact<(typeof fileLists)[L]>[]> };

/** So many facts of one kind are taken. */
const mostFacts = 50_000;

function listSchema(name: ListName): z.ZodType {
  const list = z.array(factSchemas[fileLists[name]] as z.ZodType).max(mostFacts);
  return isListRequired(name) ? list : list.default([]);
}
const listSchemas = Object.fromEntries(
  listNames.map((name) => [name, listSchema(name)]),
) as unknown as FileLists;

/** A whole site as a file that a person can keep, read and hand on. */
export const siteFileSchema = z.strictObject({
  format: z.literal(siteFileFormat),
  version: z.literal(siteFileVersion),
  about: aboutSchema,
  ...listSchemas,
  files: z.array(attachedFileSchema).max(2000).default([]),
});
export type SiteFile = z.infer<typeof siteFileSchema>;

const byNumber = (a: { id: string; number?: number }, b: { id: string; number?: number }): number =>
  (a.number ?? 0) - (b.number ?? 0) || (a.id < b.id ? -1 : 1);

/** The file of a site, its lists in a stable order so that two exports of one site are the same. */
export function toSiteFile(site: Site, files: readonly AttachedFile[] = []): SiteFile {
  const lists = Object.fromEntries(
    listNames.map((name) => [name, Object.values<Fact<Kind>>(site[fileLists[name]]).sort(byNumber)]),
  );
  return {
    format: siteFileFormat,
    version: siteFileVersion,
    about: aboutOf(site),
    ...lists,
    files: [...files].sort(byNumber),
  } as SiteFile;
}

/** The site in a file that was found sound before, as the server's own are when they are written. */
export function siteFromTrusted(file: SiteFile): Site {
  // A copy that a phone has kept from before a list was there does without it.
  const lists: Partial<Record<(typeof listNames)[number], readonly { id: string }[]>> = file;
  return {
    about: { about: file.about },
    ...Object.fromEntries(
      listNames.map((name) => [
        fileLists[name],
        Object.fromEntries((lists[name] ?? []).map((fact) => [fact.id, fact])),
      ]),
    ),
  } as unknown as Site;
}

function fromLists(file: SiteFile): Checked<Site> {
  const problems = listNames.flatMap((name) => {
    const seen = new Set<string>();
    return file[name].flatMap(({ id }, index) => {
      if (!seen.has(id)) return (seen.add(id), []);
      return [{ path: `${name}[${index}].id`, value: JSON.stringify(id), allowed: 'each id once' }];
    });
  });
  if (problems.length > 0) return { kind: 'refused', problems };
  const site = siteFromTrusted(file);
  const broken = referenceProblems(site);
  return broken.length > 0 ? { kind: 'refused', problems: broken } : { kind: 'sound', value: site };
}

/** Reads what was parsed from a site file. A file of a later version is refused as such, not field by field. */
export function fromSiteFile(input: unknown): Checked<Site> {
  const header = check(z.looseObject({ format: z.literal(siteFileFormat), version: z.int().min(1) }), input);
  if (header.kind === 'refused') return header;
  if (header.value.version > siteFileVersion) {
    return {
      kind: 'refused',
      problems: [
        {
          path: 'version',
          value: String(header.value.version),
          allowed: `at most ${siteFileVersion}; this file was written by a newer Neotrope`,
        },
      ],
    };
  }
  const tooMany = listNames.flatMap((name) => {
    const list: unknown = header.value[name];
    return Array.isArray(list) && list.length > mostFacts
      ? [{ path: name, value: `${list.length} of them`, allowed: `at most ${mostFacts} items` }]
      : [];
  });
  if (tooMany.length > 0) return { kind: 'refused', problems: tooMany };
  const named = header.value.version === 1 ? upgradeFile(header.value) : header.value;
  // What came with version 3 is left out of an older file; nothing of it has to be converted.
  const today = { ...named, version: siteFileVersion };
  const file = check(siteFileSchema, today);
  return file.kind === 'sound' ? fromLists(file.value) : file;
}

/** The pictures that came with a site file which was found sound. */
export function attachedTo(input: unknown): AttachedFile[] {
  return z.looseObject({ files: siteFileSchema.shape.files }).parse(input).files;
}

/** Reads the text of a site file. Text that breaks off is named as such. */
export function parseSiteFile(text: string): Checked<Site> {
  let input: unknown;
  if (nestsDeeper(text))
    return {
      kind: 'refused',
      problems: [{ path: '(file)', value: 'nests without end', allowed: 'a whole Neotrope site file' }],
    };
  try {
    input = JSON.parse(text.replace(/^\ufeff/, ''));
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    return {
      kind: 'refused',
      problems: [
        {
          path: '(file)',
          value: `not JSON (${why})`,
          allowed: 'a whole Neotrope site file; was it cut short?',
        },
      ],
    };
  }
  return fromSiteFile(input);
}
