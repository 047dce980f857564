import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { z } from 'zod';

export const manifestName = 'manifest.json';
/** Pictures of all backups of one folder stand beside them, each once. */
export const picturesName = 'pictures';

/** Nothing but the database and plans under way, and nothing that leads out of a folder. */
const fileName = z.string().regex(/^(neotrope\.sqlite|recorders\/[a-z0-9.-]+\.json)$/);

/** What a backup holds, so that it can be proven whole before anything is restored from it. */
export const manifestSchema = z.strictObject({
  kind: z.literal('neotrope-backup'),
  format: z.literal(1),
  at: z.string(),
  /** Files of the backup, by their paths in its folder. */
  files: z.array(z.strictObject({ name: fileName, bytes: z.int(), sha256: z.string() })),
  /** Pictures that its sites name; each is its own hash. */
  pictures: z.array(z.string().regex(/^[0-9a-f]{64}\.(png|jpg|svg)$/)),
  sites: z.array(z.strictObject({ id: z.string(), name: z.string(), version: z.int() })),
});
export type Manifest = z.infer<typeof manifestSchema>;

export const hashOf = (file: string): string => createHash('sha256').update(readFileSync(file)).digest('hex');
