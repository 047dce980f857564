import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { describe, expect, it } from 'vitest';
import { formulas } from '#core/shared/derivation';
import { calculations } from '../../cli/calculations';
import { siteFileJsonSchema } from '../../scripts/siteFileJsonSchema';
import { root } from './serverUnderTest';

const doc = (name: string) => readFileSync(path.join(root, name), 'utf8');

describe('the documents keep up with the program', () => {
  it('the published schema is the one in use', () => {
    expect(JSON.parse(doc('docs/site-file.schema.json'))).toEqual(
      JSON.parse(JSON.stringify(siteFileJsonSchema())),
    );
  });
  it('every formula a working can name is explained, as it is written', () => {
    const text = doc('docs/calculations.md');
    for (const [id, { writes }] of Object.entries(formulas)) {
      expect(text).toContain(`### ${id}`);
      expect(text).toContain(writes);
    }
  });
  it('every calculation of the command line is listed', () => {
    for (const name of Object.keys(calculations))
      expect(doc('docs/calculations.md')).toContain(`\`${name}\``);
  });
  it('every picture is linked from the README, and every link leads to one', () => {
    const pictures = readdirSync(path.join(root, 'docs/screenshots')).sort();
    const linked = [...doc('README.md').matchAll(/docs\/screenshots\/([\w-]+\.png)/g)].map(
      (match) => match[1]!,
    );
    expect([...new Set(linked)].sort()).toEqual(pictures);
    expect(pictures.length).toBeLessThan(20);
  });
});
