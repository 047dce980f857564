import { readFileSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';

/** The text of a site file, packed or not. */
export function readSiteFile(file: string): string {
  const bytes = readFileSync(file);
  return (file.endsWith('.gz') ? gunzipSync(bytes) : bytes).toString('utf8');
}
