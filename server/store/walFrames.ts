import { existsSync, readFileSync } from 'node:fs';

/** How far a write-ahead log can be read. */
export interface WalFrames {
  /** Transactions that can be read from its start on. */
  sound: number;
  /** Transactions that were written after the first frame that does not add up: they are lost to whoever opens the file. */
  beyond: number;
}

const headerBytes = 32;
const frameHeaderBytes = 24;
/** Of the databases that are made here. */
const usualPageBytes = 4096;

/** The running sum of the log over pairs of words. Source: the file format of SQLite, 4.2, checksum algorithm. */
function checksum(
  bytes: Buffer,
  from: number,
  to: number,
  isBig: boolean,
  [s0, s1]: [number, number],
): [number, number] {
  let [a, b] = [s0, s1];
  for (let at = from; at < to; at += 8) {
    const [x, y] = isBig
      ? [bytes.readUInt32BE(at), bytes.readUInt32BE(at + 4)]
      : [bytes.readUInt32LE(at), bytes.readUInt32LE(at + 4)];
    a = (a + x + b) >>> 0;
    b = (b + y + a) >>> 0;
  }
  return [a, b];
}

/**
 * Reads a write-ahead log frame by frame, as SQLite does when it opens it. SQLite takes the first frame that does not add up for the end
 * of the log and says nothing of what stands behind it; this does. A log that was cut off in its last transaction has nothing behind.
 */
export function walFrames(file: string): WalFrames {
  const none = { sound: 0, beyond: 0 };
  if (!existsSync(file)) return none;
  const bytes = readFileSync(file);
  if (bytes.length < headerBytes) return none;
  const isBig = bytes.readUInt32BE(0) === 0x377f0683;
  let sum = checksum(bytes, 0, 24, isBig, [0, 0]);
  // A header that does not add up is an empty log to SQLite; whose frames stand behind it, the first of them says.
  let addsUp = [sum[0], sum[1]].every((word, k) => word === bytes.readUInt32BE(24 + 4 * k));
  const pageBytes = addsUp ? bytes.readUInt32BE(8) : usualPageBytes;
  const saltsAt = addsUp ? 16 : headerBytes + 8;
  if (bytes.length < saltsAt + 8) return none;
  const [salt0, salt1] = [bytes.readUInt32BE(saltsAt), bytes.readUInt32BE(saltsAt + 4)];
  let [sound, beyond] = [0, 0];
  const step = frameHeaderBytes + pageBytes;
  for (let at = headerBytes; at + step <= bytes.length; at += step) {
    // Frames of an earlier round are left over behind the last: they have other salts.
    if (bytes.readUInt32BE(at + 8) !== salt0 || bytes.readUInt32BE(at + 12) !== salt1) {
      addsUp = false;
      continue;
    }
    if (addsUp) {
      sum = checksum(bytes, at, at + 8, isBig, sum);
      sum = checksum(bytes, at + frameHeaderBytes, at + step, isBig, sum);
      addsUp = sum[0] === bytes.readUInt32BE(at + 16) && sum[1] === bytes.readUInt32BE(at + 20);
    }
    const isCommit = bytes.readUInt32BE(at + 4) !== 0;
    if (!isCommit) continue;
    if (addsUp) sound += 1;
    else beyond += 1;
  }
  return { sound, beyond };
}
