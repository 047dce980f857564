<script setup lang="ts">
import { computed } from 'vue';
import { withFields, type Hours, type Recorder } from '#core/model/site';
import FieldRow from '../../parts/FieldRow.vue';
import { useOpenSite } from '../../stores/openSite';
import { useSite } from '../../stores/site';
import HoursField from './HoursField.vue';

/** When each recorder may restart: at other hours nothing that it records may be missed. */
const store = useSite();
const openSite = useOpenSite();
const recorders = computed(() => Object.values(openSite.value.recorder));
function set(recorder: Recorder, restartHours: Hours | undefined): void {
  const next = withFields(recorder, { restartHours });
  store.change(`${recorder.name} may restart`, [{ kind: 'recorder', id: recorder.id, set: next }]);
}
</script>

<template>
  <section aria-labelledby="restarts">
    <h2 id="restarts">Recorders may restart</h2>
    <p v-if="recorders.length === 0" class="dim">No recorder yet.</p>
    <div class="fields">
      <FieldRow v-for="recorder in recorders" :key="recorder.id" :label="recorder.name"
        ><HoursField
          :hours="recorder.restartHours"
          :label="`When ${recorder.name} may restart`"
          placeholder="at any time"
          @take="(hours) => set(recorder, hours)"
      /></FieldRow>
    </div>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 6px;
}
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(270px, 1fr));
  gap: 6px 22px;
}
</style>
