import { readFileSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';
import { command } from './command';
import { diagnoseFile } from './diagnose';

/** A site file, packed or not. */
function readSiteFile(file: string): string {
  const bytes = readFileSync(file);
  return (file.endsWith('.gz') ? gunzipSync(bytes) : bytes).toString('utf8');
}

await command(() => diagnoseFile(process.argv.slice(2), readSiteFile));
