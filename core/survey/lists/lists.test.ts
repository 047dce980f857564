import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyChanges, emptySite, type Site } from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';
import {
  cellFor,
  editCells,
  headingFor,
  listIds,
  matchColumns,
  matching,
  neutralised,
  previewImport,
  removeRows,
  restored,
  sortedRows,
  steadyRows,
  tableOf,
  type Cell,
  type ForeignTable,
  type ListId,
  type Preview,
} from '.';

const site = saltmarrowSite();

/** A table as it would come back from a file: headings and cells as they were exported. */
function exported(from: Site, id: ListId): ForeignTable {
  const { columns, rows } = tableOf(from, id);
  return {
    headings: columns.map(({ heading }) => heading),
    rows: rows.map(({ cells }, index) => ({
      line: index + 2,
      cells: columns.map(({ key }) => cells[key] ?? null),
    })),
  };
}
function imported(into: Site, id: ListId, table: ForeignTable): Preview {
  return previewImport(into, id, table, matchColumns(id, table.headings));
}
function applied(into: Site, { changes, counts, problems }: Preview): Site {
  expect([counts.refused, problems]).toEqual([0, []]);
  const result = applyChanges(into, changes);
  if (result.kind === 'refused') throw new Error(JSON.stringify(result.problems));
  return result.value.site;
}
const table = (headings: string[], ...rows: Cell[][]): ForeignTable => ({
  headings,
  rows: rows.map((cells, index) => ({ line: index + 2, cells })),
});
const reasons = ({ rows }: Preview) => rows.flatMap((row) => (row.kind === 'refused' ? row.why : []));

describe('a list that comes back', () => {
  it.each(listIds)('%s: without a difference', (id) => {
    const { rows, counts, changes } = imported(site, id, exported(site, id));
    expect([changes, counts.same, counts.new + counts.changed + counts.refused]).toEqual([
      [],
      rows.length,
      0,
    ]);
  });
  it.each(listIds)('%s: without a difference when all cells went through text', (id) => {
    const whole = exported(site, id);
    const asText = {
      ...whole,
      rows: whole.rows.map(({ line, cells }) => ({
        line,
        cells: cells.map((cell) => (cell === null ? '' : String(cell))),
      })),
    };
    expect(imported(site, id, asText).changes).toEqual([]);
  });
  it('builds the demo’s places, cameras, runs and segments in an empty site', () => {
    const empty = {
      ...emptySite('Saltmarrow Ferry Terminal', 'Ticket hall'),
      supply: site.supply,
      recorder: site.recorder,
      equipment: site.equipment,
      place: {
        marshalling: site.place['marshalling']!,
        'ticket-hall': site.place['ticket-hall']!,
        'quay-hut': site.place['quay-hut']!,
        workshop: site.place['workshop']!,
      },
    };
    const built = (['place', 'camera', 'run', 'segment'] as const).reduce((so, id) => {
      const whole = exported(site, id);
      // The runs of several segments show their first cable in the list of segments; they start from that.
      const cells =
        id === 'run'
          ? whole.rows.map(({ line, cells: row }, index) => {
              const first = Object.values(site.run).sort(
                (a, b) => site.camera[a.cameraId]!.number - site.camera[b.cameraId]!.number,
              )[index]!.segments[0]!;
              return {
                line,
                cells: row.map((cell, at) =>
                  whole.headings[at] === 'cable'
                    ? first.cable
                    : whole.headings[at] === 'length m'
                      ? first.lengthM
                      : whole.headings[at] === 'fed from'
                        ? null
                        : cell,
                ),
              };
            })
          : whole.rows;
      return applied(so, imported(so, id, { ...whole, rows: cells }));
    }, empty as Site);
    expect(tableOf(built, 'place').rows.map(({ cells }) => cells)).toEqual(
      tableOf(site, 'place').rows.map(({ cells }) => cells),
    );
    expect(tableOf(built, 'camera').rows.map(({ cells }) => cells)).toEqual(
      tableOf(site, 'camera').rows.map(({ cells }) => cells),
    );
    expect(tableOf(built, 'segment').rows.map(({ cells }) => cells)).toEqual(
      tableOf(site, 'segment').rows.map(({ cells }) => cells),
    );
  });
  it('text is never run as a formula, and is the same again', () => {
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          fc.string().map((text) => `=${text}`),
          fc.string().map((text) => `'=${text}`),
          fc.constantFrom('-5', '+49 1', '@x', "''=1", '\n=1', ' =1', '\r\n@x', "'\n=1"),
        ),
        (text) => {
          expect(restored(neutralised(text))).toBe(text);
          expect(/^\s*[=@\t\r\n]/.test(neutralised(text)) && neutralised(text) !== '').toBe(false);
        },
      ),
    );
  });
});

describe('an import', () => {
  it('says row by row what it would do', () => {
    const preview = imported(
      site,
      'camera',
      table(
        ['Camera', 'View', 'Place', 'Night W', 'Colour'],
        [8, 'Weighbridge', 'Lanes', '9,5', 'grey'],
        [26, 'Rope store', 'Workshop', null, 'white'],
        [9, 'Kiosk A', 'Kiosks', null, 'white'],
      ),
    );
    expect(preview.counts).toMatchObject({ new: 1, changed: 1, same: 1, refused: 0 });
    expect(preview.rows[0]).toMatchObject({
      what: '8 Weighbridge',
      cells: [{ heading: 'night W', after: 9.5 }],
    });
    expect(preview.rows[1]).toMatchObject({ kind: 'new', what: '26 Rope store' });
    expect(Object.keys(applied(site, preview).camera)).toHaveLength(26);
  });
  it('refuses rows with the reason, and nothing of the file is applied while one is refused', () => {
    const preview = imported(
      site,
      'camera',
      table(
        ['number', 'view', 'place', 'night', 'body'],
        [8, 'x', 'Lanes', 'bright', 'Dome'],
        [9, 'y', 'Atlantis', 3, 'Dome'],
        [10, 'z', 'Kiosks', 3, 'Balloon'],
        [10, 'z', 'Kiosks', 3, 'Dome'],
        [null, 'no number', 'Kiosks', 3, 'Dome'],
        [26, '', 'Kiosks', 3, 'Dome'],
        [4.5, 'a', 'Kiosks', 3, 'Dome'],
        [11, 'a', 'Kiosks', 900, 'Dome'],
      ),
    );
    expect(preview.counts.refused).toBe(8);
    expect(reasons(preview).join('\n')).toMatch(
      /“bright”.*\n.*“Atlantis” is not one of: .*Quay.*\n.*“Balloon” is not one of: Bullet; Dome.*\nline 4 is the same camera\nno number to tell which camera.*\ncamera 26 is new here and needs a view.*\n.*whole number.*\n.*from 0 to 500 W/,
    );
  });
  it('says at the row what does not fit with the rest of the site', () => {
    const preview = imported(
      site,
      'run',
      table(['camera', 'patched to'], [8, 'Hall recorder, input 1'], [9, 'not patched']),
    );
    expect(preview.rows[0]).toMatchObject({
      kind: 'refused',
      why: [expect.stringContaining('an input of its own; run r01 is patched there')],
    });
    expect(preview.counts).toMatchObject({ refused: 1 });
  });
  it('reads feet where the heading says feet, or the cell does', () => {
    const lengths = (headings: string[], cell: Cell) =>
      imported(site, 'segment', table(headings, [1, 1, cell])).rows[0];
    expect(lengths(['camera', 'segment', 'length ft'], 100)).toMatchObject({
      cells: [{ after: expect.closeTo(30.48, 9) as number }],
    });
    expect(lengths(['camera', 'segment', 'length'], '100 ft')).toMatchObject({
      cells: [{ after: expect.closeTo(30.48, 9) as number }],
    });
    expect(lengths(['camera', 'segment', 'length'], 100)).toMatchObject({ cells: [{ after: 100 }] });
  });
  it('takes a formula as the text it is', () => {
    const next = applied(site, imported(site, 'camera', table(['number', 'note'], [8, '=1+1'])));
    expect(next.camera['c08']!.note).toBe('=1+1');
  });
  it('an empty cell leaves what is noted', () => {
    expect(
      imported(site, 'place', table(['place', 'temperature', 'note'], ['Quay', '', null])).counts,
    ).toMatchObject({ same: 1 });
  });
});

describe('taking rows away', () => {
  const left = (from: Site, id: ListId, rows: string[]) => {
    const removal = removeRows(from, id, rows);
    if (removal.kind === 'refused') return removal.why;
    const result = applyChanges(from, removal.changes);
    if (result.kind === 'refused') throw new Error(JSON.stringify(result.problems));
    return result.value.site;
  };
  const unread: Site = { ...site, reading: {} };
  it('takes a camera with its run, its spot and what was decided', () => {
    const gone = left(unread, 'camera', ['c12', 'c13']) as Site;
    expect([gone.camera['c12'], gone.run['r12'], gone.pin['camera-c12'], gone.run['r13']]).toEqual([
      undefined,
      undefined,
      undefined,
      undefined,
    ]);
    expect(Object.keys(gone.run)).toHaveLength(22);
  });
  it('keeps what has readings, and a place where something hangs', () => {
    expect(left(site, 'run', ['r12'])).toMatch(/readings of run 12, which are kept/);
    expect(left(site, 'place', ['quay'])).toMatch(/Still needed by camera 12, camera 13/);
    expect(
      (
        left(
          { ...site, place: { ...site.place, loft: { ...site.place['quay']!, id: 'loft', name: 'Loft' } } },
          'place',
          ['loft'],
        ) as Site
      ).place['loft'],
    ).toBeUndefined();
  });
  it('takes segments, but never the last one', () => {
    expect((left(site, 'segment', ['r12/1']) as Site).run['r12']!.segments).toHaveLength(1);
    expect(left(site, 'segment', ['r12/0', 'r12/1'])).toMatch(/only segment/);
  });
});

describe('headings', () => {
  it.each<[ListId, string[], (string | null)[]]>([
    [
      'camera',
      ['No.', 'Camera name', 'Location', 'Lens mm', 'Serial'],
      ['number', 'name', 'place', 'focalMm', null],
    ],
    ['camera', ['NUMBER', 'microphnoe', 'Night (W)', ''], ['number', 'microphone', 'night', null]],
    ['segment', ['camera', 'part', 'Length (ft)', 'cable type'], ['number', 'segment', 'lengthM', 'cable']],
    ['place', ['name', 'name'], ['name', null]],
  ])('of a list of %ss are found in %s', (id, headings, keys) =>
    expect(matchColumns(id, headings).map(({ key }) => key)).toEqual(keys),
  );
});

describe('editing in the list', () => {
  it('changes many rows at once, all or none', () => {
    const edit = editCells(site, 'camera', ['c01', 'c02', 'c08'], 'lamps', 'Infrared');
    expect(edit).toMatchObject({ kind: 'changes', label: 'IR / white-light LEDs of 3 cameras' });
    const refused = editCells(site, 'camera', ['c01', 'c02'], 'number', '30');
    expect(refused).toMatchObject({ kind: 'refused', why: expect.stringContaining('a number of its own') });
  });
  it('several segments of one run keep all their edits', () => {
    const edit = editCells(site, 'segment', ['r12/0', 'r12/1'], 'temperatureC', '31');
    if (edit.kind === 'refused') throw new Error(edit.why);
    const next = applyChanges(site, edit.changes);
    expect(
      next.kind === 'sound' && next.value.site.run['r12']!.segments.map(({ temperatureC }) => temperatureC),
    ).toEqual([31, 31]);
  });
  it('says why not', () => {
    expect(editCells(site, 'run', ['r12'], 'lengthM', '40')).toMatchObject({
      why: expect.stringContaining('several segments'),
    });
    expect(editCells(site, 'place', ['quay'], 'name', '  ')).toMatchObject({ kind: 'refused' });
    expect(editCells(site, 'run', ['r01'], 'total', '40')).toMatchObject({
      why: expect.stringContaining('elsewhere'),
    });
    expect(editCells(site, 'segment', ['r12/1'], 'joint', 'Crimp')).toMatchObject({
      why: expect.stringContaining('last segment'),
    });
  });
  it('reads a bare length in the person’s unit', () => {
    const edit = editCells(site, 'run', ['r01'], 'lengthM', '100', 'ft');
    expect(edit.kind === 'changes' && edit.changes[0]).toMatchObject({
      set: { segments: [{ lengthM: expect.closeTo(30.48, 9) as number }] },
    });
  });
  it('shows lengths as a person likes them', () => {
    const { columns, rows } = tableOf(site, 'segment');
    const length = columns.find(({ key }) => key === 'lengthM')!;
    expect([
      headingFor(length, { length: 'ft' }),
      cellFor(length, rows[0]!.cells['lengthM']!, { length: 'ft' }),
    ]).toEqual(['length ft', '111.55']);
    expect([headingFor(length, { length: 'm' }), cellFor(length, 34, { length: 'm' })]).toEqual([
      'length m',
      '34',
    ]);
    expect(cellFor(columns[0]!, 8, { length: 'ft' })).toBe(8);
  });
  it('sorts by a column, empty cells last either way', () => {
    const { rows } = tableOf(site, 'segment');
    const lengths = sortedRows(rows, 'lengthM', true).map(({ cells }) => cells['lengthM'] as number);
    expect(lengths).toEqual([...lengths].sort((a, b) => b - a));
    for (const isDown of [true, false])
      expect(sortedRows(rows, 'joint', isDown).at(0)!.cells['joint']).not.toBe('');
    expect(
      sortedRows(rows, 'headMark', true)
        .slice(-4)
        .map(({ cells }) => cells['headMark']),
    ).toEqual([null, null, null, null]);
  });
  it('leaves the rows that did not change the very same', () => {
    const { rows } = tableOf(site, 'camera');
    expect(steadyRows(rows, tableOf(structuredClone(site), 'camera').rows)).toBe(rows);
    const other = tableOf(
      { ...site, camera: { ...site.camera, c08: { ...site.camera['c08']!, name: 'Deck' } } },
      'camera',
    ).rows;
    const steady = steadyRows(rows, other);
    expect(steady.map((row, index) => row === rows[index])).toEqual(rows.map(({ id }) => id !== 'c08'));
    expect(steadyRows(rows, other.slice(1))).toHaveLength(24);
  });
  it('finds rows by all the words of a search', () => {
    const { rows } = tableOf(site, 'camera');
    expect(matching(rows, 'quay turning').length).toBeLessThan(matching(rows, 'quay').length);
    expect(matching(rows, 'WEIGH')).toHaveLength(1);
  });
});

describe('the scheme of an HD camera', () => {
  const set = (text: string, from: Site = site) => editCells(from, 'camera', ['c01'], 'scheme', text);
  it('is set by the word that the site has for it, and taken away again', () => {
    const about = { ...site.about['about']!, schemeWords: { b: 'Bluish' } };
    const named: Site = { ...site, about: { about } };
    const edit = set('Scheme B, Bluish', named);
    expect(edit.kind === 'changes' && edit.changes[0]).toMatchObject({ id: 'c01', set: { scheme: 'b' } });
    const noted: Site = { ...site, camera: { ...site.camera, c01: { ...site.camera['c01']!, scheme: 'b' } } };
    const cleared = set('not noted', noted);
    expect(cleared.kind === 'changes' && cleared.changes[0]).toEqual({
      kind: 'camera',
      id: 'c01',
      set: site.camera['c01'],
    });
    expect(set('Scheme Z').kind).toBe('refused');
  });
});
