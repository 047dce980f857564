import { calibrateOn } from './calibrate';
import { command } from './command';
import { readSiteFile } from './readSiteFile';

await command(() => calibrateOn(process.argv.slice(2), readSiteFile));
