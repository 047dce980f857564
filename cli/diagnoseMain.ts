import { command } from './command';
import { diagnoseFile } from './diagnose';
import { readSiteFile } from './readSiteFile';

await command(() => diagnoseFile(process.argv.slice(2), readSiteFile));
