import { existsSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { applyingSchema, type Applying } from '#core/allocate/device';
import { siteIdSchema } from '#core/model/site';

/** Keeps what is under way with each recorder in a file of its own, written whole or not at all. */
export interface ApplyingFolder {
  /** `damaged` where there is a file that says nothing anybody could go on from. */
  read: (siteId: string, recorderId: string) => Applying | 'damaged' | null;
  write: (applying: Applying) => void;
  /** Takes the file away; a damaged one is set aside beside it, since it may be all that tells what happened. */
  forget: (siteId: string, recorderId: string) => void;
  /** Takes away whatever is kept of a site that was deleted for good. */
  forgetSite: (siteId: string) => void;
}

/** Records of a version before called the inputs that are IP `turned`. */
function underTodaysName(_key: string, value: unknown): unknown {
  if (typeof value !== 'object' || value === null || !('turned' in value)) return value;
  const { turned, ...rest } = value;
  return { ...rest, ipInputs: turned };
}

/** What a file holds; `damaged` where it is cut off, or not what was ever written. */
function parsedRecord(text: string): Applying | 'damaged' {
  try {
    return applyingSchema.parse(JSON.parse(text, underTodaysName));
  } catch {
    return 'damaged';
  }
}

export function applyingFolder(dataDir: string): ApplyingFolder {
  const folder = path.join(dataDir, 'recorders');
  /** Only ids, small letters, digits and hyphens, make a name: anything else could lead out of the folder. */
  const fileOf = (siteId: string, recorderId: string): string | null =>
    [siteId, recorderId].every((id) => siteIdSchema.safeParse(id).success)
      ? path.join(folder, `${siteId}.${recorderId}.json`)
      : null;
  return {
    read: (siteId, recorderId) => {
      const file = fileOf(siteId, recorderId);
      if (file === null) return null;
      let text: string;
      try {
        text = readFileSync(file, 'utf8');
      } catch {
        return null;
      }
      return parsedRecord(text);
    },
    write: (applying) => {
      mkdirSync(folder, { recursive: true });
      const file = fileOf(applying.siteId, applying.recorderId);
      if (file === null) throw new Error('a plan for what has no id was let in');
      writeFileSync(`${file}.new`, JSON.stringify(applying));
      renameSync(`${file}.new`, file);
    },
    forget: (siteId, recorderId) => {
      const file = fileOf(siteId, recorderId);
      if (file === null || !existsSync(file)) return;
      if (parsedRecord(readFileSync(file, 'utf8')) === 'damaged') renameSync(file, `${file}.damaged`);
      else rmSync(file);
    },
    forgetSite: (siteId) => {
      const names = existsSync(folder) ? readdirSync(folder) : [];
      for (const name of names.filter((one) => one.startsWith(`${siteId}.`))) rmSync(path.join(folder, name));
    },
  };
}
