// Writes the demo with its best plan adopted and every camera on a slot, as a site file with its pictures.
import { readFileSync } from 'node:fs';
import loadHighs from 'highs';
import { toSiteFile, type AttachedFile } from '#core/model/site';
import { decidedDemo } from '../../bench/sites';

const demo = new URL('../../demo/saltmarrow.neotrope.json', import.meta.url);
const { files } = JSON.parse(readFileSync(demo, 'utf8')) as { files: AttachedFile[] };
process.stdout.write(JSON.stringify(toSiteFile(decidedDemo(await loadHighs()), files)));
