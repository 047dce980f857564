import { expect, it } from 'vitest';
import { evaluateSite } from '#core/evaluate';
import { saltmarrowSite } from '../model/site/testSite';
import { planSheet, planTable } from '.';

const site = saltmarrowSite();
const evaluation = evaluateSite(site);
const { headings, rows } = planTable(site, evaluation);
const column = (heading: string) => rows.map((row) => row[headings.indexOf(heading)]);

it('has a line a camera, and ids that lead back to the facts', () => {
  expect(rows).toHaveLength(24);
  for (const [at, id] of column('camera id').entries())
    expect(site.camera[String(id)]?.number).toBe(column('camera')[at]);
  for (const id of column('run id')) expect(site.run[String(id)]).toBeDefined();
});
it('says one figure a column, the same that the sheet shows', () => {
  const sheet = planSheet(site, evaluation);
  for (const [at, cost] of column('cost').entries()) {
    const shown = sheet.rows[at]!.cost;
    if (shown === null) expect(cost).toBe('');
    else expect(cost).toBeCloseTo(shown, 2);
  }
  expect(column('run m').every((metres) => typeof metres === 'number')).toBe(true);
});
it('a margin comes with its unit, and with how much of its limit is used', () => {
  for (const [at, value] of column('limiting value').entries())
    if (value !== '') {
      expect(typeof column('limit used %')[at]).toBe('number');
      expect(column('limiting unit')[at]).not.toBe('');
    }
});
