import { check, type Problem } from '#core/shared/problems';
import {
  productKinds,
  productSchema,
  type Change,
  type Product,
  type ProductKind,
  type Site,
} from '#core/model/site';
import { catalogueOf } from './catalogue';

/** A price list as a spreadsheet holds it: one row a product; what only some kinds have stands in columns of its own. */
export const priceListColumns = [
  'id',
  'kind',
  'name',
  'each',
  'per',
  'hours',
  'dark hours',
  'lead days',
  'minutes',
  'people',
  'roll-back minutes',
  'days',
  'ports',
  'watts',
  'watts a port',
  'uplink Mb/s',
  'rack units',
  'megapixels',
  'lamp watts',
  'heater watts',
  'start-up watts',
  'Mb/s',
  'widest degrees',
  'own watts',
  'reach',
  'reach Mb/s',
  'serves',
  'signal',
  'format',
  'supply',
  'distances',
  'from',
  'note',
] as const;
export type PriceListColumn = (typeof priceListColumns)[number];
export type PriceListRow = Record<PriceListColumn, string>;

const empty = Object.fromEntries(priceListColumns.map((column) => [column, ''])) as PriceListRow;
const text = (value: unknown): string => (value === null || value === undefined ? '' : String(value));

/** `100 m: 90 Mb/s, 28 W` by row, parted by semicolons: a table that is still readable in one cell. */
export const distancesText = (rows: readonly { lengthM: number; mbps: number; watts: number }[]): string =>
  rows.map(({ lengthM, mbps, watts }) => `${lengthM} m: ${mbps} Mb/s, ${watts} W`).join('; ');

/** Reads what `distancesText` writes; the units may be left out. `null` where a row is not three figures. */
export function parseDistances(cell: string): { lengthM: number; mbps: number; watts: number }[] | null {
  const rows = cell
    .split(/[;\n]/)
    .map((row) => row.trim())
    .filter(Boolean)
    .map((row) => /^([\d.]+)\s*m?\s*[:,\s]\s*([\d.]+)\s*(?:Mb\/s)?\s*[,\s]\s*([\d.]+)\s*W?$/i.exec(row));
  if (rows.some((row) => row === null)) return null;
  return rows.map((row) => ({ lengthM: Number(row![1]), mbps: Number(row![2]), watts: Number(row![3]) }));
}

type CameraSupply = NonNullable<Extract<Product, { kind: 'camera' }>['supply']>;

/** `DC 10.8 to 13.2 V`, in one cell. */
export const supplyText = ({ current, minVolts, maxVolts }: CameraSupply): string =>
  `${current === 'either' ? 'AC or DC' : current.toUpperCase()} ${minVolts} to ${maxVolts} V`;

/** Reads what `supplyText` writes; `null` where it is not a kind and two voltages. */
export function parseSupply(cell: string): CameraSupply | null {
  const told = /^(ac or dc|dc or ac|either|ac|dc)\s*([\d.]+)\s*(?:to|-|–)\s*([\d.]+)\s*v?$/i.exec(
    cell.trim(),
  );
  if (!told) return null;
  const kind = told[1]!.toLowerCase();
  const current = kind === 'ac' || kind === 'dc' ? kind : 'either';
  return { current, minVolts: Number(told[2]), maxVolts: Number(told[3]) };
}

/** Which field of a product a column shows. */
const fields: Partial<Record<PriceListColumn, string>> = {
  id: 'id',
  kind: 'kind',
  name: 'name',
  each: 'each',
  per: 'per',
  hours: 'hours',
  'dark hours': 'darkHours',
  'lead days': 'leadDays',
  minutes: 'minutes',
  people: 'people',
  'roll-back minutes': 'rollBackMinutes',
  days: 'days',
  ports: 'ports',
  watts: 'watts',
  'watts a port': 'portWatts',
  'uplink Mb/s': 'uplinkMbps',
  'rack units': 'rackUnits',
  megapixels: 'megapixels',
  'lamp watts': 'lampWatts',
  'heater watts': 'heaterWatts',
  'start-up watts': 'startUpWatts',
  'Mb/s': 'mbps',
  'widest degrees': 'widestDegrees',
  'own watts': 'ownWatts',
  reach: 'reachM',
  'reach Mb/s': 'reachMbps',
  serves: 'serves',
  signal: 'signal',
  format: 'format',
  from: 'from',
  note: 'note',
};
const words = new Set<PriceListColumn>([
  'id',
  'kind',
  'name',
  'per',
  'serves',
  'signal',
  'format',
  'from',
  'note',
]);

function rowOf(product: Product): PriceListRow {
  const held = product as unknown as Record<string, unknown>;
  const row = { ...empty };
  for (const [column, field] of Object.entries(fields) as [PriceListColumn, string][])
    row[column] = text(held[field]);
  if (product.kind === 'converter' && product.distances) row.distances = distancesText(product.distances);
  if (product.kind === 'camera' && product.supply) row.supply = supplyText(product.supply);
  return row;
}

/** The whole catalogue of a site as rows. */
export const priceListOf = (site: Pick<Site, 'product'>): PriceListRow[] =>
  [...catalogueOf(site).products.values()].map(rowOf);

export interface PriceListRead {
  changes: Change[];
  problems: Problem[];
  unchanged: number;
}

function draftOf(
  row: Partial<PriceListRow>,
  known: Product | undefined,
): { draft: Record<string, unknown>; wrong?: string } {
  const draft: Record<string, unknown> = known ? { ...known } : { from: 'data-sheet' };
  for (const [column, field] of Object.entries(fields) as [PriceListColumn, string][]) {
    const cell = row[column]?.trim();
    if (cell === undefined || (cell === '' && column !== 'each')) continue;
    if (cell === '') {
      if (known && 'each' in known) draft[field] = null;
      continue;
    }
    if (words.has(column)) draft[field] = cell;
    else {
      const value = Number(cell.replace(/[\s\u202f]/g, '').replace(/^(\d+),(\d{1,2})$/, '$1.$2'));
      if (!Number.isFinite(value)) return { draft, wrong: column };
      draft[field] = value;
    }
  }
  const cell = row.distances?.trim();
  if (cell) {
    const distances = parseDistances(cell);
    if (!distances) return { draft, wrong: 'distances' };
    draft['distances'] = distances;
  }
  const supplyCell = row.supply?.trim();
  if (supplyCell) {
    const supply = parseSupply(supplyCell);
    if (!supply) return { draft, wrong: 'supply' };
    draft['supply'] = supply;
  }
  return { draft };
}

/**
 * Reads rows of a price list. A row whose id the catalogue has changes what it says and leaves the rest; any other is a
 * product of the site's own. Rows that say nothing new change nothing.
 */
export function readPriceList(
  site: Pick<Site, 'product'>,
  rows: readonly Partial<PriceListRow>[],
): PriceListRead {
  const { products } = catalogueOf(site);
  const read: PriceListRead = { changes: [], problems: [], unchanged: 0 };
  rows.forEach((row, index) => {
    const id = row.id?.trim() ?? '';
    const known = products.get(id);
    const { draft, wrong } = draftOf(row, known);
    const path = `row ${index + 2}`;
    if (wrong)
      return void read.problems.push({
        path,
        value: JSON.stringify(row[wrong as PriceListColumn]),
        allowed:
          wrong === 'distances'
            ? 'rows such as “100 m: 90 Mb/s, 28 W”, parted by semicolons'
            : wrong === 'supply'
              ? 'a kind and two voltages, such as “DC 10.8 to 13.2 V”'
              : `a figure under “${wrong}”`,
      });
    if (!productKinds.includes(draft['kind'] as ProductKind))
      return void read.problems.push({
        path,
        value: JSON.stringify(draft['kind'] ?? ''),
        allowed: `a kind: ${productKinds.join(', ')}`,
      });
    const checked = check(productSchema, draft);
    if (checked.kind === 'refused')
      return void read.problems.push(
        ...checked.problems.map((problem) => ({ ...problem, path: `${path}, ${problem.path}` })),
      );
    if (known && JSON.stringify(sorted(checked.value)) === JSON.stringify(sorted(known))) read.unchanged += 1;
    else read.changes.push({ kind: 'product', id: checked.value.id, set: checked.value });
  });
  return read;
}

const sorted = (product: Product): [string, unknown][] =>
  Object.entries(product).sort(([a], [b]) => (a < b ? -1 : 1));
