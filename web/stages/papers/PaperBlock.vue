<script setup lang="ts">
import { cellText, moneyText, withPicture, type Block, type PaperStyle } from '#core/documents';
import { quantityFor } from '#core/shared/units';
import { pictureAddress } from '../../stores/api';
import SignatureDrawing from '../../parts/SignatureDrawing.vue';

/** A piece of a paper on the screen, as it is on the page. */
const { block, currency, style } = defineProps<{ block: Block; currency: string; style: PaperStyle }>();
const svgAddress = (svg: string): string => `data:image/svg+xml,${encodeURIComponent(svg)}`;
const figure = (value: number, unit: Extract<Block, { kind: 'figures' }>['items'][number]['unit']): string =>
  unit === 'money' ? moneyText(value, currency, style) : quantityFor(value, unit, style.measures);
</script>

<template>
  <h2 v-if="block.kind === 'heading'" :class="{ chapter: block.level === 1 }">{{ block.text }}</h2>
  <p v-else-if="block.kind === 'text'" :class="{ dim: block.tone === 'quiet' }">{{ block.text }}</p>
  <ul v-else-if="block.kind === 'list'">
    <li v-for="item in block.items" :key="item">{{ item }}</li>
  </ul>
  <ul v-else-if="block.kind === 'caution'" class="caution">
    <li v-for="item in block.items" :key="item">{{ item }}</li>
  </ul>
  <p v-else-if="block.kind === 'figures'" class="figures">
    <span v-for="item in block.items" :key="item.label"
      ><b class="mono">{{ figure(item.value, item.unit) }}</b
      >{{ item.label }}</span
    >
  </p>
  <table v-else-if="block.kind === 'table'" :aria-label="block.name">
    <thead>
      <tr>
        <th v-for="column in block.columns" :key="column.label" :class="{ num: column.unit !== undefined }">
          {{ column.label }}
        </th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="(row, index) in block.rows" :key="index">
        <td
          v-for="(cell, at) in row"
          :key="at"
          :class="{ num: block.columns[at]!.unit !== undefined, mono: block.columns[at]!.unit !== undefined }"
        >
          {{ cellText(cell, block.columns[at]!, currency, style) }}
        </td>
      </tr>
      <tr v-if="block.sum" class="sum">
        <td
          v-for="(cell, at) in block.sum"
          :key="at"
          :class="{ num: block.columns[at]!.unit !== undefined, mono: block.columns[at]!.unit !== undefined }"
        >
          {{ cellText(cell, block.columns[at]!, currency, style) }}
        </td>
      </tr>
    </tbody>
  </table>
  <figure v-else-if="block.kind === 'drawing'">
    <figcaption v-if="block.caption" class="dim tiny">{{ block.caption }}</figcaption>
    <div v-if="block.on" class="plan">
      <img :src="pictureAddress(block.on.fileId)" alt="" :style="{ height: `${100 * block.on.share}%` }" />
      <img :src="svgAddress(withPicture(block.svg, block.on.fileId, undefined))" :alt="block.caption" />
    </div>
    <img v-else :src="svgAddress(block.svg)" :alt="block.caption" />
  </figure>
  <figure v-else-if="block.kind === 'picture'">
    <img class="photo" :src="pictureAddress(block.fileId)" :alt="block.caption" loading="lazy" />
    <figcaption class="dim tiny">{{ block.caption }}</figcaption>
  </figure>
  <ul v-else-if="block.kind === 'checks'" class="checks">
    <li v-for="item in block.items" :key="item">{{ item }}</li>
  </ul>
  <ul v-else-if="block.kind === 'labels'" class="labels">
    <li v-for="(item, index) in block.items" :key="index">
      <b>{{ item.title }}</b>
      <span v-for="line in item.lines" :key="line">{{ line }}</span>
    </li>
  </ul>
  <div v-else-if="block.kind === 'signatures'" class="signatures">
    <p v-for="item in block.items" :key="item.role + item.name + item.on">
      <SignatureDrawing v-if="item.strokes" :strokes="item.strokes" :of="item.name" />
      <b>{{ item.name || '…' }}</b>
      <span class="dim">{{ [item.role, item.on].filter(Boolean).join(', ') }}</span>
    </p>
  </div>
</template>

<style scoped>
h2 {
  padding-top: 10px;
  font-size: 13px;
}
h2.chapter {
  padding-top: 22px;
  font-size: 18px;
}
.figures {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 30px;
}
.figures span {
  display: grid;
  color: var(--ink-2);
  font-size: 11px;
}
.figures b {
  color: var(--ink);
  font-size: 17px;
  font-weight: 500;
}
table {
  width: 100%;
  border-collapse: collapse;
}
th {
  padding: 2px 6px;
  color: var(--ink-2);
  font-size: 11px;
  font-weight: 500;
  text-align: left;
  vertical-align: bottom;
}
td {
  padding: 2px 6px;
  border-top: 1px solid var(--rule);
  font-size: 12px;
  vertical-align: top;
}
.num {
  text-align: right;
  white-space: nowrap;
}
.sum td {
  border-top: 2px solid var(--ink);
  font-weight: 600;
}
figure {
  margin: 0;
}
img {
  max-width: 620px;
  width: 100%;
  background: #fdfcf8;
}
.plan {
  position: relative;
  max-width: 620px;
  background: #fdfcf8;
}
.plan img {
  display: block;
  position: relative;
  background: none;
}
.plan img:first-child {
  position: absolute;
}
.photo {
  max-width: 300px;
}
.checks {
  list-style: '☐  ';
}
.labels {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 6px;
  padding: 0;
  list-style: none;
}
.labels li {
  display: grid;
  align-content: start;
  padding: 5px 7px;
  border: 1px dashed var(--rule-strong);
  font-size: 11px;
}
.signatures {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(240px, 1fr));
}
</style>
