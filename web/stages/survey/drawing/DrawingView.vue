<script setup lang="ts">
import { computed, defineAsyncComponent, nextTick, ref, shallowRef, useTemplateRef, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import {
  addDrawing,
  addPlaceAt,
  addRoute,
  changeRoute,
  distancePx,
  leastScalePx,
  metresPerPixel,
  movePin,
  paperScale,
  pinDown,
  turnPin,
} from '#core/survey/drawing';
import {
  freeName,
  removing,
  thingName,
  type Change,
  type Pin,
  type Place,
  type Route,
  type Spot,
} from '#core/model/site';
import { choices } from '#core/model/labels';
import { useKeys } from '../../../keys/keys';
import { api } from '../../../stores/api';
import { useMeasures } from '../../../stores/measures';
import { useOpenSite } from '../../../stores/openSite';
import { useSite } from '../../../stores/site';
import DrawingPanel from './DrawingPanel.vue';
import PinPanel from './PinPanel.vue';
import { isPdf } from './pdfFile';
import PlanCanvas from './PlanCanvas.vue';
import RoutePanel from './RoutePanel.vue';
import ScalePanel from './ScalePanel.vue';
import type { InHand, Tool } from './tools';
import { idMark } from '../../../stores/idMark';

/** Floor plans to scale: where things stand, what cameras see, and the ways cables take, which tell their lengths. */
const emit = defineEmits<{ open: [runId: string] }>();
const PaperDialog = defineAsyncComponent(() => import('./PaperDialog.vue'));
const PdfPageDialog = defineAsyncComponent(() => import('./PdfPageDialog.vue'));
const store = useSite();
const openSite = useOpenSite();
const own = useMeasures();
const route = useRoute();
const router = useRouter();
const canvas = useTemplateRef('canvas');
const file = useTemplateRef('file');

const site = computed(() => openSite.value);
const drawings = computed(() =>
  Object.values(site.value.drawing).sort((a, b) => a.name.localeCompare(b.name, 'en', { numeric: true })),
);
const drawing = computed(
  () => drawings.value.find(({ id }) => id === route.query['drawing']) ?? drawings.value[0] ?? null,
);
const tool = shallowRef<Tool>({ kind: 'pick' });
const inHand = shallowRef<InHand>(null);
const problem = ref('');
const remark = ref('');
const waiting = ref(false);

const pin = computed(() => (inHand.value?.kind === 'pin' ? (site.value.pin[inHand.value.id] ?? null) : null));
const routeInHand = computed(() =>
  inHand.value?.kind === 'route' ? (site.value.route[inHand.value.id] ?? null) : null,
);
watch(
  () => drawing.value?.id,
  () => {
    inHand.value = null;
    tool.value = { kind: 'pick' };
  },
);

function change(label: string, changes: Change[]): boolean {
  problem.value = store
    .change(label, changes)
    .map(({ allowed }) => allowed)
    .join('; ');
  return problem.value === '';
}
const show = (id: string) => router.replace({ ...route, query: { ...route.query, drawing: id } });

const onPaperNow = ref(false);
const paged = shallowRef<File | null>(null);
async function chosen(): Promise<void> {
  const picked = file.value?.files?.[0];
  if (!picked || !file.value) return;
  const isPaged = await isPdf(picked);
  if (isPaged) paged.value = picked;
  else await take(picked, picked.name);
  file.value.value = '';
}
async function takePage(picture: Blob, paperWidthMm: number, ratio: number | null): Promise<void> {
  const { name } = paged.value!;
  paged.value = null;
  await take(picture, name, ratio === null ? null : { paperWidthMm, ratio });
}
async function take(
  picture: Blob,
  fileName: string,
  paper: { paperWidthMm: number; ratio: number } | null = null,
): Promise<void> {
  [problem.value, remark.value, waiting.value] = ['', '', true];
  const answer = await api.keepPicture('drawing', picture);
  waiting.value = false;
  if (answer.kind !== 'answer') {
    problem.value =
      answer.kind === 'silence' ? 'The server does not answer. Nothing was kept.' : answer.refusal.detail;
    return;
  }
  const { remarks, ...kept } = answer.value;
  remark.value = remarks.join(' ');
  const name = freeName(
    drawings.value.map((one) => one.name),
    fileName.replace(/\.[^.]+$/, '').slice(0, 60) || 'Drawing',
  );
  const scale = paper && paperScale(kept, paper.paperWidthMm, paper.ratio);
  const added = addDrawing(site.value, name, { ...kept, ...(scale ? { scale } : {}) }, idMark);
  if (!change(`Add the drawing ${name}`, [added])) return;
  await show(added.id);
  await nextTick();
  if (!scale) begin({ kind: 'scale', a: null, b: null });
}

function begin(next: Tool): void {
  problem.value = '';
  inHand.value = null;
  tool.value = next;
  canvas.value?.focus();
}
const putDown = () => {
  tool.value = { kind: 'pick' };
};

function putAt(of: Pin['of'], at: Spot): void {
  const set = pinDown(site.value, drawing.value!.id, of, at, idMark);
  if (!change(`Put ${thingName(site.value, of)} on the drawing`, [set])) return;
  inHand.value = { kind: 'pin', id: set.id };
  putDown();
}
function putPlaceAt(role: Place['role'], at: Spot): void {
  const name = freeName(
    Object.values(site.value.place).map((place) => place.name),
    roleWords(role),
  );
  const { changes, pinId } = addPlaceAt(site.value, drawing.value!.id, name, role, at, idMark);
  if (!change(`Note ${name}`, changes)) return;
  inHand.value = { kind: 'pin', id: pinId };
  putDown();
}
function spot(at: Spot): void {
  const now = tool.value;
  switch (now.kind) {
    case 'put':
      return putAt(now.of, at);
    case 'put-place':
      return putPlaceAt(now.role, at);
    case 'route': {
      const last = now.points.at(-1);
      // The second click of a double click is no bend.
      if (!last || distancePx(last, at) > 0.5) tool.value = { kind: 'route', points: [...now.points, at] };
      return;
    }
    case 'scale':
      if (!now.a || now.b) tool.value = { kind: 'scale', a: at, b: null };
      else if (distancePx(now.a, at) < leastScalePx)
        problem.value =
          'The two points are too close together for a scale worth having. Take two that are far apart.';
      else {
        problem.value = '';
        tool.value = { kind: 'scale', a: now.a, b: at };
      }
      return;
    case 'pick':
      return;
  }
}
function finishRoute(): void {
  if (tool.value.kind !== 'route' || tool.value.points.length < 2 || !drawing.value) return;
  const name = freeName(
    Object.values(site.value.route).map((one) => one.name),
    'Route 1',
  );
  const added = addRoute(site.value, drawing.value.id, tool.value.points, name, idMark);
  if (!change(`Draw ${name}`, [added.change])) return;
  inHand.value = { kind: 'route', id: added.routeId };
  putDown();
}
function back(): void {
  if (tool.value.kind === 'route') tool.value = { kind: 'route', points: tool.value.points.slice(0, -1) };
  else if (tool.value.kind === 'scale') tool.value = { kind: 'scale', a: null, b: null };
}
function scaled(changes: Change[]): void {
  if (change(`Scale of ${drawing.value?.name}`, changes)) putDown();
}
const moveBend = (one: Route, index: number, at: Spot) =>
  change(
    `Move a bend of ${one.name}`,
    changeRoute(site.value, one, { points: one.points.map((point, k) => (k === index ? at : point)) }),
  );
function removePin(one: Pin): void {
  if (change(`Take ${thingName(site.value, one.of)} off the drawing`, [removing('pin', one.id)]))
    inHand.value = null;
}
function escape(): void {
  if (tool.value.kind !== 'pick') putDown();
  else inHand.value = null;
}

const roleWords = (role: Place['role']): string => choices.role.find(({ value }) => value === role)!.label;
/** What the hand is to do next. */
function nextMove(now: Tool): string {
  switch (now.kind) {
    case 'put':
      return `Click where ${thingName(site.value, now.of)} stands.`;
    case 'put-place':
      return `Click where the ${roleWords(now.role).toLowerCase()} is.`;
    case 'route':
      return now.points.length < 2
        ? 'Click along the way the cable takes, from the head end outwards. It is drawn to what stands there; Alt lets go, Shift keeps it straight.'
        : 'Enter or a double click ends the route, Backspace takes the last bend back.';
    case 'scale':
      return now.b
        ? 'Type how far apart they are.'
        : now.a
          ? 'Click the second of the two points.'
          : 'Click two points whose distance you know, as far apart as can be.';
    case 'pick':
      return '';
  }
}
const says = computed(() => nextMove(tool.value));
const scaleWords = computed(() => {
  if (!drawing.value) return '';
  const scale = metresPerPixel(drawing.value);
  return scale === null
    ? 'no scale yet'
    : `the sheet is ${own.quantity(scale * drawing.value.widthPx, 'm')} wide`;
});

useKeys([
  {
    keys: ['s'],
    label: 'set the scale',
    group: 'Drawing',
    run: () => drawing.value && begin({ kind: 'scale', a: null, b: null }),
  },
  {
    keys: ['r'],
    label: 'draw a route',
    group: 'Drawing',
    run: () => drawing.value && begin({ kind: 'route', points: [] }),
  },
  { keys: ['f'], label: 'fit the drawing to the window', group: 'Drawing', run: () => canvas.value?.fit() },
  { keys: ['+', '='], label: 'nearer', group: 'Drawing', run: () => canvas.value?.by(1.5) },
  { keys: ['-'], label: 'farther', group: 'Drawing', run: () => canvas.value?.by(1 / 1.5) },
  {
    keys: ['p'],
    label: 'the drawing under the arrows: they move, Space sets, [ ] turn',
    group: 'Drawing',
    run: () => canvas.value?.focus(),
  },
  { keys: ['Escape'], label: 'put the tool down', group: 'Drawing', run: escape },
]);
</script>

<template>
  <div class="drawing-view" @keydown.escape.stop="escape">
    <div class="row bar">
      <span v-if="drawings.length > 0" class="sheets" role="group" aria-label="Which drawing"
        ><button
          v-for="one in drawings"
          :key="one.id"
          type="button"
          class="plain"
          :aria-pressed="one.id === drawing?.id"
          @click="show(one.id)"
        >
          {{ one.name }}
        </button></span
      >
      <input
        ref="file"
        type="file"
        accept=".png,.jpg,.jpeg,.svg,.pdf,.heic,image/png,image/jpeg,image/svg+xml,image/heic,application/pdf"
        class="out-of-sight"
        aria-label="Drawing to add"
        tabindex="-1"
        @change="chosen"
      />
      <button type="button" class="btn" :disabled="waiting" @click="file?.click()">
        {{ waiting ? 'Reading the drawing…' : 'Add a drawing…' }}
      </button>
      <template v-if="drawing">
        <button
          type="button"
          class="btn"
          :aria-pressed="tool.kind === 'scale'"
          @click="begin({ kind: 'scale', a: null, b: null })"
        >
          Scale <kbd>s</kbd>
        </button>
        <button
          type="button"
          class="btn"
          :aria-pressed="tool.kind === 'route'"
          @click="begin({ kind: 'route', points: [] })"
        >
          Route <kbd>r</kbd>
        </button>
        <span class="push" />
        <span class="dim tiny">{{ scaleWords }}</span>
        <button type="button" class="btn small" aria-label="Nearer" @click="canvas?.by(1.5)">+</button>
        <button type="button" class="btn small" aria-label="Farther" @click="canvas?.by(1 / 1.5)">−</button>
        <button type="button" class="btn small" @click="canvas?.fit()">Fit <kbd>f</kbd></button>
        <button type="button" class="btn small" @click="onPaperNow = true">Print or export…</button>
      </template>
    </div>
    <p v-if="problem" class="caution" role="alert">{{ problem }}</p>
    <p v-if="remark" class="caution">
      {{ remark }} <button type="button" class="plain underline" @click="remark = ''">Dismiss</button>
    </p>
    <PaperDialog v-if="onPaperNow && drawing" :site="site" :drawing="drawing" @leave="onPaperNow = false" />
    <PdfPageDialog v-if="paged" :file="paged" @pick="takePage" @leave="paged = null" />
    <div v-if="!drawing" class="empty">
      <strong>No drawing yet.</strong>Add a floor plan as PDF, PNG, JPEG or SVG, one for each floor or
      building. Then set its scale from two points of known distance, put cameras and head ends on it, and
      draw the ways the cables take: the drawing tells their lengths.
    </div>
    <div v-else class="table">
      <div class="sheet">
        <p v-if="says" class="message" role="status">{{ says }}</p>
        <PlanCanvas
          ref="canvas"
          :key="drawing.id"
          :site="site"
          :drawing="drawing"
          :tool="tool"
          :in-hand="inHand"
          @spot="spot"
          @finish="finishRoute"
          @back="back"
          @pick="(next) => (inHand = next)"
          @move-pin="(one, at) => change(`Move ${thingName(site, one.of)}`, [movePin(one, at)])"
          @turn-pin="(one, degrees) => change(`Turn ${thingName(site, one.of)}`, [turnPin(one, degrees)])"
          @move-bend="moveBend"
          @remove-pin="removePin"
        />
      </div>
      <aside class="panel" aria-label="In hand">
        <ScalePanel
          v-if="tool.kind === 'scale' && tool.a && tool.b"
          :site="site"
          :drawing="drawing"
          :a="tool.a"
          :b="tool.b"
          @take="scaled"
          @leave="putDown"
        />
        <PinPanel
          v-else-if="pin"
          :key="pin.id"
          :site="site"
          :pin="pin"
          @change="change"
          @remove="removePin"
          @open="(runId) => emit('open', runId)"
        />
        <RoutePanel
          v-else-if="routeInHand"
          :key="routeInHand.id"
          :site="site"
          :route="routeInHand"
          @change="change"
          @removed="inHand = null"
        />
        <DrawingPanel
          v-else
          :site="site"
          :drawing="drawing"
          :tool="tool"
          @begin="begin"
          @change="change"
          @finish="finishRoute"
        />
      </aside>
    </div>
  </div>
</template>

<style scoped>
.drawing-view {
  display: flex;
  flex-direction: column;
  gap: 8px;
  min-height: 0;
}
.bar {
  align-items: center;
  flex-wrap: wrap;
  gap: 8px;
}
.sheets {
  display: flex;
  flex-wrap: wrap;
  border: 1px solid var(--rule-strong);
  border-radius: 4px;
  overflow: hidden;
}
.sheets button {
  padding: 4px 11px;
}
.sheets button[aria-pressed='true'] {
  background: var(--copper-3);
  font-weight: 600;
  box-shadow: inset 0 -2px var(--copper);
}
.btn[aria-pressed='true'] {
  background: var(--copper-3);
  box-shadow: inset 0 -2px var(--copper);
}
.table {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: minmax(0, 1fr) 260px;
  gap: 12px;
}
.sheet {
  position: relative;
  min-height: 0;
}
.label {
  position: absolute;
  left: 1px;
  top: 1px;
  right: 1px;
  padding: 5px 10px;
  background: var(--copper-3);
  z-index: 1;
}
.panel {
  overflow: auto;
  min-height: 0;
  scrollbar-width: thin;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.underline {
  text-decoration: underline;
}
@media (max-width: 900px) {
  .table {
    grid-template-columns: 1fr;
    grid-template-rows: 60vh auto;
  }
  .panel {
    overflow: visible;
  }
}
</style>
