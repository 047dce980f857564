import {
  editBlock,
  headingLineFor,
  matchColumns,
  pasteInto,
  previewImport,
  rowsOf,
  tableOf,
  withHeadingsAt,
  wordsOfBlock,
} from '#core/survey/lists';
import type { Site } from '#core/model/site';
import { readTable } from '../web/tables/readTable';
import { timed, type Row } from './measure';

/** A camera list as somebody kept it: titles, floors between, totals, units in cells, half of it new. */
function messyCsv(count: number): Uint8Array {
  const rows = Array.from({ length: count }, (_, k) =>
    [
      ...(k % 50 === 0 ? [`Floor ${k / 50};;;;`] : []),
      `CAM-${String(k + 1).padStart(4, '0')};Lanes;View ${k};${(k % 9) + 1},5 W;Dome`,
    ].join('\r\n'),
  );
  const head = ['sep=;', 'Saltmarrow Ferry Terminal;;;;', '', 'Cam No;Location;View;W (night);Body'];
  return new TextEncoder().encode([...head, ...rows, 'Total;;;99,5;'].join('\r\n'));
}

/** Sheets as surveyors have them, and what is pasted from one. */
export async function tables(site: Site): Promise<Row[]> {
  const start = performance.now();
  const read = await readTable(messyCsv(1000));
  if (read.kind === 'refused') throw new Error(read.why);
  const lines = rowsOf(read.table);
  const table = withHeadingsAt(lines, headingLineFor('camera', lines));
  const matches = matchColumns('camera', table.headings);
  const first = previewImport(site, 'camera', table, matches);
  const leftOut = first.rows.flatMap(({ kind, line }) => (kind === 'refused' ? [line] : []));
  const { counts } = previewImport(site, 'camera', table, matches, 'x', { leftOut });
  if (counts.changed !== 1000 || counts.refused > 0) throw new Error(JSON.stringify(counts));
  const preview = performance.now() - start;
  const list = tableOf(site, 'camera');
  const columns = list.columns.filter(({ editable, isKey }) => editable && !isKey).slice(0, 10);
  const block = { rows: list.rows.slice(0, 1000), columns };
  const words = wordsOfBlock(block, { length: 'm' }).map((row) => [`${row[0]} x`, ...row.slice(1)]);
  const paste = timed(3, () => {
    const edit = editBlock(site, 'camera', pasteInto({ rows: list.rows, columns }, block, words));
    if (edit.kind === 'refused') throw new Error(edit.why);
  });
  return [
    {
      figure: 'a messy sheet of 1000 rows, previewed twice: as it comes, and without its floors and totals',
      measured: `${preview.toFixed(0)} ms`,
      wanted: 'under 2 s',
      holds: preview < 2000,
    },
    {
      figure: 'a paste of 1000 by 10 cells, made one edit',
      measured: `${paste.toFixed(0)} ms`,
      wanted: 'under 1 s',
      holds: paste < 1000,
    },
  ];
}
