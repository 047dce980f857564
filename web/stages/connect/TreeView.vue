<script setup lang="ts">
import { useElementSize, useScroll } from '@vueuse/core';
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue';
import {
  mediumWords,
  moveChanges,
  movesFor,
  type CameraEnd,
  type Move,
  type NetworkPart,
} from '#core/connect/topology';
import type { NetworkMoment, NetworkThen } from '#core/evaluate';
import { removing } from '#core/model/site';
import { useKeys } from '../../keys/keys';
import { useOpenSite } from '../../stores/openSite';
import { useSite } from '../../stores/site';
import MoveDialog from './MoveDialog.vue';
import TreeCamera from './TreeCamera.vue';
import TreeDevice from './TreeDevice.vue';
import PartSheet from './PartSheet.vue';
import TreeFoot from './TreeFoot.vue';
import { mediumStrokes } from './media';
import { columnX, dashesOf, inSight, rowHeight, treeLayout } from './treeLayout';
import type { Addition } from './views';

/** The network from recorders over gear to cameras, with what each part carries. */
const { network, moment } = defineProps<{ network: NetworkThen; moment: NetworkMoment }>();
const emit = defineEmits<{ add: [what: Addition] }>();
const store = useSite();
const openSite = useOpenSite();

/** Beyond so many cameras places start folded, so that the whole is seen first. */
const mostUnfolded = 60;
const turned = ref<ReadonlySet<string>>(new Set());
const startsFolded = computed(() => network.topology.cameras.length > mostUnfolded);
const isFolded = (key: string): boolean => turned.value.has(key) !== startsFolded.value;
function turn(key: string): void {
  const next = new Set(turned.value);
  if (!next.delete(key)) next.add(key);
  turned.value = next;
}

const loads = computed(() => new Map(network.devices.map((one) => [one.deviceId, one.loads])));
const linkLoad = computed(() => new Map(network.links.map(({ linkId, load }) => [linkId, load])));
const layout = computed(() =>
  treeLayout(network.topology, (id) => loads.value.get(id)?.length ?? 0, isFolded),
);

/** Up to so many boxes and rows the whole tree is drawn, for whoever hears it read; of a larger one what is in sight. */
const mostDrawn = 400;
const scroller = useTemplateRef('scroller');
const { y: scrolled } = useScroll(scroller);
const { height: seen } = useElementSize(scroller);
/** Drawn anew once for so many pixels, and so many more are drawn than are seen. */
const stepPx = 400;
const top = computed(() => Math.floor(scrolled.value / stepPx) * stepPx);
const drawn = computed(() =>
  layout.value.rows.length + layout.value.devices.length <= mostDrawn
    ? layout.value
    : inSight(layout.value, top.value - stepPx, top.value + seen.value + 2 * stepPx),
);

/** Why a camera was not hung where it was dropped, or does not go. */
const problem = ref('');
/** What is looked at: a device, a link or a camera, by `kind/id`. */
const picked = ref<string | null>(null);
watch(picked, () => (problem.value = ''));
watch(
  () => network.topology,
  ({ devices, links, cameras }) => {
    const there = new Set([
      ...devices.map(({ id }) => `device/${id}`),
      ...links.map(({ id }) => `link/${id}`),
      ...cameras.map(({ cameraId }) => `camera/${cameraId}`),
    ]);
    if (picked.value && !there.has(picked.value)) picked.value = null;
  },
);

/** The sheet of what is picked, beside the tree; it follows what is picked next. */
const hasSheet = ref(false);
const sheetOf = computed((): NetworkPart | null => {
  const [kind, id] = [picked.value?.split('/', 1)[0], picked.value?.slice(picked.value.indexOf('/') + 1)];
  return hasSheet.value && id && (kind === 'device' || kind === 'link') ? { kind, id } : null;
});

const itemOf = ({ kind, id }: { kind: string; id: string }): string => `${kind}/${id}`;

/** Everything of the tree in the order in which keys go through it. */
const items = computed(() => [
  ...layout.value.devices.map(({ device }) => `device/${device.id}`),
  ...layout.value.rows.map((row) => (row.kind === 'camera' ? `camera/${row.key}` : `place/${row.key}`)),
]);
const element = (item: string): HTMLElement | null =>
  document.querySelector(`[data-item="${CSS.escape(item)}"]`);
function step(by: number): void {
  const focused = (document.activeElement as HTMLElement | null)?.dataset['item'];
  const index = items.value.indexOf(focused ?? picked.value ?? '');
  const next = items.value[Math.min(items.value.length - 1, Math.max(0, index + by))];
  if (next) void show(next);
}
/** Where each thing of the tree stands. */
const heights = computed(
  () =>
    new Map([
      ...layout.value.devices.map(({ device, y }) => [`device/${device.id}`, y] as const),
      ...layout.value.rows.map(
        (row) => [row.kind === 'camera' ? `camera/${row.key}` : `place/${row.key}`, row.y] as const,
      ),
    ]),
);
/** Brings a thing into sight and gives it the focus. */
async function show(item: string): Promise<void> {
  if (!element(item)) {
    scroller.value?.scrollTo({ top: Math.max(0, (heights.value.get(item) ?? 0) - seen.value / 2) });
    await nextFrame();
    await nextTick();
  }
  element(item)?.focus();
}
const nextFrame = (): Promise<void> => new Promise((resolve) => requestAnimationFrame(() => resolve()));
useKeys([
  { keys: ['ArrowDown', 'j'], label: 'next in the tree', group: 'Tree', run: () => step(1) },
  { keys: ['ArrowUp', 'k'], label: 'the one before', group: 'Tree', run: () => step(-1) },
  {
    keys: ['i'],
    label: 'the sheet of the box or stroke that is picked',
    group: 'Tree',
    run: () => (hasSheet.value = !hasSheet.value),
  },
]);

/** Hangs a camera on a device by hand, or with `null` lets it be given one. */
function hang(cameraId: string, deviceId: string | null): void {
  const end = network.topology.cameras.find((one) => one.cameraId === cameraId)!;
  if (deviceId === null) {
    if (openSite.value.attachment[cameraId])
      store.change(`Let camera ${end.number} be given a port`, [removing('attachment', cameraId)]);
    return;
  }
  const move = movesFor(openSite.value, network.topology, end).find(({ device }) => device.id === deviceId);
  problem.value = move
    ? ''
    : `Camera ${end.number} cannot hang there: its choice asks for another kind of port, or one at another place. Choose another way for it in Decide first.`;
  // Somebody has to say how long another way is.
  if (move?.isNewWay) moving.value = { end, move };
  else if (move) take(end, move, null);
}
const moving = ref<{ end: CameraEnd; move: Move } | null>(null);
function take(end: CameraEnd, move: Move, lengthM: number | null): void {
  store.change(
    `Hang camera ${end.number} on ${move.device.name}`,
    moveChanges(openSite.value, end, move, lengthM),
  );
  moving.value = null;
}
const placeName = (id: string): string => openSite.value.place[id]?.name ?? id;
const media = computed(() => [
  ...new Set([
    ...network.topology.cameras.map(({ medium }) => medium),
    ...network.topology.links.map(({ medium }) => medium),
  ]),
]);
</script>

<template>
  <div class="tree-view" :class="{ beside: sheetOf }">
    <PartSheet
      v-if="sheetOf"
      class="sheet"
      :topology="network.topology"
      :of="sheetOf"
      @pick="(item) => (picked = item)"
      @close="hasSheet = false"
    />
    <div ref="scroller" class="scroll">
      <div
        class="tree"
        role="tree"
        aria-label="Network"
        :style="{ height: `${layout.height}px`, minWidth: `${columnX.camera + 420}px` }"
      >
        <svg class="strokes" :height="layout.height" aria-hidden="true">
          <path
            v-for="stroke in drawn.strokes"
            :key="stroke.key"
            :d="stroke.path"
            fill="none"
            :stroke="mediumStrokes[stroke.medium].colour"
            :stroke-width="mediumStrokes[stroke.medium].weight"
            :stroke-dasharray="dashesOf(stroke, mediumStrokes[stroke.medium].dashes)"
            :opacity="stroke.isPlanned ? 0.75 : 1"
            :class="{ picked: picked === itemOf(stroke.of) }"
            @click="picked = itemOf(stroke.of)"
          />
        </svg>
        <TreeDevice
          v-for="one in drawn.devices"
          :key="one.device.id"
          :placed="one"
          :loads="loads.get(one.device.id) ?? []"
          :place="placeName(one.device.placeId)"
          :picked="picked === `device/${one.device.id}`"
          @pick="picked = `device/${one.device.id}`"
          @hang="(cameraId) => hang(cameraId, one.device.id)"
        />
        <template v-for="row in drawn.rows" :key="`${row.kind} ${row.key}`">
          <button
            v-if="row.kind === 'place'"
            type="button"
            class="plain place"
            role="treeitem"
            :aria-expanded="!row.isFolded"
            aria-level="2"
            :data-item="`place/${row.key}`"
            :style="{ left: `${columnX.camera}px`, top: `${row.y}px`, height: `${rowHeight}px` }"
            @click="turn(row.key)"
          >
            {{ placeName(row.placeId) }}<span v-if="row.isFolded" class="mono">, {{ row.count }}</span>
          </button>
          <TreeCamera
            v-else
            :camera="row.camera"
            :picked="picked === `camera/${row.key}`"
            :style="{ left: `${columnX.camera}px`, top: `${row.y}px`, height: `${rowHeight}px` }"
            @pick="picked = `camera/${row.key}`"
          />
        </template>
      </div>
      <p class="legend dim tiny">
        <span v-for="medium in media" :key="medium"
          ><svg width="34" height="8" aria-hidden="true">
            <line
              x1="0"
              x2="34"
              y1="4"
              y2="4"
              :stroke="mediumStrokes[medium].colour"
              :stroke-width="mediumStrokes[medium].weight"
              :stroke-dasharray="mediumStrokes[medium].dashes || undefined"
            />
          </svg>
          {{ mediumWords[medium] }}</span
        >
      </p>
    </div>
    <p v-if="problem" class="caution" role="alert">{{ problem }}</p>
    <MoveDialog
      v-if="moving"
      :end="moving.end"
      :move="moving.move"
      @take="(lengthM) => take(moving!.end, moving!.move, lengthM)"
      @leave="moving = null"
    />
    <TreeFoot
      :network="network"
      :moment="moment"
      :picked="picked"
      :link-load="linkLoad"
      @pick="(item) => (picked = item)"
      @hang="hang"
      @add="(what) => emit('add', what)"
      @sheet="hasSheet = true"
      @refuse="(why) => (problem = why)"
    />
  </div>
</template>

<style scoped>
.tree-view {
  position: relative;
  display: flex;
  flex-direction: column;
}
.beside {
  padding-right: 302px;
}
.sheet {
  position: absolute;
  inset: 0 0 0 auto;
  z-index: 2;
  width: 290px;
}
@media (max-width: 1000px) {
  .beside {
    padding-right: 0;
  }
  .sheet {
    left: 0;
    width: auto;
  }
}
.scroll {
  flex: 1;
  min-height: 0;
  overflow: auto;
  scrollbar-width: thin;
}
.tree {
  position: relative;
}
.strokes {
  /* A layer of its own is moved when the tree scrolls, and not drawn anew. */
  will-change: transform;
  position: absolute;
  inset: 0;
  width: 100%;
}
.strokes path {
  cursor: pointer;
}
.strokes path.picked {
  stroke: var(--ink);
}
.place {
  position: absolute;
  text-align: left;
  font-size: 12px;
  color: var(--ink-2);
}
.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
  padding: 6px 0;
}
.legend svg {
  vertical-align: middle;
}
</style>
