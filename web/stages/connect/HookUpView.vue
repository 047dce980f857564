<script setup lang="ts">
import { computed, shallowRef, useTemplateRef, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import type { HookUps } from '#core/connect/hookUp';
import { isMoved } from '#core/connect/topology';
import type { NetworkThen } from '#core/evaluate';
import type { Camera } from '#core/model/site';
import { useKeys } from '../../keys/keys';
import { useEvaluation } from '../../stores/evaluation';
import { useMeasures } from '../../stores/measures';
import { useOpenSite } from '../../stores/openSite';
import { useSelection } from '../../stores/selection';
import RestsOnLine from '../../parts/RestsOnLine.vue';
import PickField from '../../parts/PickField.vue';
import HookUpDrawing from './HookUpDrawing.vue';
import { saveSvg } from './saveSvg';

/** How the picked camera is connected at a moment, as before or as it was chosen, drawn and in words, to be printed. */
const { network } = defineProps<{ network: NetworkThen }>();
const evaluation = useEvaluation();
const selection = useSelection();
const own = useMeasures();
const openSite = useOpenSite();
const route = useRoute();
const router = useRouter();
/** A camera without a run of the old site, where one is picked. */
const onNetwork = computed(() => {
  const id = String(route.query['camera'] ?? '');
  return id in openSite.value.networkCamera ? openSite.value.camera[id]! : null;
});
// Whoever picks a run in the list beside it means that one.
watch(
  () => selection.runId,
  (runId) => {
    const { camera: picked, ...query } = route.query;
    if (runId && picked !== undefined) void router.replace({ query });
  },
);
const camera = computed(() => onNetwork.value ?? selection.current?.camera ?? null);
const pair = shallowRef<HookUps | null>(null);
watch(
  [() => evaluation.result, () => camera.value?.id, () => own.measures.gauge],
  async () => {
    const id = camera.value?.id;
    const answer = id ? await evaluation.hookUp(id, own.measures.gauge) : null;
    if (id === camera.value?.id) pair.value = answer;
  },
  { immediate: true },
);
/** Until its night a camera hangs as it does today. */
const isToday = computed(() => !isMoved(network.moment, camera.value?.id ?? ''));
const shown = computed(() => (isToday.value ? pair.value?.today : pair.value?.after) ?? null);
const labelOf = ({ number, name }: Camera): string => `${number} ${name}`;
const cameras = computed(() => [
  ...selection.listed.map((one) => ({ value: one.camera.id, label: labelOf(one.camera) })),
  ...Object.keys(openSite.value.networkCamera)
    .map((id) => openSite.value.camera[id]!)
    .sort((a, b) => a.number - b.number)
    .map((one) => ({ value: one.id, label: `${labelOf(one)}, on the network` })),
]);
async function pick(cameraId: string): Promise<void> {
  const { camera: _, ...query } = route.query;
  const run = selection.listed.find((one) => one.camera.id === cameraId)?.run.id;
  await router.replace({
    params: { ...route.params, runId: run ?? '' },
    query: run ? query : { ...query, camera: cameraId },
  });
}
async function step(by: 1 | -1): Promise<void> {
  const at = cameras.value.findIndex(({ value }) => value === camera.value?.id);
  const next = cameras.value[Math.max(0, Math.min(cameras.value.length - 1, at + by))];
  if (next) await pick(next.value);
}
const sheet = useTemplateRef('sheet');
const print = () => window.print();
function save(): void {
  const drawing = sheet.value?.querySelector('svg');
  if (drawing) saveSvg(drawing, `camera-${camera.value?.number}-${isToday.value ? 'today' : 'after'}.svg`);
}
useKeys([
  { keys: ['p'], label: 'print the hook-up', group: 'Hook-ups', run: print },
  { keys: ['ArrowDown', 'j'], label: 'next camera', group: 'Hook-ups', run: () => void step(1) },
  { keys: ['ArrowUp', 'k'], label: 'camera before', group: 'Hook-ups', run: () => void step(-1) },
]);
</script>

<template>
  <div class="hook-up-view">
    <div class="row no-print acts">
      <span class="field"
        ><span class="dim">Camera</span>
        <PickField
          :value="camera?.id ?? null"
          :choices="cameras"
          label="Camera"
          placeholder="Choose a camera"
          @take="pick"
      /></span>
      <span class="push" />
      <button type="button" class="btn" :disabled="!shown" @click="save">Save as SVG</button>
      <button type="button" class="btn go" :disabled="!shown" @click="print">Print <kbd>p</kbd></button>
    </div>
    <p v-if="!camera" class="dim">Choose a camera; its hook-up is drawn from what is noted of it.</p>
    <p v-else-if="!shown && pair && !isToday" class="dim">
      Nothing is chosen for this camera yet, so there is only its hook-up of today. Choose in Decide
      (<kbd>3</kbd>).
    </p>
    <p v-else-if="!shown && pair" class="dim">
      This camera is not there yet at that moment; it is a new view.
    </p>
    <article v-else-if="shown" ref="sheet" class="sheet">
      <RestsOnLine />
      <h2>{{ shown.title }}</h2>
      <div class="drawing" tabindex="0" role="region" aria-label="Hook-up drawing">
        <HookUpDrawing :hook-up="shown" />
      </div>
      <section v-if="shown.polarity.length > 0">
        <h3>Polarity and order, in words</h3>
        <ul>
          <li v-for="line in shown.polarity" :key="line">{{ line }}</li>
        </ul>
      </section>
      <section v-if="shown.cautions.length > 0" class="caution">
        <p v-for="line in shown.cautions" :key="line">{{ line }}</p>
        <p>
          Local electrical codes come first; work on mains, at height or on live runs is for those who are
          licensed for it.
        </p>
      </section>
      <section v-if="shown.unknown.length > 0">
        <h3>To look at on site</h3>
        <ul>
          <li v-for="line in shown.unknown" :key="line">{{ line }}</li>
        </ul>
      </section>
    </article>
  </div>
</template>

<style scoped>
.hook-up-view {
  display: grid;
  align-content: start;
  gap: 12px;
}
.acts {
  gap: 10px;
}
.field {
  display: inline-flex;
  gap: 8px;
  align-items: center;
}
.sheet {
  display: grid;
  gap: 14px;
  padding: 16px 20px;
  background: var(--sheet);
  border: 1px solid var(--rule);
}
.drawing {
  overflow-x: auto;
}
ul {
  padding-left: 18px;
  list-style: disc;
}
li {
  padding: 2px 0;
}
h3 {
  padding-bottom: 4px;
}
</style>
