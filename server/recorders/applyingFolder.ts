import { mkdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { applyingSchema, type Applying } from '#core/device';

/** Keeps what is under way with each recorder in a file of its own, written whole or not at all. */
export interface ApplyingFolder { read: (siteId: string, recorderId: string) => Applying | null; write: (applying: Applying) => void; forget: (siteId: string, recorderId: string) => void }

export function applyingFolder(dataDir: string): ApplyingFolder {
  const folder = path.join(dataDir, 'recorders');
  // Both are ids: small letters, digits and hyphens, and cannot lead out of the folder.
  const fileOf = (siteId: string, recorderId: string) => path.join(folder, `${siteId}.${recorderId}.json`);
  return {
    read: (siteId, recorderId) => {
      let text: string;
      try {
        text = readFileSync(fileOf(siteId, recorderId), 'utf8');
      } catch {
        return null;
      }
      return applyingSchema.parse(JSON.parse(text));
    },
    write: (applying) => {
      mkdirSync(folder, { recursive: true });
      const file = fileOf(applying.siteId, applying.recorderId);
      writeFileSync(`${file}.new`, JSON.stringify(applying));
      renameSync(`${file}.new`, file);
    },
    forget: (siteId, recorderId) => rmSync(fileOf(siteId, recorderId), { force: true }),
  };
}
