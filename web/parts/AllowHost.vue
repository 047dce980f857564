<script setup lang="ts">
import { useAllowedHosts } from '../stores/allowedHosts';

/** Lets a device outside of private networks be reached for this site, and asks it again. */
const { host } = defineProps<{ host: string }>();
const emit = defineEmits<{ allowed: [] }>();
const allowed = useAllowedHosts();
async function allow(): Promise<void> {
  await allowed.allow(host);
  emit('allowed');
}
</script>

<template>
  <button type="button" class="btn small" @click="allow">Allow {{ host }} for this site</button>
</template>
