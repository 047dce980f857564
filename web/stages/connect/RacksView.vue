<script setup lang="ts">
import { computed } from 'vue';
import { freedInWords } from '#core/connect/freed';
import type { NetworkMoment } from '#core/evaluate';
import { formatQuantity } from '#core/shared/units';
import { counted } from '#core/shared/labels';
import { useOpenSite } from '../../stores/openSite';
import { useWhyPanel } from '../../stores/whyPanel';
import RackFrontDrawing from './RackFrontDrawing.vue';
import { useRooms } from './useRooms';

/** Racks from the front with what is in them and what is to come, and what the change frees. */
const { moment } = defineProps<{ moment: NetworkMoment }>();
const openSite = useOpenSite();
const rooms = useRooms(() => moment);
const why = useWhyPanel();
const freed = computed(() => (rooms.value ? freedInWords(rooms.value.freed) : []));
</script>

<template>
  <div class="racks" tabindex="0" role="region" aria-label="Rooms and racks">
    <p v-if="!rooms" class="dim" role="status">Looking into the racks…</p>
    <template v-else>
      <div v-if="rooms.racks.length > 0" class="fronts">
        <section v-for="rack in rooms.racks" :key="rack.id">
          <h2>{{ rack.name }}</h2>
          <p class="dim tiny">
            {{ openSite.place[rack.placeId]?.name }}; {{ counted(rack.freeUnits, 'unit') }} free of
            {{ rack.units }},
            <button
              type="button"
              class="plain heat"
              @click="why.ask({ kind: 'heat', at: moment, rackId: rack.id })"
            >
              {{ formatQuantity(rack.heatWatts, 'W', 0) }} of heat
            </button>
            as far as watts are noted{{
              rack.unnotedWatts.length > 0 ? `; not noted: ${rack.unnotedWatts.join(', ')}` : ''
            }}.
          </p>
          <RackFrontDrawing :rack="rack" />
          <p v-for="problem in rack.problems" :key="problem" class="caution">{{ problem }}</p>
        </section>
      </div>
      <p v-else class="dim">
        No rack is noted. Note one in Survey &gt; Head end (<kbd>1</kbd>, then <kbd>h</kbd>), and what is
        mounted in it.
      </p>
      <section class="freed">
        <h2>Free when all is done</h2>
        <ul v-if="freed.length > 0">
          <li v-for="line in freed" :key="line">{{ line }}</li>
        </ul>
        <p v-else class="dim">Nothing yet: choose ways for cameras in Decide (<kbd>3</kbd>).</p>
        <template v-for="monitor in rooms.monitors" :key="monitor.id">
          <h2>{{ monitor.name }}</h2>
          <p class="dim tiny">
            {{ openSite.place[monitor.placeId]?.name }};
            {{ monitor.source ? `shows ${monitor.source}` : 'nobody noted which recorder it shows' }}
          </p>
          <ol
            v-if="monitor.tiles.length > 0"
            class="tiles"
            :style="{ gridTemplateColumns: `repeat(${monitor.across}, 1fr)` }"
          >
            <li v-for="tile in monitor.tiles" :key="tile.cameraId" :class="{ lost: tile.lost }">
              <b class="mono">{{ tile.number }}</b> {{ tile.lost ?? tile.name }}
            </li>
          </ol>
          <p v-for="problem in monitor.problems" :key="problem" class="caution">{{ problem }}</p>
        </template>
      </section>
    </template>
  </div>
</template>

<style scoped>
.heat {
  min-height: 24px;
  text-decoration: underline dotted;
  text-underline-offset: 3px;
}
.racks {
  display: flex;
  flex-wrap: wrap;
  gap: 32px;
  align-content: start;
}
.fronts {
  display: flex;
  flex-wrap: wrap;
  gap: 32px;
}
.fronts section {
  width: 340px;
  display: grid;
  gap: 8px;
  align-content: start;
}
.freed {
  flex: 1;
  min-width: 280px;
}
.freed h2:not(:first-child) {
  padding-top: 22px;
}
.freed .tiles {
  display: grid;
  gap: 2px;
  max-width: 360px;
  padding: 4px;
  margin: 6px 0 8px;
  list-style: none;
  border: 2px solid var(--ink);
}
.freed .tiles li {
  padding: 8px 6px;
  font-size: 11px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  background: var(--sheet);
  border: 1px solid var(--rule);
}
.freed .tiles .lost {
  border-color: var(--madder);
  border-style: dashed;
}
.freed ul {
  list-style: disc;
  padding: 8px 0 0 18px;
}
.freed li {
  padding: 2px 0;
}
</style>
