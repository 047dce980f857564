<script setup lang="ts">
import SignaturePad from 'signature_pad';
import { onBeforeUnmount, onMounted, useTemplateRef } from 'vue';
import { signatureSize, type Signature } from '#core/model/site';

/** Paper to sign on, with a finger, a pen or the mouse. Strokes are told in the paper’s own units. */
const emit = defineEmits<{ drawn: [strokes: Signature] }>();
const paper = useTemplateRef('paper');
let pad: SignaturePad | undefined;

const within = (value: number, most: number): number => Math.min(most, Math.max(0, Math.round(value)));
/** Longest stroke that is kept; what a pen draws beyond is thinned out. */
const mostPoints = 900;

function strokes(): Signature {
  const { width, height } = paper.value!.getBoundingClientRect();
  const [across, down] = [signatureSize.width / width, signatureSize.height / height];
  return (pad?.toData() ?? []).slice(0, 60).map(({ points }) => {
    const every = Math.ceil(points.length / mostPoints);
    return points
      .filter((_, k) => k % every === 0)
      .flatMap(({ x, y }) => [
        within(x * across, signatureSize.width),
        within(y * down, signatureSize.height),
      ]);
  });
}
function clear(): void {
  pad?.clear();
  emit('drawn', []);
}
/** The paper has as many dots as the screen shows. */
function fit(): void {
  const canvas = paper.value!;
  const dots = Math.max(1, window.devicePixelRatio);
  canvas.width = canvas.offsetWidth * dots;
  canvas.height = canvas.offsetHeight * dots;
  canvas.getContext('2d')!.scale(dots, dots);
}
onMounted(() => {
  fit();
  pad = new SignaturePad(paper.value!, { penColor: '#22303a', minWidth: 0.8, maxWidth: 2.2 });
  pad.addEventListener('endStroke', () => emit('drawn', strokes()));
});
onBeforeUnmount(() => pad?.off());
defineExpose({ clear });
</script>

<template>
  <div class="signature">
    <canvas ref="paper" aria-label="Sign here" role="img" />
    <button type="button" class="btn small" @click="clear">Clear</button>
  </div>
</template>

<style scoped>
.signature {
  display: grid;
  gap: 4px;
  justify-items: start;
  padding: 6px 0;
}
canvas {
  width: min(420px, 100%);
  aspect-ratio: 3;
  border: 1px solid var(--ink);
  background: #fdfcf8;
  touch-action: none;
  cursor: crosshair;
}
</style>
