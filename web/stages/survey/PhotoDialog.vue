<script setup lang="ts">
import Dialog from 'primevue/dialog';
import { computed, ref, useTemplateRef } from 'vue';
import { withFields, type Photo, type PhotoMark, type Spot } from '#core/model/site';
import TextField from '../../parts/TextField.vue';
import { pictureAddress } from '../../stores/api';
import { useSite } from '../../stores/site';
import PhotoMarks from './PhotoMarks.vue';

/** A photo large, with arrows and words that somebody puts on it. They stand beside the picture and can be taken away. */
const { photo, title } = defineProps<{ photo: Photo; title: string }>();
const emit = defineEmits<{ leave: [] }>();
const store = useSite();
const svg = useTemplateRef<SVGSVGElement>('svg');
const tool = ref<'arrow' | 'words'>('arrow');
const from = ref<Spot | null>(null);
const words = ref('');
/** Where the next point goes by keys. */
const cursor = ref<Spot>({ x: photo.widthPx / 2, y: photo.heightPx / 2 });
const problem = ref('');
const marks = computed(() => photo.marks ?? []);
const stepPx = computed(() => Math.max(photo.widthPx, photo.heightPx) / 50);
const most = 40;

function set(next: readonly PhotoMark[]): void {
  problem.value = store
    .update(`Marks on a ${title.toLowerCase()}`, 'photo', photo.id, (now) =>
      withFields(now, { marks: next.length > 0 ? [...next] : undefined }),
    )
    .map(({ allowed }) => allowed)
    .join('; ');
}
function putAt(at: Spot): void {
  if (marks.value.length >= most) problem.value = `A photo takes up to ${most} marks.`;
  else if (tool.value === 'words') {
    if (words.value === '') problem.value = 'Type the words first.';
    else set([...marks.value, { kind: 'words', at, words: words.value }]);
  } else if (!from.value) from.value = at;
  else {
    set([...marks.value, { kind: 'arrow', from: from.value, to: at }]);
    from.value = null;
  }
}
const rounded = ({ x, y }: { x: number; y: number }): Spot => ({ x: Math.round(x), y: Math.round(y) });
function onClick(event: MouseEvent): void {
  const matrix = svg.value?.getScreenCTM();
  if (!matrix) return;
  putAt(rounded(new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse())));
}
const arrows: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};
function onKey(event: KeyboardEvent): void {
  const way = arrows[event.key];
  if (way)
    cursor.value = {
      x: Math.min(photo.widthPx, Math.max(0, cursor.value.x + way[0] * stepPx.value)),
      y: Math.min(photo.heightPx, Math.max(0, cursor.value.y + way[1] * stepPx.value)),
    };
  else if (event.key === ' ' || event.key === 'Enter') putAt(rounded(cursor.value));
  else return;
  event.preventDefault();
  event.stopPropagation();
}
const says = computed(() =>
  tool.value === 'words'
    ? words.value === ''
      ? 'Type the words, then click where they go.'
      : 'Click where they go.'
    : from.value
      ? 'Click what the arrow points at.'
      : 'Click where the arrow begins. By keys: arrows move the point, Space sets it.',
);
const take = (next: typeof tool.value): void => {
  [tool.value, from.value, problem.value] = [next, null, ''];
};
</script>

<template>
  <Dialog visible modal :header="title" :style="{ width: '860px' }" @update:visible="emit('leave')">
    <div class="photo">
      <div class="row">
        <button type="button" class="btn" :aria-pressed="tool === 'arrow'" @click="take('arrow')">
          Arrow
        </button>
        <button type="button" class="btn" :aria-pressed="tool === 'words'" @click="take('words')">
          Words
        </button>
        <TextField
          v-if="tool === 'words'"
          :value="words"
          label="Words"
          placeholder="bad joint"
          :refuse="(text) => (text.length <= 80 ? undefined : 'up to 80 characters')"
          @take="(text) => (words = text)"
        />
        <span class="push" />
        <button type="button" class="btn" :disabled="marks.length === 0" @click="set(marks.slice(0, -1))">
          Remove the last mark
        </button>
        <a class="btn" :href="pictureAddress(photo.fileId)" target="_blank" rel="noreferrer"
          >Open the original</a
        >
      </div>
      <p class="dim tiny" role="status">{{ problem || says }}</p>
      <svg
        ref="svg"
        :viewBox="`0 0 ${photo.widthPx} ${photo.heightPx}`"
        tabindex="0"
        role="application"
        :aria-label="`${title}: ${marks.length} marks. ${says}`"
        @click="onClick"
        @keydown="onKey"
      >
        <image :href="pictureAddress(photo.fileId)" :width="photo.widthPx" :height="photo.heightPx" />
        <PhotoMarks :marks="marks" :width-px="photo.widthPx" :height-px="photo.heightPx" />
        <circle v-if="from" :cx="from.x" :cy="from.y" :r="stepPx / 2" class="from" />
        <path
          class="cursor"
          :d="`M${cursor.x - stepPx} ${cursor.y}h${2 * stepPx}M${cursor.x} ${cursor.y - stepPx}v${2 * stepPx}`"
          :stroke-width="stepPx / 8"
        />
      </svg>
    </div>
  </Dialog>
</template>

<style scoped>
.photo {
  display: grid;
  gap: 8px;
}
.row {
  flex-wrap: wrap;
  align-items: center;
}
.btn[aria-pressed='true'] {
  background: var(--copper-3);
  box-shadow: inset 0 -2px var(--copper);
}
svg {
  width: 100%;
  max-height: 62vh;
  cursor: crosshair;
  border: 1px solid var(--rule-strong);
}
.from {
  fill: #b3261e;
}
.cursor {
  display: none;
  fill: none;
  stroke: #b3261e;
}
svg:focus-visible .cursor {
  display: inline;
}
</style>
