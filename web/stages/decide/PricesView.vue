<script setup lang="ts">
import { computed, ref, shallowRef, useTemplateRef } from 'vue';
import {
  catalogueOf,
  distancesText,
  eachOf,
  isGeneric,
  isOwn,
  leadDaysOf,
  parseDistances,
  priceGaps,
  priceListColumns,
  priceListOf,
  readPriceList,
  supplyText,
} from '#core/model/catalogue';
import {
  aboutOf,
  freeId,
  freeName,
  removing,
  withFields,
  type Change,
  type Product,
  type ProductKind,
  type ProductOf,
} from '#core/model/site';
import { formatQuantity } from '#core/shared/units';
import QuantityField from '../../parts/QuantityField.vue';
import TextField from '../../parts/TextField.vue';
import { fitting } from '../../parts/within';
import { useSite } from '../../stores/site';
import { useOpenSite } from '../../stores/openSite';
import ProductFields from './ProductFields.vue';
import { hasFigures } from './productFigures';
import { downloadBlob, useTables } from '../../tables/useTables';
import { idMark } from '../../stores/idMark';

/** What everything costs and takes: generic rows with invented prices, each to be overridden, and the site's own rows. */
const store = useSite();
const openSite = useOpenSite();
const tables = useTables();
const find = ref('');
const problems = shallowRef<string[]>([]);
const done = ref('');
const file = useTemplateRef('file');

const kindWords: Record<ProductKind, string> = {
  camera: 'Cameras',
  converter: 'Ethernet-over-coax converters',
  'coax-unit': 'Head-end units',
  'poe-switch': 'PoE switches',
  'long-reach-switch': 'Long-reach switches',
  encoder: 'Encoders',
  recorder: 'Recorders',
  radio: 'Radios',
  'fibre-end': 'Fibre',
  part: 'Parts, cable and hire',
  task: 'Labour by task',
  rate: 'Labour',
  work: 'Tasks of the nights',
};
const groups = computed(() => {
  const wanted = find.value.trim().toLowerCase();
  const all = [...catalogueOf(openSite.value).products.values()].filter(
    ({ name, id }) => !wanted || `${name} ${id}`.toLowerCase().includes(wanted),
  );
  return (Object.keys(kindWords) as ProductKind[])
    .map((kind) => ({ kind, label: kindWords[kind], rows: all.filter((product) => product.kind === kind) }))
    .filter(({ rows }) => rows.length > 0);
});
const gaps = computed(() => priceGaps(openSite.value, [...catalogueOf(openSite.value).products.keys()]));

/** What a row is by its figures, in a line. */
function figures(product: Product): string {
  switch (product.kind) {
    case 'camera':
      return `${product.signal === 'hd' && product.supply ? `${supplyText(product.supply)}, ` : ''}${product.megapixels} MP, ${product.watts} W, lamps ${product.lampWatts} W, heater ${product.heaterWatts} W${product.signal === 'ip' ? `, ${product.mbps} Mb/s` : ''}`;
    case 'converter':
      return `takes ${product.ownWatts} W`;
    case 'coax-unit':
    case 'poe-switch':
      return `${product.ports} ports, ${product.watts} W, uplink ${product.uplinkMbps} Mb/s, ${product.rackUnits} U`;
    case 'long-reach-switch':
      return `${product.ports} ports, ${product.watts} W, ${product.reachM} m at ${product.reachMbps} Mb/s, ${product.rackUnits} U`;
    case 'encoder':
      return `${product.ports} inputs, uplink ${product.uplinkMbps} Mb/s, ${product.rackUnits} U, takes ${product.ownWatts} W`;
    case 'recorder':
      return `${product.inputs} inputs, up to ${product.limits.ipCameras} IP, ${product.limits.incomingMbps} Mb/s, ${product.rackUnits} U`;
    case 'radio':
      return `${product.eirpDbm} dBm out, ${product.gainDbi} dBi, ${product.ownWatts} W`;
    case 'fibre-end':
      return `${(product.fibre ?? 'os2').toUpperCase()}, ${product.budgetDb} dB budget, ${product.ownWatts} W`;
    case 'part':
      return { one: 'each', metre: 'a metre', 'half-day': 'half a day' }[product.per];
    case 'task':
      return product.per === 'metre' ? 'a metre' : 'each';
    case 'rate':
      return 'an hour';
    case 'work':
      return `${product.minutes} min, ${product.people === 1 ? 'one person' : `${product.people} people`}${product.rollBackMinutes > 0 ? `, back in ${product.rollBackMinutes} min` : ''}${product.days > 0 ? `, holds after ${product.days} d` : ''}`;
  }
}
const set = (what: string, product: Product) =>
  store.change(`${product.name}: ${what}`, [{ kind: 'product', id: product.id, set: product } as Change]);
const setPrice = (product: Exclude<Product, { kind: 'task' | 'work' }>, each: number | null) =>
  set('price', { ...product, each } as Product);
function setLead(product: Product, leadDays: number | undefined): void {
  set('lead time', withFields<object>(product, { leadDays }) as Product);
}
const setHours = (product: ProductOf<'task'>, fields: Partial<ProductOf<'task'>>) =>
  set('hours', { ...product, ...fields });
function setDistances(product: ProductOf<'converter'>, text: string): void {
  const { distances: _, ...rest } = product;
  const rows = parseDistances(text);
  const refused = set(
    'distance table',
    rows && rows.length > 0 ? { ...rest, from: 'data-sheet', distances: rows } : { ...rest, from: 'typical' },
  );
  problems.value = refused.map(({ path, allowed }) => `${path}: ${allowed}`);
}
const tableProblem = (text: string) => {
  const rows = parseDistances(text);
  return rows === null || rows.length === 1
    ? 'rows such as “100 m: 90 Mb/s, 28 W; 300 m: 60 Mb/s, 20 W”, two or more'
    : undefined;
};
const opened = ref('');
function copy(product: Product): void {
  const id = freeId((one) => catalogueOf(openSite.value).products.has(one), `own ${product.name}`, idMark);
  store.change(`Own row like ${product.name}`, [
    {
      kind: 'product',
      id,
      set: {
        ...product,
        id,
        name: freeName(
          [...catalogueOf(openSite.value).products.values()].map(({ name }) => name),
          `${product.name} of our own`,
        ),
        from: 'data-sheet',
      },
    } as Change,
  ]);
  opened.value = id;
}
const reset = (product: Product) =>
  store.change(`${product.name} as it came`, [removing('product', product.id)]);

async function exportCsv(): Promise<void> {
  downloadBlob(
    new Blob([await tables.rowsCsv([...priceListColumns], priceListOf(openSite.value))], {
      type: 'text/csv;charset=utf-8',
    }),
    `${store.id}-prices.csv`,
  );
}
async function importCsv(event: Event): Promise<void> {
  const [picked] = (event.target as HTMLInputElement).files ?? [];
  if (!picked) return;
  (event.target as HTMLInputElement).value = '';
  done.value = '';
  const read = await tables.read(new Uint8Array(await picked.arrayBuffer()));
  if (read.kind === 'refused') {
    problems.value = [read.why];
    return;
  }
  const rows = read.table.rows.map(({ cells }) =>
    Object.fromEntries(read.table.headings.map((heading, index) => [heading, String(cells[index] ?? '')])),
  );
  const { changes, problems: wrong, unchanged } = readPriceList(openSite.value, rows);
  if (wrong.length > 0) {
    problems.value = [
      `Nothing was taken; put ${wrong.length === 1 ? 'this' : 'these'} right in the file:`,
      ...wrong.slice(0, 12).map(({ path, value, allowed }) => `${path}: ${value}, allowed: ${allowed}`),
    ];
    return;
  }
  problems.value =
    changes.length > 0
      ? store
          .change(`Import ${changes.length} prices`, changes)
          .map(({ path, allowed }) => `${path}: ${allowed}`)
      : [];
  done.value = `${changes.length} row${changes.length === 1 ? '' : 's'} taken, ${unchanged} as they were.`;
}
const setCurrency = (currency: string) =>
  store.change('Currency', [
    { kind: 'about', id: 'about', set: { ...aboutOf(openSite.value), currency: currency.toUpperCase() } },
  ]);
</script>

<template>
  <div class="prices">
    <div class="row acts">
      <input
        v-model="find"
        class="find"
        type="search"
        placeholder="Find a row"
        aria-label="Find a row of the catalogue"
      />
      <label class="row currency"
        ><span class="dim tiny">Currency</span
        ><TextField
          :value="aboutOf(openSite).currency"
          label="Currency"
          :refuse="(text) => (/^[A-Za-z]{3}$/.test(text) ? undefined : 'three letters, such as EUR')"
          @take="setCurrency"
      /></label>
      <span class="dim tiny">Prices that ship are invented: put your own in their place.</span>
      <span class="push" />
      <button type="button" class="btn" @click="file?.click()">Import CSV</button
      ><button type="button" class="btn" @click="exportCsv">Export CSV</button>
      <input
        ref="file"
        type="file"
        accept=".csv,.tsv,.xlsx,text/csv"
        class="out-of-sight"
        aria-label="Price list to import"
        tabindex="-1"
        @change="importCsv"
      />
    </div>
    <div v-if="problems.length" class="stop" role="alert">
      <p v-for="problem in problems" :key="problem">{{ problem }}</p>
    </div>
    <p v-if="done" class="caution" role="status">{{ done }}</p>
    <p v-for="gap in gaps" :key="gap.productId" class="caution" data-gap>{{ gap.message }}</p>
    <div class="rows">
      <table aria-label="Catalogue and prices">
        <tbody v-for="group in groups" :key="group.kind">
          <tr>
            <th colspan="5">{{ group.label }}</th>
          </tr>
          <tr v-for="product in group.rows" :key="product.id" :data-product="product.id">
            <td>
              {{ product.name
              }}<span v-if="product.kind === 'converter'" class="table"
                ><TextField
                  :value="product.distances ? distancesText(product.distances) : ''"
                  :label="`Distance table of ${product.name}`"
                  :refuse="tableProblem"
                  placeholder="data sheet: 100 m: 90 Mb/s, 28 W; 300 m: …"
                  @take="(text) => setDistances(product, text)"
              /></span>
            </td>
            <td>
              <button
                v-if="hasFigures(product)"
                type="button"
                class="plain dim"
                :aria-expanded="opened === product.id"
                @click="opened = opened === product.id ? '' : product.id"
              >
                {{ figures(product) }} <u class="tiny">edit</u></button
              ><span v-else class="dim">{{ figures(product) }}</span
              ><ProductFields
                v-if="opened === product.id"
                :product="product"
                @set="(next) => set('figures', next)"
                @copy="copy(product)"
              />
            </td>
            <td class="field">
              <template v-if="product.kind === 'task'"
                ><QuantityField
                  :value="product.hours"
                  unit="h"
                  :digits="2"
                  :label="`Hours: ${product.name}`"
                  :allowed="fitting('product', 'hours', 'h')"
                  @take="(hours) => setHours(product, { hours })"
              /></template>
              <QuantityField
                v-else-if="product.kind !== 'work'"
                :value="eachOf(product)"
                unit="money"
                :digits="2"
                :label="`Price: ${product.name}`"
                :allowed="fitting('product', 'each')"
                clearable
                placeholder="no price"
                @take="(each) => setPrice(product, each)"
                @clear="setPrice(product, null)"
              />
            </td>
            <td class="field">
              <QuantityField
                v-if="product.kind === 'task'"
                :value="product.darkHours"
                unit="h"
                :digits="2"
                :label="`Dark hours: ${product.name}`"
                :allowed="fitting('product', 'darkHours', 'h')"
                @take="(darkHours) => setHours(product, { darkHours })"
              />
              <QuantityField
                v-else-if="product.kind !== 'rate' && product.kind !== 'work'"
                :value="leadDaysOf(product) || null"
                unit="d"
                :digits="0"
                :label="`Lead time: ${product.name}`"
                :allowed="fitting('product', 'leadDays', 'd')"
                clearable
                placeholder="on the shelf"
                @take="(days) => setLead(product, days || undefined)"
                @clear="setLead(product, undefined)"
              />
            </td>
            <td class="dim tiny">
              {{ product.from === 'data-sheet' ? 'data sheet' : 'typical' }}
              <button
                v-if="isOwn(openSite, product.id)"
                type="button"
                class="btn small"
                @click="reset(product)"
              >
                {{ isGeneric(product.id) ? 'Reset to default' : 'Remove' }}
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="tiny dim">
      What is bought: its price, and the days from the order until it is there. Tasks: hours of one person,
      and of them those in which the view is dark. Labour costs
      {{ formatQuantity(catalogueOf(openSite).labourPerHour ?? 0, 'money') }} an hour,
      {{ formatQuantity(catalogueOf(openSite).nightLabourPerHour ?? 0, 'money') }} by night.
    </p>
  </div>
</template>

<style scoped>
.prices {
  display: flex;
  flex-direction: column;
  gap: 6px;
  min-height: 0;
}
.acts {
  align-items: center;
  flex-wrap: wrap;
}
.find {
  border: 1px solid var(--rule-strong);
  border-radius: 4px;
  background: var(--sheet);
  color: var(--ink);
  padding: 4px 8px;
  font: inherit;
  width: 180px;
}
.currency {
  align-items: center;
  gap: 6px;
  width: 120px;
}
.rows {
  flex: 1;
  min-height: 0;
  overflow: auto;
  scrollbar-width: thin;
}
table {
  border-collapse: collapse;
  width: 100%;
}
th {
  text-align: left;
  font-weight: 600;
  font-size: 12px;
  padding: 8px 6px 2px;
  border-bottom: 1px solid var(--rule-strong);
}
td {
  padding: 1px 6px;
  border-bottom: 1px solid var(--rule);
  font-size: 12px;
}
.field {
  width: 108px;
}
.table {
  display: block;
  max-width: 420px;
  padding: 2px 0;
}
</style>
