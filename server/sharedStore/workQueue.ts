import { gunzipSync, gzipSync } from 'node:zlib';
import PgBoss from 'pg-boss';
import type { JobKind } from '../evaluation/jobs';
import type { Order } from '../evaluation/work';

/** Plans take minutes, the rest a moment: neither waits for the other. */
export const queues = ['plan', 'moment'] as const;
export type QueueName = (typeof queues)[number];

export const queueOf = (kind: JobKind): QueueName => (kind === 'plan' ? 'plan' : 'moment');

/** What is handed on, packed: a document of the database would not hold every letter, nor the order of its fields. */
export interface Parcel {
  packed: string;
}

export const packedUp = (content: unknown): Parcel => ({
  packed: gzipSync(JSON.stringify({ content })).toString('base64'),
});

export const unpacked = <T>({ packed }: Parcel): T =>
  (JSON.parse(gunzipSync(Buffer.from(packed, 'base64')).toString('utf8')) as { content: T }).content;

/** So long beyond what it was given an order may take before nobody waits for it any more. */
const spareS = 60;

/** Seconds after which whoever took an order counts as broken off. */
export function mostSecondsOf(order: Order): number {
  const { secondsMost = 0 } = order.asked as { secondsMost?: number };
  return Math.ceil(secondsMost) + spareS;
}

/** Opens the queue of a database; of those that hand orders on nobody looks after it, those that do them do. */
export async function openQueue(url: string, use: 'to-hand-on' | 'to-do', fault: (error: Error) => void) {
  const boss = new PgBoss({
    connectionString: url,
    max: 4,
    schedule: false,
    supervise: use === 'to-do',
    retryLimit: 0,
    deleteAfterHours: 1,
    archiveCompletedAfterSeconds: 600,
  });
  boss.on('error', fault);
  await boss.start();
  for (const name of queues) await boss.createQueue(name);
  return boss;
}
