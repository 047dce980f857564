<script setup lang="ts">
import { computed } from 'vue';
import { partSheet, type NetworkPart, type Topology } from '#core/connect/topology';
import { counted } from '#core/shared/labels';
import { formatQuantity } from '#core/shared/units';
import { useOpenSite } from '../../stores/openSite';

/** The sheet of a device or a link: what it is, what hangs on it, and what comes through. */
const { topology, of } = defineProps<{ topology: Topology; of: NetworkPart }>();
const emit = defineEmits<{ pick: [item: string]; close: [] }>();
const openSite = useOpenSite();
const sheet = computed(() => partSheet(openSite.value, topology, of));
const sum = computed(() => {
  const { cameras = [], mbps = 0, watts = 0 } = sheet.value ?? {};
  return [
    counted(cameras.length, 'camera'),
    ...(mbps > 0 ? [formatQuantity(mbps, 'Mb/s')] : []),
    ...(watts > 0 ? [formatQuantity(watts, 'W')] : []),
  ].join(', ');
});
</script>

<template>
  <aside v-if="sheet" class="part-sheet" :aria-label="`Sheet of ${sheet.name}`">
    <div class="row">
      <h2>{{ sheet.name }}</h2>
      <span class="push" />
      <button type="button" class="plain dim" @click="emit('close')">Close <kbd>i</kbd></button>
    </div>
    <p class="dim">{{ sheet.about }}</p>
    <dl>
      <div v-for="{ label, value } in sheet.facts" :key="label">
        <dt>{{ label }}</dt>
        <dd>{{ value }}</dd>
      </div>
    </dl>
    <template v-if="sheet.links.length > 0">
      <h3>Leads to</h3>
      <ul>
        <li v-for="link in sheet.links" :key="link.id">
          <button type="button" class="plain link" @click="emit('pick', `link/${link.id}`)">
            {{ link.name }}
          </button>
        </li>
      </ul>
    </template>
    <h3>{{ sum }}</h3>
    <table v-if="sheet.cameras.length > 0">
      <tbody>
        <tr v-for="camera in sheet.cameras" :key="camera.cameraId">
          <td class="mono dim">{{ camera.number }}</td>
          <td>
            <button type="button" class="plain" @click="emit('pick', `camera/${camera.cameraId}`)">
              {{ camera.name }}
            </button>
            <span class="dim tiny how">{{ camera.how }}</span>
          </td>
          <td class="mono figure">
            {{ camera.mbps > 0 ? formatQuantity(camera.mbps, 'Mb/s') : '' }}
            <span v-if="camera.watts > 0" class="how">{{ formatQuantity(camera.watts, 'W') }}</span>
          </td>
        </tr>
      </tbody>
    </table>
  </aside>
</template>

<style scoped>
.part-sheet {
  overflow: hidden auto;
  background: var(--sheet);
  border-left: 1px solid var(--rule-strong);
  padding: 12px 16px;
  scrollbar-width: thin;
}
h3 {
  margin-top: 12px;
}
dl {
  margin-top: 8px;
}
dl div {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  padding: 3px 0;
  border-bottom: 1px solid var(--rule);
  font-size: 13px;
}
dd {
  text-align: right;
}
ul {
  list-style: none;
  padding: 0;
}
.link {
  color: var(--copper);
  text-align: left;
  text-decoration: underline;
  text-underline-offset: 3px;
  min-height: 24px;
}
table {
  width: 100%;
  border-collapse: collapse;
  font-size: 13px;
}
td {
  padding: 4px 6px 4px 0;
  border-bottom: 1px solid var(--rule);
  vertical-align: top;
}
td button {
  text-align: left;
  min-height: 24px;
}
.how {
  display: block;
}
.figure {
  font-size: 12px;
  text-align: right;
  white-space: nowrap;
}
</style>
