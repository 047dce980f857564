<script setup lang="ts">
import { computed, ref, toRef, useTemplateRef } from 'vue';
import {
  anchorsOn,
  atBearing,
  bearing,
  nearestAnchor,
  squared,
  viewWedge,
  metresPerPixel,
} from '#core/survey/drawing';
import { viewFigures } from '#core/model/views';
import { thingName, type Drawing, type Pin, type Route, type Site, type Spot } from '#core/model/site';
import { pictureAddress } from '../../../stores/api';
import PinMark from './PinMark.vue';
import type { InHand, Tool } from './tools';
import { useZoom } from './useZoom';
import { vDrag } from './vDrag';

/** The plan itself: its picture, what stands on it and the routes between. It shows and reports where the hand was; it changes nothing. */
const { site, drawing, tool, inHand } = defineProps<{
  site: Site;
  drawing: Drawing;
  tool: Tool;
  inHand: InHand;
}>();
const emit = defineEmits<{
  spot: [at: Spot];
  finish: [];
  back: [];
  pick: [inHand: InHand];
  movePin: [pin: Pin, at: Spot];
  turnPin: [pin: Pin, degrees: number];
  moveBend: [route: Route, index: number, at: Spot];
  removePin: [pin: Pin];
}>();

const svg = useTemplateRef<SVGSVGElement>('svg');
const { transform, fit, by, spotAt, middle, isReady } = useZoom(
  svg,
  toRef(() => drawing),
);
defineExpose({ fit, by, middle, focus: () => svg.value?.focus() });

const k = computed(() => transform.value.k);
const pins = computed(() => Object.values(site.pin).filter(({ drawingId }) => drawingId === drawing.id));
const routes = computed(() => Object.values(site.route).filter(({ drawingId }) => drawingId === drawing.id));
const metres = computed(() => metresPerPixel(drawing));
const isPlacing = computed(() => tool.kind !== 'pick');

/** What follows the hand while it is dragged; nothing is changed until it lets go. */
const dragged = ref<{ key: string; at: Spot } | null>(null);
const atOf = (key: string, at: Spot): Spot => (dragged.value?.key === key ? dragged.value.at : at);

/** How near the hand has to come to something to be drawn to it, in pixels of the window. */
const reachPx = 11;
const anchors = computed(() => anchorsOn(site, drawing.id));
function settled(at: Spot, free: boolean, straight: boolean, own?: string): { at: Spot; caught: boolean } {
  const near = free
    ? null
    : nearestAnchor(
        anchors.value.filter(({ pin }) => pin?.id !== own || own === undefined),
        at,
        reachPx / k.value,
      );
  if (near) return { at: near.at, caught: true };
  const last = tool.kind === 'route' ? tool.points.at(-1) : tool.kind === 'scale' ? tool.a : null;
  return { at: straight && last ? squared(last, at) : at, caught: false };
}

/** Where the next point would go: under the mouse, or moved by the arrows. */
const cursor = ref<{ at: Spot; caught: boolean } | null>(null);
function onMove(event: PointerEvent): void {
  if (isPlacing.value) cursor.value = settled(spotAt(event), event.altKey, event.shiftKey);
}
function onClick(event: MouseEvent): void {
  if (event.defaultPrevented) return;
  if (!isPlacing.value) {
    emit('pick', null);
    return;
  }
  emit('spot', settled(spotAt(event), event.altKey, event.shiftKey).at);
}

/** A click on a thing takes it in hand; while a tool is out it is a click on the plan like any other. */
function onThing(event: MouseEvent, thing: NonNullable<InHand>): void {
  if (isPlacing.value) return;
  event.preventDefault();
  emit('pick', thing);
}

const pinInHand = computed(() => (inHand?.kind === 'pin' ? (site.pin[inHand.id] ?? null) : null));
const arrows: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** Arrows move the point that is to be set, or nudge what is in hand: ten pixels of the window, one with Shift. */
function onArrow([dx, dy]: [number, number], fine: boolean): boolean {
  const step = (fine ? 1 : 10) / k.value;
  if (isPlacing.value) {
    const from = cursor.value?.at ?? middle();
    const at = { x: from.x + dx * step, y: from.y + dy * step };
    cursor.value = { at, caught: false };
    return true;
  }
  const pin = pinInHand.value;
  if (!pin) return false;
  emit('movePin', pin, { x: pin.at.x + dx * step, y: pin.at.y + dy * step });
  return true;
}
function onKey(event: KeyboardEvent): void {
  const arrow = arrows[event.key];
  const pin = pinInHand.value;
  if (arrow) {
    if (!onArrow(arrow, event.shiftKey)) return;
  } else if ((event.key === ' ' || event.key === 'Enter') && isPlacing.value) {
    if (event.key === 'Enter' && tool.kind === 'route' && tool.points.length > 1) emit('finish');
    else emit('spot', settled(cursor.value?.at ?? middle(), false, false).at);
  } else if (event.key === 'Backspace' && isPlacing.value) emit('back');
  else if ((event.key === '[' || event.key === ']') && pin?.facesDegrees !== undefined)
    emit('turnPin', pin, pin.facesDegrees + (event.key === ']' ? 1 : -1) * (event.shiftKey ? 1 : 5));
  else if ((event.key === 'Delete' || event.key === 'Backspace') && pin) emit('removePin', pin);
  else return;
  event.preventDefault();
  event.stopPropagation();
}

const dragPin = (pin: Pin) => (movedX: number, movedY: number, done: boolean) => {
  const to = settled(
    { x: pin.at.x + movedX / k.value, y: pin.at.y + movedY / k.value },
    false,
    false,
    pin.id,
  );
  dragged.value = done ? null : { key: pin.id, at: to.at };
  if (done) emit('movePin', pin, to.at);
};
const dragBend = (route: Route, index: number) => (movedX: number, movedY: number, done: boolean) => {
  const from = route.points[index]!;
  const free = { x: from.x + movedX / k.value, y: from.y + movedY / k.value };
  // Its own bends are not what it is drawn to.
  const near = nearestAnchor(
    anchors.value.filter(({ pin }) => pin),
    free,
    reachPx / k.value,
  );
  const at = near?.at ?? free;
  dragged.value = done ? null : { key: `${route.id}/${index}`, at };
  if (done) emit('moveBend', route, index, at);
};
const turning = ref<{ id: string; degrees: number } | null>(null);
const facing = (pin: Pin): number =>
  turning.value?.id === pin.id ? turning.value.degrees : (pin.facesDegrees ?? 0);
const dragFacing = (pin: Pin) => (movedX: number, movedY: number, done: boolean) => {
  const handle = atBearing(pin.at, pin.facesDegrees ?? 0, handlePx / k.value);
  const degrees = bearing(pin.at, { x: handle.x + movedX / k.value, y: handle.y + movedY / k.value });
  turning.value = done ? null : { id: pin.id, degrees };
  if (done) emit('turnPin', pin, degrees);
};
const handlePx = 34;

/** How far a camera's view is drawn where its target's distance is not noted, in pixels of the window. */
const unknownReachPx = 46;
const points = (spots: readonly Spot[]): string => spots.map(({ x, y }) => `${x},${y}`).join(' ');
const wedges = computed(() =>
  pins.value.flatMap((pin) => {
    const camera = pin.of.kind === 'camera' ? site.camera[pin.of.id] : undefined;
    const figures = camera && viewFigures(camera);
    if (!camera || !figures) return [];
    const reach =
      camera.targetM !== undefined && metres.value ? camera.targetM / metres.value : unknownReachPx / k.value;
    return [
      {
        id: pin.id,
        isHere: pin.id === pinInHand.value?.id,
        points: points(viewWedge(atOf(pin.id, pin.at), facing(pin), figures.degrees, reach)),
      },
    ];
  }),
);
const drawn = (route: Route) => points(route.points.map((at, index) => atOf(`${route.id}/${index}`, at)));
const onScreen = ({ x, y }: Spot): string =>
  `translate(${transform.value.applyX(x)} ${transform.value.applyY(y)})`;
/** Names are written only where a metre is wide enough for them; from farther off they stand on the plan itself. */
const namedFromPxPerM = 4;
const crowded = computed(() => metres.value !== null && k.value / metres.value < namedFromPxPerM);
</script>

<template>
  <svg
    ref="svg"
    class="canvas"
    :class="{ placing: isPlacing }"
    tabindex="0"
    role="application"
    :aria-label="`Drawing ${drawing.name}. Arrows move the point, Space sets it.`"
    @pointermove="onMove"
    @pointerleave="cursor = null"
    @click="onClick"
    @dblclick="tool.kind === 'route' && emit('finish')"
    @keydown="onKey"
  >
    <g v-if="isReady" :transform="transform.toString()">
      <rect :width="drawing.widthPx" :height="drawing.heightPx" class="paper" />
      <image
        :href="pictureAddress(drawing.fileId)"
        :width="drawing.widthPx"
        :height="drawing.heightPx"
        preserveAspectRatio="none"
        class="picture"
      />
      <polygon
        v-for="wedge in wedges"
        :key="wedge.id"
        :points="wedge.points"
        class="wedge"
        :class="{ here: wedge.isHere }"
        vector-effect="non-scaling-stroke"
      />
      <g
        v-for="route in routes"
        :key="route.id"
        class="route"
        :class="{ here: inHand?.kind === 'route' && inHand.id === route.id }"
        :data-route="route.id"
        @click="onThing($event, { kind: 'route', id: route.id })"
      >
        <polyline :points="drawn(route)" class="grip" vector-effect="non-scaling-stroke" />
        <polyline :points="drawn(route)" class="ink" vector-effect="non-scaling-stroke" />
      </g>
      <line
        v-if="drawing.scale"
        :x1="drawing.scale.a.x"
        :y1="drawing.scale.a.y"
        :x2="drawing.scale.b.x"
        :y2="drawing.scale.b.y"
        class="scale"
        vector-effect="non-scaling-stroke"
      />
      <polyline
        v-if="tool.kind === 'route'"
        :points="points([...tool.points, ...(cursor ? [cursor.at] : [])])"
        class="draft"
        vector-effect="non-scaling-stroke"
      />
      <polyline
        v-if="tool.kind === 'scale' && tool.a"
        :points="points([tool.a, ...(tool.b ? [tool.b] : cursor ? [cursor.at] : [])])"
        class="draft"
        vector-effect="non-scaling-stroke"
      />
    </g>
    <g v-if="isReady">
      <template v-for="route in routes" :key="route.id">
        <template v-if="inHand?.kind === 'route' && inHand.id === route.id">
          <circle
            v-for="(point, index) in route.points"
            :key="index"
            v-drag="dragBend(route, index)"
            :transform="onScreen(atOf(`${route.id}/${index}`, point))"
            r="6"
            class="bend"
            @click.prevent
          />
        </template>
      </template>
      <g
        v-for="pin in pins"
        :key="pin.id"
        v-drag="dragPin(pin)"
        :transform="onScreen(atOf(pin.id, pin.at))"
        class="pin-at"
        tabindex="0"
        role="button"
        :data-pin="`${pin.of.kind}/${pin.of.id}`"
        :aria-label="thingName(site, pin.of)"
        @click="onThing($event, { kind: 'pin', id: pin.id })"
        @focus="!isPlacing && emit('pick', { kind: 'pin', id: pin.id })"
      >
        <PinMark :pin="pin" :site="site" :is-here="pin.id === pinInHand?.id" :named="!crowded" />
      </g>
      <g
        v-if="pinInHand?.facesDegrees !== undefined && pinInHand.drawingId === drawing.id"
        :transform="onScreen(atOf(pinInHand.id, pinInHand.at))"
      >
        <g :transform="`rotate(${facing(pinInHand)})`">
          <line y1="-10" :y2="-handlePx" class="handle-line" />
          <circle v-drag="dragFacing(pinInHand)" :cy="-handlePx" r="7" class="handle" @click.prevent>
            <title>Drag to turn, or press [ and ]</title>
          </circle>
        </g>
      </g>
      <g
        v-if="isPlacing && cursor"
        :transform="onScreen(cursor.at)"
        class="cursor"
        :class="{ caught: cursor.caught }"
      >
        <circle r="8" />
        <path d="M-14 0 H-4 M4 0 H14 M0 -14 V-4 M0 4 V14" />
      </g>
    </g>
  </svg>
</template>

<style scoped>
.canvas {
  display: block;
  width: 100%;
  height: 100%;
  background: var(--paper);
  border: 1px solid var(--rule-strong);
  touch-action: none;
  cursor: grab;
}
.canvas:active {
  cursor: grabbing;
}
.canvas.placing {
  cursor: crosshair;
}
.canvas:focus {
  outline: none;
}
.canvas:focus-visible {
  outline: 2px solid var(--copper);
  outline-offset: -2px;
}
.paper {
  fill: var(--sheet);
}
:root[data-theme='dark'] .picture {
  filter: invert(0.86) hue-rotate(180deg);
}
.wedge {
  fill: var(--copper);
  opacity: 0.13;
  stroke: var(--copper);
  stroke-width: 1;
}
.wedge.here {
  opacity: 0.32;
}
.route {
  cursor: pointer;
}
.route polyline {
  fill: none;
  stroke-linejoin: round;
}
.grip {
  stroke: transparent;
  stroke-width: 12;
}
.ink {
  stroke: var(--verdigris);
  stroke-width: 2.5;
  stroke-dasharray: 9 4;
}
.route.here .ink {
  stroke: var(--copper);
  stroke-width: 4;
  stroke-dasharray: none;
}
.scale {
  stroke: var(--ink);
  stroke-width: 1.5;
  stroke-dasharray: 2 3;
}
.draft {
  fill: none;
  stroke: var(--copper);
  stroke-width: 3;
}
.bend {
  fill: var(--sheet);
  stroke: var(--copper);
  stroke-width: 2;
  cursor: move;
}
.pin-at {
  cursor: pointer;
  outline: none;
}
.pin-at:focus-visible {
  outline: 2px solid var(--copper);
  outline-offset: 3px;
}
.handle-line {
  stroke: var(--copper);
  stroke-width: 2;
}
.handle {
  fill: var(--sheet);
  stroke: var(--copper);
  stroke-width: 2;
  cursor: grab;
}
.cursor {
  pointer-events: none;
}
.cursor path {
  stroke: var(--ink);
  stroke-width: 1.5;
}
.cursor circle {
  fill: none;
  stroke: none;
}
.cursor.caught circle {
  stroke: var(--copper);
  stroke-width: 2.5;
}
</style>
