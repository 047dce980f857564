<script setup lang="ts">
import { computed } from 'vue';
import { totalWatts, type PowerNode } from '#core/connect/powerPicture';
import type { NetworkMoment } from '#core/evaluate';
import { formatQuantity } from '#core/shared/units';
import PowerRow from './PowerRow.vue';
import { useRooms } from './useRooms';

/** Watts by night, from the mains circuits over UPS, boxes and switches to each camera. */
const { moment } = defineProps<{ moment: NetworkMoment }>();
const rooms = useRooms(() => moment);
const roots = computed<PowerNode[]>(() => rooms.value?.power ?? []);
const watts = computed(() => totalWatts(roots.value));
const most = computed(() => Math.max(1, ...roots.value.map((node) => node.watts)));
</script>

<template>
  <div class="power">
    <p v-if="!rooms" class="dim" role="status">Working out the watts…</p>
    <template v-else>
      <p>
        <b class="mono">{{ formatQuantity(watts, 'W', 0) }}</b> by night in all, each camera once.
        <span class="dim">Bars are of the largest branch; a limit has its own bar.</span>
      </p>
      <ul class="roots" role="tree" aria-label="Power">
        <PowerRow
          v-for="node in roots"
          :key="node.id"
          :node="node"
          :most="most"
          :depth="1"
          :moment="moment"
        />
      </ul>
      <p class="caution">
        Mains circuits, UPS and supply boxes: only licensed people, by local code. Batteries give large
        currents even when the mains is off.
      </p>
    </template>
  </div>
</template>

<style scoped>
.power {
  display: grid;
  align-content: start;
  gap: 12px;
}
.roots {
  display: grid;
  gap: 2px;
}
</style>
