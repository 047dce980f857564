<script setup lang="ts">
import { toString } from 'qrcode';
import { ref, watchEffect } from 'vue';

/** An address as a square that a phone reads. */
const { address, label } = defineProps<{ address: string; label: string }>();
const picture = ref('');
watchEffect(async () => {
  const svg = await toString(address, { type: 'svg', margin: 2, errorCorrectionLevel: 'M' });
  picture.value = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`;
});
</script>

<template>
  <img :src="picture" :alt="label" width="190" height="190" />
</template>

<style scoped>
img {
  /* Read by a camera: always dark on white. */
  background: #fff;
  border: 1px solid var(--rule-strong);
}
</style>
