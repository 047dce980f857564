import { command } from './command';
import { diagnoseFile, diagnoseUsage } from './diagnose';
import { readSiteFile } from './readSiteFile';

await command(diagnoseUsage, (args) => diagnoseFile(args, readSiteFile));
