import Papa from 'papaparse';
import { tablesOf, type Paper } from './paper';

/** The tables of a paper one under the other, each under its name. The byte order mark tells spreadsheets that it is UTF-8. */
export const paperCsv = (paper: Paper): string =>
  `\ufeff${tablesOf(paper)
    .map(({ name, headings, rows }) => `${name}\r\n${Papa.unparse({ fields: headings, data: rows })}`)
    .join('\r\n\r\n')}\r\n`;
