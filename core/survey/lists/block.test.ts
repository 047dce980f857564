import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyChanges } from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';
import { editBlock, fillDown, hasHeadings, pasteInto, tableOf, wordsOfBlock, type Block } from '.';

const site = saltmarrowSite();
const metres = { length: 'm' } as const;
const feet = { length: 'ft' } as const;
const table = tableOf(site, 'run');
const all: Block = table;
const block = (top: number, high: number, left: number, wide: number): Block => ({
  rows: all.rows.slice(top, top + high),
  columns: all.columns.slice(left, left + wide),
});

describe('pasteInto', () => {
  it('lays what was pasted from the first cell on, beyond the block in hand', () => {
    const cells = pasteInto(all, block(1, 1, 0, 1), [
      ['a', 'b'],
      ['c', 'd'],
    ]);
    expect(cells).toEqual([
      { rowId: all.rows[1]!.id, key: all.columns[0]!.key, typed: 'a' },
      { rowId: all.rows[1]!.id, key: all.columns[1]!.key, typed: 'b' },
      { rowId: all.rows[2]!.id, key: all.columns[0]!.key, typed: 'c' },
      { rowId: all.rows[2]!.id, key: all.columns[1]!.key, typed: 'd' },
    ]);
  });
  it('fills a larger block with it in whole turns, and one cell fills all', () => {
    expect(pasteInto(all, block(0, 3, 2, 2), [['x']]).map(({ typed }) => typed)).toEqual(Array(6).fill('x'));
    expect(pasteInto(all, block(0, 4, 2, 1), [['x'], ['y']]).map(({ typed }) => typed)).toEqual([
      'x',
      'y',
      'x',
      'y',
    ]);
    expect(pasteInto(all, block(0, 3, 2, 1), [['x'], ['y']])).toHaveLength(2);
  });
  it('cuts off what hangs over the edge, and takes lines that are short and cells that are empty', () => {
    const last = all.rows.length - 1;
    expect(pasteInto(all, block(last, 1, 0, 1), [['x'], ['y']])).toHaveLength(1);
    expect(pasteInto(all, block(0, 1, 0, 1), [['x', 'y'], ['z']])).toHaveLength(3);
    expect(pasteInto(all, block(0, 1, 0, 1), [['x', ' ']])).toHaveLength(1);
    expect(pasteInto(all, block(0, 1, 0, 1), [])).toEqual([]);
  });
});

describe('a block that is copied and pasted where it was', () => {
  it('changes nothing, in metres and in feet, wherever it lies', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('place', 'camera', 'run', 'segment'),
        fc.nat(),
        fc.nat(),
        fc.constantFrom(metres, feet),
        (id, top, left, measures) => {
          const list = tableOf(site, id);
          const columns = list.columns.filter(({ editable }) => editable);
          const rows = list.rows.slice(top % list.rows.length).slice(0, 4);
          const part = { rows, columns: columns.slice(left % columns.length).slice(0, 5) };
          const words = wordsOfBlock(part, measures);
          const cells = pasteInto({ rows: list.rows, columns }, part, words);
          const edit = editBlock(site, id, cells, measures.length);
          if (edit.kind === 'refused') throw new Error(edit.why);
          for (const change of edit.changes) {
            if (!('set' in change)) throw new Error('a paste that takes away');
            const before = JSON.stringify(site[change.kind][change.id]);
            // Feet to two digits come back within a millimetre and a half.
            if (measures === metres) expect(JSON.stringify(change.set)).toBe(before);
          }
          expect(applyChanges(site, edit.changes).kind).toBe('sound');
        },
      ),
      { numRuns: 150 },
    );
  });
});

describe('fillDown', () => {
  it('puts the first row into all below, in one edit', () => {
    const cameras = tableOf(site, 'camera');
    const lamps = cameras.columns.findIndex(({ key }) => key === 'lamps');
    const part = { rows: cameras.rows.slice(0, 3), columns: cameras.columns.slice(lamps, lamps + 1) };
    const edit = editBlock(site, 'camera', fillDown(part, metres));
    if (edit.kind === 'refused') throw new Error(edit.why);
    const applied = applyChanges(site, edit.changes);
    if (applied.kind === 'refused') throw new Error('refused');
    const said = new Set(part.rows.map(({ id }) => applied.value.site.camera[id]!.lamps));
    expect([...said]).toEqual([site.camera[part.rows[0]!.id]!.lamps]);
  });
});

describe('editBlock', () => {
  it('is all or nothing, and says which cell does not fit', () => {
    const edit = editBlock(site, 'camera', [
      { rowId: 'c01', key: 'name', typed: 'Hall north' },
      { rowId: 'c02', key: 'lamps', typed: 'candles' },
    ]);
    expect(edit).toMatchObject({ kind: 'refused', why: expect.stringContaining('candles') as string });
  });
  it('passes over rows that are gone, and names what it changes', () => {
    const edit = editBlock(site, 'camera', [
      { rowId: 'gone', key: 'name', typed: 'x' },
      { rowId: 'c01', key: 'name', typed: 'Hall north' },
    ]);
    expect(edit).toMatchObject({ kind: 'changes', label: 'view of 1 Hall north desk' });
  });
  it('two segments of one run are one change of it', () => {
    const edit = editBlock(site, 'segment', [
      { rowId: 'r12/0', key: 'temperatureC', typed: '31' },
      { rowId: 'r12/1', key: 'temperatureC', typed: '32' },
    ]);
    expect(edit.kind === 'changes' && edit.changes).toHaveLength(1);
  });
});

it('a pasted table with headings is told from one without', () => {
  expect(
    hasHeadings('camera', [
      ['Cam No', 'View', 'Lamps'],
      ['1', 'x', 'none'],
    ]),
  ).toBe(true);
  expect(hasHeadings('camera', [['1', 'Hall north desk', 'None']])).toBe(false);
  expect(hasHeadings('camera', [['Lamps']])).toBe(false);
});
