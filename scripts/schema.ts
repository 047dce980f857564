// `npm run schema`: writes the JSON Schema of the site file from the schemas that the program itself uses.
import { writeFileSync } from 'node:fs';
import path from 'node:path';
import { siteFileJsonSchema } from './siteFileJsonSchema';

const file = path.resolve(import.meta.dirname, '../docs/site-file.schema.json');
writeFileSync(file, `${JSON.stringify(siteFileJsonSchema(), null, 1)}\n`);
console.log(`wrote ${file}`);
