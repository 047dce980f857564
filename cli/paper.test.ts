import { readFileSync } from 'node:fs';
import path from 'node:path';
import { describe, expect, it } from 'vitest';
import { paper } from './paper';

const demo = path.resolve(import.meta.dirname, '../demo/saltmarrow.neotrope.json');
const run = (...args: string[]) => paper(args, (file) => readFileSync(file, 'utf8'), '2026-05-04');

describe('papers from the command line', () => {
  it('are written as a PDF, as tables or as data', () => {
    expect(run('cables', demo, '--out', 'x.pdf').write).toMatchObject({ file: 'x.pdf', kind: 'pdf' });
    const csv = run('cables', demo, '--out', 'x.csv').write;
    expect(csv?.kind === 'text' && csv.text).toContain('Length [m]');
    const workbook = run('cables', demo, '--out', 'x.xlsx').write;
    expect(workbook?.kind === 'workbook' && workbook.tables[0]?.headings).toContain('Length [m]');
    const json = run('plan', demo, '--out', 'x.json').write;
    expect(json?.kind === 'text' && JSON.parse(json.text)).toMatchObject({
      id: 'plan',
      on: '2026-05-04',
      site: 'Saltmarrow Ferry Terminal',
    });
  });
  it.each([
    [['letter', demo, '--out', 'x.pdf'], /“letter” is no paper/],
    [['offer', '--out', 'x.pdf'], /No site file is named/],
    [['offer', demo], /--out FILE/],
    [['offer', demo, '--out', 'x.doc'], /is to end in/],
    [['offer', demo, '--out', 'x.pdf', '--size', 'A9'], /is no paper size/],
    [['offer', demo, '--out', 'x.pdf', '--on', 'today'], /is no date/],
    [['offer', demo, '--out', 'x.pdf', '--paper', 'Legal'], /Unknown option '--paper'/],
    [['offer', demo, demo, '--out', 'x.pdf'], /one too many/],
    [['offer', demo, '--out', 'x.pdf', '--locale', 'nowhere!'], /is no language here/],
    [['offer', demo, '--out'], /argument missing/],
    [['offer', 'nowhere.json', '--out', 'x.pdf'], /nowhere.json cannot be read/],
  ])('refuse %j in words', (args, words) => {
    const said = run(...args);
    expect(said.status).toBe(2);
    expect(said.errors.join(' ')).toMatch(words);
    expect(said.write).toBeUndefined();
  });
});
