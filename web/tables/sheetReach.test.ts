import { expect, it } from 'vitest';
import { columnNumber, reachOf } from './sheetReach';

it.each([
  ['A', 1],
  ['Z', 26],
  ['AA', 27],
  ['XFD', 16_384],
])('column %s is the %dth', (letters, number) => expect(columnNumber(letters)).toBe(number));

it.each([
  ['<row r="3"><c r="B3"/></row>', { row: 3, column: 2 }],
  ['<row r="1"/><row r="7"><c s="1" r="AB7" t="s"/></row>', { row: 7, column: 28 }],
  ['<sheetData/>', { row: 0, column: 0 }],
])('%s reaches to %j', (xml, reach) => expect(reachOf(xml)).toEqual(reach));
