import { existsSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { siteIdSchema } from '#core/model/site';
import { readRecord, type ApplyingRecords, type RecorderId } from './applyingRecords';

/** Who is at a recorder, in this process. */
interface Held {
  address: string;
  isStopped: boolean;
}

const keyOf = ({ siteId, recorderId }: RecorderId): string => `${siteId}/${recorderId}`;

/** Records as files of a data folder, which one server at a time is at. */
export function applyingFolder(dataDir: string): ApplyingRecords {
  const folder = path.join(dataDir, 'recorders');
  const held = new Map<string, Held>();
  /** Only ids, small letters, digits and hyphens, make a name: anything else could lead out of the folder. */
  const fileOf = ({ siteId, recorderId }: RecorderId): string | null =>
    [siteId, recorderId].every((id) => siteIdSchema.safeParse(id).success)
      ? path.join(folder, `${siteId}.${recorderId}.json`)
      : null;
  const textOf = (file: string | null): string | null => {
    try {
      return file === null ? null : readFileSync(file, 'utf8');
    } catch {
      return null;
    }
  };
  return {
    read: async (of) => {
      const text = textOf(fileOf(of));
      return text === null ? null : readRecord(text);
    },
    write: async (applying) => {
      mkdirSync(folder, { recursive: true });
      const file = fileOf(applying);
      if (file === null) throw new Error('a plan for what has no id was let in');
      writeFileSync(`${file}.new`, JSON.stringify(applying));
      renameSync(`${file}.new`, file);
    },
    forget: async (of) => {
      const file = fileOf(of);
      if (file === null || !existsSync(file)) return;
      if (readRecord(readFileSync(file, 'utf8')) === 'damaged') renameSync(file, `${file}.damaged`);
      else rmSync(file);
    },
    forgetSite: async (siteId) => {
      const names = existsSync(folder) ? readdirSync(folder) : [];
      for (const name of names.filter((one) => one.startsWith(`${siteId}.`))) rmSync(path.join(folder, name));
    },
    hold: async (of, address) => {
      const key = keyOf(of);
      if (held.has(key) || [...held.values()].some((other) => other.address === address)) return null;
      const mine: Held = { address, isStopped: false };
      held.set(key, mine);
      return { isStopped: () => mine.isStopped, letGo: async () => void held.delete(key) };
    },
    isHeld: async (of) => held.has(keyOf(of)),
    askToStop: async (of) => {
      const one = held.get(keyOf(of));
      if (one) one.isStopped = true;
    },
  };
}
