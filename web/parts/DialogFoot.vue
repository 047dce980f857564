<script setup lang="ts">
import { useMeasures } from '../stores/measures';

/** What a dialog ends with: what stands in the way, and the two ways out. */
defineProps<{ problems: string[]; go: string; held?: boolean }>();
const own = useMeasures();
const emit = defineEmits<{ leave: [] }>();
</script>

<template>
  <div v-if="problems.length > 0" class="caution" role="alert">
    <p v-for="problem in problems" :key="problem">{{ own.words(problem) }}</p>
  </div>
  <div class="row foot">
    <span class="push" /><button type="button" class="btn" @click="emit('leave')">Cancel</button
    ><button type="submit" class="btn go" :disabled="held">{{ go }}</button>
  </div>
</template>

<style scoped>
.foot {
  padding-top: 8px;
}
</style>
