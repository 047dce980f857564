<script setup lang="ts">
import { computed } from 'vue';
import { alternativesFor } from '#core/connect/topology';
import { counted } from '#core/shared/labels';
import type { Load } from '#core/shared/derivation';
import LoadBar from '../../parts/LoadBar.vue';
import { removing } from '#core/model/site';
import { useOpenSite } from '../../stores/openSite';
import { useSite } from '../../stores/site';
import PickField from '../../parts/PickField.vue';
import { mediumStrokes } from './media';
import { linkInWords, type ShownNetwork } from './useNetwork';

/** What is picked in the tree, and what is wrong with the network; the worst of it first. */
const { network, picked, linkLoad } = defineProps<{
  network: ShownNetwork;
  picked: string | null;
  linkLoad: ReadonlyMap<string, Load>;
}>();
const emit = defineEmits<{
  pick: [item: string | null];
  hang: [cameraId: string, deviceId: string | null];
}>();

const store = useSite();
const openSite = useOpenSite();
const kindOf = computed(() => picked?.slice(0, picked.indexOf('/')) ?? null);
const id = computed(() => picked?.slice(picked.indexOf('/') + 1) ?? '');
const device = computed(() =>
  kindOf.value === 'device' ? network.topology.devices.find((one) => one.id === id.value) : undefined,
);
const link = computed(() =>
  kindOf.value === 'link' ? network.topology.links.find((one) => one.id === id.value) : undefined,
);
const camera = computed(() =>
  kindOf.value === 'camera'
    ? network.topology.cameras.find(({ cameraId }) => cameraId === id.value)
    : undefined,
);
const failure = computed(() =>
  network.failures.find(({ of }) => of.kind === kindOf.value && of.id === id.value),
);
const numbers = computed(
  () => new Map(network.topology.cameras.map(({ cameraId, number }) => [cameraId, number])),
);
const darkens = computed(() => {
  const dark = failure.value?.cameraIds ?? [];
  if (dark.length === 0) return 'Nothing goes dark without it.';
  return `Without it ${counted(dark.length, 'camera')} ${dark.length === 1 ? 'goes' : 'go'} dark: ${dark
    .map((cameraId) => numbers.value.get(cameraId))
    .join(', ')}.`;
});
const elsewhere = computed(() =>
  camera.value
    ? alternativesFor(network.topology, camera.value).map((one) => ({ value: one.id, label: one.name }))
    : [],
);
const worst = computed(() => network.findings[0]);
</script>

<template>
  <div class="foot">
    <section v-if="worst" class="finding" role="status">
      <p>
        <b>{{ worst.message }}</b> {{ worst.remedy }}
      </p>
      <p v-if="network.findings.length > 1" class="dim tiny">
        and {{ counted(network.findings.length - 1, 'other finding') }}, under Failures
      </p>
    </section>
    <p v-else class="dim sound">Nothing is wrong with the network at this moment.</p>
    <section v-if="device" class="picked" aria-label="Picked">
      <b>{{ device.name }}</b> <span>{{ darkens }}</span>
    </section>
    <section v-else-if="link" class="picked" aria-label="Picked">
      <b>{{ link.name }}</b>
      <span class="dim">{{ linkInWords(link, mediumStrokes[link.medium].label) }}</span>
      <LoadBar v-if="linkLoad.get(link.id)" :load="linkLoad.get(link.id)!" />
      <span>{{ darkens }}</span>
      <button
        v-if="openSite.link[link.id]"
        type="button"
        class="btn small"
        @click="store.change(`Remove the link ${link.name}`, [removing('link', link.id)])"
      >
        Remove the link
      </button>
    </section>
    <section v-else-if="camera" class="picked" aria-label="Picked">
      <b>{{ camera.number }} {{ camera.name }}</b>
      <span class="dim">{{ mediumStrokes[camera.medium].label }}</span>
      <template v-if="elsewhere.length > 0">
        <span class="field"
          >Hangs on
          <PickField
            :value="camera.deviceId ?? ''"
            :choices="elsewhere"
            :label="`Device of camera ${camera.number}`"
            @take="(deviceId) => emit('hang', camera!.cameraId, deviceId)"
        /></span>
        <button
          v-if="camera.isPinned"
          type="button"
          class="btn small"
          @click="emit('hang', camera.cameraId, null)"
        >
          Let it be given one
        </button>
      </template>
      <RouterLink :to="{ query: { ...$route.query, view: 'hook-up' }, params: { runId: camera.runId } }"
        >Hook-up</RouterLink
      >
    </section>
    <p v-else class="dim tiny">
      Click a box, a stroke or a camera; drag a camera to another box of its kind.
    </p>
  </div>
</template>

<style scoped>
.foot {
  flex: none;
  display: grid;
  gap: 6px;
  padding-top: 8px;
  border-top: 1px solid var(--rule);
  min-height: 84px;
}
.finding {
  padding: 6px 12px;
  border-left: 3px solid var(--madder);
  background: var(--sheet);
}
.picked {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: center;
  font-size: 13px;
}
.field {
  display: inline-flex;
  gap: 6px;
  align-items: center;
}
</style>
