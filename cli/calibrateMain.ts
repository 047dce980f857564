import { calibrateOn, calibrateUsage } from './calibrate';
import { command } from './command';
import { readSiteFile } from './readSiteFile';

await command(calibrateUsage, (args) => calibrateOn(args, readSiteFile));
