<script setup lang="ts">
import { onMounted } from 'vue';
import AllowHost from '../../parts/AllowHost.vue';
import TextField from '../../parts/TextField.vue';
import { useInstrument } from '../../stores/instrument';

/** The instrument that reads for the person: where it is, who it says it is, and what it says when it does not. */
const { readable } = defineProps<{
  /** How many tests it could read as the run stands now. */
  readable: number;
}>();
const emit = defineEmits<{ readAll: [] }>();
const instrument = useInstrument();
onMounted(() => void instrument.discover());
</script>

<template>
  <div class="instrument row" role="group" aria-label="Instrument">
    <template v-if="instrument.identity">
      <span
        ><b>{{ instrument.identity.name }}</b
        >{{ ' ' }}<span class="mono dim">{{ instrument.identity.serial }}</span></span
      >
      <button
        type="button"
        class="btn small"
        :disabled="readable === 0 || instrument.busy !== null"
        @click="emit('readAll')"
      >
        Read {{ readable === 0 ? 'all' : `all ${readable}` }} <kbd>a</kbd>
      </button>
      <button type="button" class="btn small" @click="instrument.disconnect">Disconnect</button>
    </template>
    <template v-else>
      <span class="dim">Instrument at</span>
      <TextField
        :value="instrument.address"
        label="Address of the instrument"
        placeholder="192.0.2.7:5025"
        @take="(text) => (instrument.address = text)"
      />
      <button
        type="button"
        class="btn small"
        :disabled="!instrument.address || instrument.busy !== null"
        @click="instrument.connect"
      >
        {{ instrument.busy === 'connecting' ? 'Asking…' : 'Connect' }}
      </button>
    </template>
    <span v-if="instrument.problem" class="why" role="alert">{{ instrument.problem }}</span>
    <AllowHost v-if="instrument.closedHost" :host="instrument.closedHost" @allowed="instrument.connect" />
    <span v-if="instrument.busy && instrument.busy !== 'connecting'" class="dim" role="status">reading…</span>
  </div>
</template>

<style scoped>
.instrument {
  align-items: center;
  flex-wrap: wrap;
  gap: 6px 12px;
}
.instrument :deep(.text-field) {
  width: 170px;
}
.why {
  padding: 2px 8px;
  background: var(--madder-2);
  font-size: 12px;
}
</style>
