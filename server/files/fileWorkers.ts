import Piscina from 'piscina';
import { threadOf } from '../programs';
import type { KeptUpload } from './fileWorker';
import type { PicturePlace } from './picturePlace';
import type { PictureUse } from './takePicture';
import type { TakenSite } from './takeSiteFile';

/** Threads at once, and the memory and time that each may take; the largest site with its pictures takes a third of it. */
const mostThreads = 2;
const mostMegabytes = 1024;
const mostMs = 120_000;

/** A file that takes more memory or time than any sound one does. */
export class TooMuchWork extends Error {
  constructor() {
    super('The file takes more memory or time to read than any sound one does. Nothing was changed.');
  }
}

/** What takes in files from outside, beside the thread that answers. */
export interface FileWorkers {
  siteFile: (bytes: Uint8Array) => Promise<TakenSite>;
  picture: (bytes: Uint8Array, use: PictureUse) => Promise<KeptUpload>;
  close: () => Promise<void>;
}

const isTooMuch = (error: unknown): boolean =>
  (error as { code?: string }).code === 'ERR_WORKER_OUT_OF_MEMORY' || (error as Error).name === 'AbortError';

/** Threads for the files that come in, whose pictures go to a place. They are made when they are first needed, and end when there is nothing to do. */
export function fileWorkers(picturePlace: PicturePlace): FileWorkers {
  const pool = new Piscina({
    ...threadOf('files'),
    workerData: { picturePlace },
    minThreads: 0,
    maxThreads: mostThreads,
    idleTimeout: 30_000,
    resourceLimits: { maxOldGenerationSizeMb: mostMegabytes },
  });
  // A thread that ends rejects what it was at; nobody else is to hear of it.
  pool.on('error', () => undefined);
  async function run<T>(task: unknown, name: string, bytes: Uint8Array): Promise<T> {
    // What has its memory to itself is handed over and not copied: nobody here needs it any more.
    const isOwn = bytes.byteLength > 0 && bytes.byteLength === bytes.buffer.byteLength;
    const transferList = isOwn ? [bytes.buffer as ArrayBuffer] : [];
    try {
      return (await pool.run(task, { name, transferList, signal: AbortSignal.timeout(mostMs) })) as T;
    } catch (error) {
      throw isTooMuch(error) ? new TooMuchWork() : error;
    }
  }
  return {
    siteFile: (bytes) => run(bytes, 'siteFile', bytes),
    picture: (bytes, use) => run({ bytes, use }, 'picture', bytes),
    close: () => pool.destroy(),
  };
}
