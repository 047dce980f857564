import { readFileSync } from 'node:fs';
import path from 'node:path';
import { describe, expect, it } from 'vitest';
import { allocateViews } from '../stages/allocate/views';
import { connectViews } from '../stages/connect/views';
import { cutoverViews } from '../stages/cutover/views';
import { decideViews } from '../stages/decide/views';
import { papersViews } from '../stages/papers/views';
import { signoffViews } from '../stages/signoff/views';
import { surveyViews } from '../stages/survey/views';
import { testViews } from '../stages/test/views';
import { helpEntries } from './help';

const docs = path.resolve(import.meta.dirname, '../../docs');
const entriesOf = (file: string) => helpEntries(readFileSync(path.join(docs, file), 'utf8'));

describe('help', () => {
  it.each([
    ['survey', surveyViews],
    ['test', testViews],
    ['decide', decideViews],
    ['allocate', allocateViews],
    ['connect', connectViews],
    ['cutover', cutoverViews],
    ['signoff', signoffViews],
    ['papers', papersViews],
    ['drills', [{ id: 'list' }, { id: 'drill' }, { id: 'editor' }]],
  ] as const)('has something to say of every view of %s, and of none that is not there', (stage, views) => {
    const entries = entriesOf(`help/${stage}.md`);
    expect(entries.map(({ heading }) => heading).sort()).toEqual(views.map(({ id }) => id).sort());
    for (const { html } of entries) expect(html.length).toBeGreaterThan(60);
  });
  it('is text and nothing that runs', () => {
    for (const stage of [
      'survey',
      'test',
      'decide',
      'allocate',
      'connect',
      'cutover',
      'signoff',
      'papers',
      'drills',
    ])
      for (const { html } of entriesOf(`help/${stage}.md`))
        expect(html).not.toMatch(/<(?!\/?(p|ul|li|em|strong|code)\b)/);
  });
});

it('the glossary stands in order, each term once', () => {
  const terms = entriesOf('glossary.md').map(({ heading }) => heading);
  expect(terms).toEqual([...terms].sort((a, b) => a.localeCompare(b, 'en')));
  expect(new Set(terms).size).toBe(terms.length);
});
