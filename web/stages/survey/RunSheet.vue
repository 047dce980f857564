<script setup lang="ts">
import { ref } from 'vue';
import type { LightRun } from '#core/evaluation';
import { removeRunAndCamera, type Camera, type Run } from '#core/site';
import RunLine from '../../line/RunLine.vue';
import { useSite } from '../../stores/site';
import CameraFields from './CameraFields.vue';
import FeedFields from './FeedFields.vue';
import SegmentFields from './SegmentFields.vue';

const { evaluation } = defineProps<{ evaluation: LightRun }>();
const emit = defineEmits<{ close: [] }>();
const store = useSite();
const problems = ref<string[]>([]);

function say(found: { path: string; allowed: string }[]): void {
  problems.value = found.map(({ path, allowed }) => `${path.split('/').at(-1)}: ${allowed}`);
}
const change = (what: string, run: Run) => say(store.change(`${what} of run ${evaluation.camera.number}`, [{ kind: 'run', id: run.id, set: run }]));
const changeCamera = (what: string, fields: Partial<Camera>) =>
  say(store.change(`${what} of camera ${evaluation.camera.number}`, [{ kind: 'camera', id: evaluation.camera.id, set: { ...evaluation.camera, ...fields } }]));

function remove(): void {
  const changes = removeRunAndCamera(store.site!, evaluation.run.id);
  if (changes.length === 0) problems.value = ['This run has readings, and readings are kept. It cannot be removed.'];
  else say(store.change(`Remove run ${evaluation.camera.number} ${evaluation.camera.name}`, changes));
}
</script>

<template>
  <aside class="run-sheet" :aria-label="`Sheet of run ${evaluation.camera.number}`">
    <div class="row"><h2>{{ evaluation.camera.number }} {{ evaluation.camera.name }}</h2><span class="push" /><button type="button" class="plain dim" @click="emit('close')">Close <kbd>Esc</kbd></button></div>
    <div v-if="problems.length > 0" class="caution" role="alert"><p v-for="problem in problems" :key="problem">{{ problem }}</p></div>
    <RunLine :evaluation="evaluation" :head-end="store.site!.place[evaluation.run.headEndId]?.name.split(' ')[0] ?? ''" />
    <section>
      <h3>Cable, from the head end outwards</h3>
      <SegmentFields v-for="(segment, index) in evaluation.run.segments" :key="index" :run="evaluation.run" :index="index" :segment="segment" @change="change" />
    </section>
    <section><h3>Power and patching</h3><FeedFields :run="evaluation.run" @change="change" /></section>
    <section><h3>Camera</h3><CameraFields :camera="evaluation.camera" @change="changeCamera" /></section>
    <p v-if="evaluation.run.note" class="caution">{{ evaluation.run.note }}</p>
    <button type="button" class="btn small" @click="remove">Remove this run</button>
  </aside>
</template>

<style scoped>
.run-sheet { overflow: hidden auto; padding: 14px 16px; background: var(--sheet); border-left: 1px solid var(--rule-strong); display: flex; flex-direction: column; gap: 10px; scrollbar-width: thin; }
.run-sheet > * { flex: none; }
h3 { padding-bottom: 4px; border-bottom: 1px solid var(--rule-strong); margin-bottom: 4px; }
.btn { align-self: start; }
</style>
