import { describe, expect, it } from 'vitest';
import type { Site } from '#core/model/site';
import { saltmarrowSite } from '../../model/site/testSite';
import { editCells, matchColumns, previewImport, removeRows, tableOf, type ForeignTable } from '.';

const demo = saltmarrowSite();
const hall = demo.recorder['hall-recorder']!;
const site: Site = {
  ...demo,
  recorder: { ...demo.recorder, [hall.id]: { ...hall, network: { address: '10.20.0.5', prefixBits: 24 } } },
  networkConfig: {
    c18: { id: 'c18', address: '10.20.0.118' },
    c20: { id: 'c20', hardwareAddress: '02:00:5e:10:00:14' },
  },
};
const set = (row: string, key: string, text: string) => editCells(site, 'address', [row], key, text);
const refusal = (row: string, key: string, text: string): string => {
  const edit = set(row, key, text);
  return edit.kind === 'refused' ? edit.why : '';
};
const table = (...rows: string[][]): ForeignTable => ({
  headings: ['Device', 'IP address', 'MAC'],
  rows: rows.map((cells, index) => ({ line: index + 2, cells })),
});

describe('the list of addresses', () => {
  it('has recorders, gear that answers and cameras that go on the network, with names for them', () => {
    const { rows } = tableOf(site, 'address');
    expect(rows.map(({ cells }) => [cells['device'], cells['host']])).toEqual([
      ['Hall recorder', 'hall-recorder'],
      ['Marshalling recorder', 'marshalling-recorder'],
      ['Office switch', 'office-switch'],
      ...['01', '02', '18', '20', '25'].map((number) => [`camera ${Number(number)}`, `cam-${number}`]),
    ]);
  });
  it.each([
    ['one that is taken', '10.20.0.118', /taken by camera 18/],
    ['the gateway or another recorder', '10.20.0.5', /taken by Hall recorder/],
    ['one outside every network', '10.9.0.7', /in no camera network of this site: 10\.20\.0\.5\/24/],
    ['what is none', '10.20.0', /no address such as/],
  ])('refuses %s, in words', (_, address, words) =>
    expect(refusal('camera/c20', 'address', address)).toMatch(words),
  );
  it('takes a hardware address as it is printed', () => {
    const edit = set('camera/c18', 'hardwareAddress', '02-00-5E-10-00-15');
    expect(edit.kind === 'changes' && edit.changes).toEqual([
      {
        kind: 'networkConfig',
        id: 'c18',
        set: { id: 'c18', address: '10.20.0.118', hardwareAddress: '02:00:5e:10:00:15' },
      },
    ]);
    expect(refusal('equipment/office-switch', 'hardwareAddress', '02-00-5E-10-00-15')).toMatch(/of cameras/);
  });
  it('comes in as a table: what fits is applied together, and one row that does not holds all back', () => {
    const of = (...rows: string[][]) => {
      const foreign = table(...rows);
      return previewImport(site, 'address', foreign, matchColumns('address', foreign.headings));
    };
    const good = of(['camera 20', '10.20.0.120', ''], ['Office switch', '10.20.0.2', '']);
    expect([good.counts.changed, good.counts.refused, good.changes.length]).toEqual([2, 0, 2]);
    const twice = of(['camera 20', '10.20.0.121', ''], ['Office switch', '10.20.0.121', '']);
    expect(twice.counts.refused).toBe(1);
    const unknown = of(['camera 99', '10.20.0.99', '']);
    expect(unknown.rows[0]).toMatchObject({ kind: 'refused' });
  });
  it('loses an address, but a recorder keeps that of its network', () => {
    const removal = removeRows(site, 'address', ['camera/c18', 'recorder/hall-recorder']);
    expect(removal).toEqual({
      kind: 'changes',
      changes: [{ kind: 'networkConfig', id: 'c18', set: { id: 'c18' } }],
    });
  });
});
