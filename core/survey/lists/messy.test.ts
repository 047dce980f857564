import { describe, expect, it } from 'vitest';
import { applyChanges } from '#core/model/site';
import { saltmarrowOnRuns } from '../../model/site/testSite';
import {
  headingLineFor,
  matchColumns,
  previewImport,
  rowsOf,
  withHeadingsAt,
  type Cell,
  type FileTable,
} from '.';

const site = saltmarrowOnRuns();

/** A sheet as a surveyor hands it over, its first row taken for the headings. */
const sheet = (...rows: Cell[][]): FileTable => ({
  headings: rows[0]!.map((cell) => String(cell ?? '')),
  headingLine: 1,
  rows: rows.slice(1).map((cells, index) => ({ line: index + 2, cells })),
});
const surveyed = sheet(
  ['Saltmarrow Ferry Terminal', null, null, null],
  ['Survey of March, second visit', null, null, null],
  ['Cam No', 'Location', 'View', 'W (night)'],
  ['Ground floor', null, null, null],
  ['CAM-01', 'Ticket hall', 'Hall north desk', '4,2 W'],
  ['CAM-02', 'Ticket hall', 'Hall south desk', 4.5],
  ['Total', null, null, 8.7],
);

describe('a sheet with titles, floors and totals', () => {
  const rows = rowsOf(surveyed);
  const line = headingLineFor('camera', rows);
  const table = withHeadingsAt(rows, line);
  const matches = matchColumns('camera', table.headings);
  const preview = (leftOut: number[] = []) => previewImport(site, 'camera', table, matches, 'x', { leftOut });

  it('finds its headings under the titles, as people write them', () => {
    expect(line).toBe(3);
    expect(matches.map(({ key }) => key)).toEqual(['number', 'place', 'name', 'night']);
  });
  it('refuses a floor and a total, each in its line, and takes the cameras', () => {
    expect(
      preview()
        .rows.filter(({ kind }) => kind === 'refused')
        .map(({ line: at }) => at),
    ).toEqual([4, 7]);
    expect(preview().rows.find(({ line: at }) => at === 5)).toMatchObject({ what: '1 Hall north desk' });
  });
  it('leaves out what a person leaves out, names it, and applies the rest', () => {
    const { rows: news, counts, changes, problems } = preview([4, 7]);
    expect([counts.refused, counts['left-out'], problems]).toEqual([0, 2, []]);
    expect(news.filter(({ kind }) => kind === 'left-out')).toEqual([
      { line: 4, kind: 'left-out', what: 'Ground floor' },
      { line: 7, kind: 'left-out', what: 'Total 8.7' },
    ]);
    const result = applyChanges(site, changes);
    expect(result.kind === 'sound' && result.value.site.camera['c01']!.watts.night).toBe(4.2);
  });
});

it('a number that is not one stays so: nothing is stripped but a name', () => {
  const table = sheet(['Camera', 'Segment', 'Cores out'], [1, 1, '-2']);
  const [row] = previewImport(site, 'segment', table, matchColumns('segment', table.headings)).rows;
  expect(row).toMatchObject({ kind: 'refused' });
});

describe('a place that is not noted yet', () => {
  const table = sheet(
    ['Camera', 'View', 'Location'],
    [25, 'Rope store', 'Rope loft'],
    [26, 'Nets', 'rope loft '],
    [8, 'Weighbridge', 'Lanes'],
  );
  const matches = matchColumns('camera', table.headings);
  it('is asked about once, as what may be made', () => {
    const { asked } = previewImport(site, 'camera', table, matches);
    expect(asked).toMatchObject([{ key: 'place', text: 'Rope loft', rows: 2, mayBeNew: true }]);
  });
  it('is noted in the same import, once, unseen', () => {
    const decided = { newPlaces: ['Rope loft'] };
    const { asked, counts, changes } = previewImport(site, 'camera', table, matches, 'x', decided);
    expect([asked, counts.new, counts.refused]).toEqual([[], 2, 0]);
    const result = applyChanges(site, changes);
    if (result.kind === 'refused') throw new Error(JSON.stringify(result.problems));
    const made = Object.values(result.value.site.place).filter(({ name }) => name === 'Rope loft');
    expect(made).toMatchObject([{ assumed: true }]);
    const there = Object.values(result.value.site.camera).filter(({ placeId }) => placeId === made[0]!.id);
    expect(there.map(({ number }) => number)).toEqual([25, 26]);
  });
});

describe('cables as they are called on a jacket', () => {
  const cabled = (cable: string) => {
    const table = sheet(['Camera', 'Segment', 'Cable'], [1, 1, cable]);
    return previewImport(site, 'segment', table, matchColumns('segment', table.headings)).rows[0]!;
  };
  it.each(['RG59 BC 20AWG', 'RG-11 BC', 'rg-11/u bare copper'])(
    '%s is read where its metal is printed',
    (cable) => {
      expect(cabled(cable).kind).not.toBe('refused');
    },
  );
  it('a type of which nobody printed the metal is asked about, not made up', () => {
    const row = cabled('RG59');
    expect(row.kind).toBe('refused');
    expect(row.kind === 'refused' && row.why[0]).toMatch(/RG-59/);
  });
  it('what a word stands for is said once, for every row that has it', () => {
    const table = sheet(['Camera', 'Segment', 'Cable'], [1, 1, 'RG59'], [2, 1, 'rg59 '], [3, 1, 'Blue']);
    const matches = matchColumns('segment', table.headings);
    const asked = previewImport(site, 'segment', table, matches).asked;
    expect(asked.map(({ text, rows }) => [text, rows])).toEqual([
      ['RG59', 2],
      ['Blue', 1],
    ]);
    const meanings = [
      { key: 'cable', text: 'RG59', value: 'coax-rg59-cu' },
      { key: 'cable', text: 'Blue', value: 'coax-rg6-cu' },
    ];
    const known = previewImport(site, 'segment', table, matches, 'x', { meanings });
    expect([known.asked, known.counts.refused]).toEqual([[], 0]);
    const result = applyChanges(site, known.changes);
    expect(result.kind === 'sound' && result.value.site.run['r03']!.segments[0]!.cable).toBe('coax-rg6-cu');
  });
});
