<script setup lang="ts">
import { computed, ref } from 'vue';
import PickField from '../parts/PickField.vue';
import QrCode from './QrCode.vue';

/** A code that lets somebody in, as text to send, as a link, and as a square for a phone. */
const { code, endsAt, addresses } = defineProps<{
  code: string;
  endsAt: string;
  addresses: readonly string[];
}>();
const emit = defineEmits<{ done: [] }>();
const here = window.location.origin;
const all = computed(() => [...new Set([...addresses, here])]);
const address = ref(all.value[0] ?? here);
const link = computed(() => `${address.value}/join#${code}`);
const choices = computed(() => all.value.map((value) => ({ value, label: value })));
const until = computed(() =>
  new Date(endsAt).toLocaleString([], { dateStyle: 'medium', timeStyle: 'short' }),
);
const copied = ref(false);
async function copy(): Promise<void> {
  await navigator.clipboard.writeText(link.value);
  copied.value = true;
}
</script>

<template>
  <div class="invitation" aria-label="New invitation" role="group">
    <QrCode :address="link" :label="`Link to join at ${address}`" />
    <div class="words">
      <p>
        <b class="mono code">{{ code }}</b>
      </p>
      <p class="dim">Works once, until {{ until }}. Whoever has it gets in: send it to nobody else.</p>
      <PickField :value="address" :choices="choices" label="Address" @take="(next) => (address = next)" />
      <p class="mono tiny link">{{ link }}</p>
      <p class="row">
        <button type="button" class="btn small" @click="copy">
          {{ copied ? 'Copied' : 'Copy the link' }}</button><button
          type="button"
          class="btn small"
          @click="emit('done')"
        >
          Done
        </button>
      </p>
    </div>
  </div>
</template>

<style scoped>
.invitation {
  display: flex;
  flex-wrap: wrap;
  gap: 16px;
  padding: 10px 0;
}
.words {
  flex: 1;
  min-width: 220px;
  display: grid;
  gap: 6px;
  align-content: start;
}
.code {
  font-size: 16px;
}
.link {
  overflow-wrap: anywhere;
}
</style>
