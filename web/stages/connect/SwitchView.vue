<script setup lang="ts">
import { computed, onMounted, ref, useTemplateRef, watch } from 'vue';
import { compareSwitch, reportFromTable } from '#core/connect/switchReport';
import type { NetworkThen } from '#core/evaluate';
import { withFields } from '#core/model/site';
import AllowHost from '../../parts/AllowHost.vue';
import PickField from '../../parts/PickField.vue';
import TextField from '../../parts/TextField.vue';
import { useKeys } from '../../keys/keys';
import { useOpenSite } from '../../stores/openSite';
import { useSite } from '../../stores/site';
import { useSwitchLine } from '../../stores/switchLine';
import { useTables } from '../../tables/useTables';

/** A switch as it answers over the network, held against what hangs on it by the plan. */
const { network } = defineProps<{ network: NetworkThen }>();
const store = useSite();
const openSite = useOpenSite();

const hanging = (id: string): number =>
  network.topology.cameras.filter((camera) => camera.deviceId === id).length;
/** Those with the most cameras first: one of them is what somebody stands before. */
const gear = computed(() =>
  network.topology.devices
    .filter(({ kind }) => kind === 'switch' || kind === 'field-switch')
    .sort((a, b) => hanging(b.id) - hanging(a.id))
    .map(({ id, name }) => ({ value: id, label: name })),
);
const deviceId = ref<string | null>(null);
watch(
  gear,
  (all) => {
    if (!all.some(({ value }) => value === deviceId.value)) deviceId.value = all[0]?.value ?? null;
  },
  { immediate: true },
);
const { address, key, report, problem, closedHost, busy, discover, read, restart } = useSwitchLine(deviceId);
onMounted(discover);

const file = useTemplateRef('file');
const tables = useTables();
/** A list of ports that the switch or its manager exported, in place of asking it. */
async function readList(): Promise<void> {
  const picked = file.value?.files?.[0];
  if (!picked || !file.value) return;
  const table = await tables.read(new Uint8Array(await picked.arrayBuffer()));
  file.value.value = '';
  const list =
    table.kind === 'refused'
      ? { kind: 'refused' as const, why: [table.why] }
      : reportFromTable(picked.name, table.table);
  problem.value = list.kind === 'refused' ? `${list.why.join(' ')} Nothing was read.` : '';
  if (list.kind === 'report') report.value = list.report;
}

const compared = computed(() =>
  report.value && deviceId.value
    ? compareSwitch(openSite.value, network.topology, deviceId.value, report.value)
    : null,
);
const cameras = computed(() =>
  network.topology.cameras
    .filter(({ mbps }) => mbps > 0)
    .map(({ cameraId, number, name }) => ({ value: cameraId, label: `${number} ${name}` })),
);
/** Notes that an address which was seen behind a port is a camera's. */
function isCamera(cameraId: string, hardwareAddress: string): void {
  const { number } = openSite.value.camera[cameraId]!;
  const config = openSite.value.networkConfig[cameraId] ?? { id: cameraId };
  problem.value = store
    .change(`Hardware address of camera ${number}`, [
      { kind: 'networkConfig', id: cameraId, set: withFields(config, { hardwareAddress }) },
    ])
    .map(({ allowed }) => `${hardwareAddress} was not noted; allowed: ${allowed}`)
    .join(' ');
}
useKeys([{ keys: ['g'], label: 'read the switch', group: 'Switches', run: () => void read() }]);
</script>

<template>
  <p v-if="gear.length === 0" class="dim">No switch is noted or planned here yet.</p>
  <div v-else class="switch">
    <div class="row acts">
      <PickField :value="deviceId" :choices="gear" label="Switch" @take="(id) => (deviceId = id)" />
      <span class="dim">answers at</span>
      <TextField
        :value="address"
        label="Address of the switch"
        placeholder="10.20.0.9:80"
        @take="(text) => (address = text)"
      />
      <button type="button" class="btn go" :disabled="busy || !address" @click="read">
        {{ busy ? 'Asking…' : 'Read the switch' }} <kbd>g</kbd>
      </button>
      <button type="button" class="btn" @click="file?.click()">A list of its ports…</button>
      <input
        ref="file"
        type="file"
        accept=".csv,.tsv,.txt,.xlsx"
        class="out-of-sight"
        aria-label="List of ports to read"
        tabindex="-1"
        @change="readList"
      />
      <span class="dim">its key, to restart a port</span>
      <input v-model="key" type="password" autocomplete="off" aria-label="Key of the switch" />
    </div>
    <p v-if="problem" class="stop" role="alert">{{ problem }}</p>
    <AllowHost v-if="closedHost" :host="closedHost" @allowed="read" />
    <template v-if="report && compared">
      <p>
        <b>{{ report.name }}</b> <span class="mono dim">{{ report.serial }}</span><template
          v-if="report.poeWatts !== null"
          >, {{ report.poeWatts }} W over all ports</template
        >
      </p>
      <p v-for="line in compared.differs" :key="line" class="finding">{{ line }}</p>
      <table aria-label="Ports of the switch">
        <thead>
          <tr>
            <th class="figure">Port</th>
            <th>Camera</th>
            <th class="figure">Link</th>
            <th class="figure">Gives</th>
            <th class="figure">Planned</th>
            <th>Differs from the plan</th>
            <th>Port power</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="{ port, camera, unknown, differs } in compared.ports" :key="port.number">
            <td class="figure mono">{{ port.number }}</td>
            <td>
              <template v-if="camera">{{ camera.number }} {{ camera.name }}</template>
              <span v-for="one in unknown" :key="one" class="unknown"
                ><span class="mono">{{ one }}</span>
                <PickField
                  :value="null"
                  :choices="cameras"
                  :label="`Camera of ${one}`"
                  placeholder="is camera…"
                  @take="(cameraId) => isCamera(cameraId, one)"
              /></span>
            </td>
            <td class="figure mono">{{ port.isUp ? `${port.mbps} Mb/s` : 'none' }}</td>
            <td class="figure mono">{{ port.poe?.isOn ? `${port.poe.watts.toFixed(1)} W` : '' }}</td>
            <td class="figure mono">{{ camera ? `${camera.watts.toFixed(1)} W` : '' }}</td>
            <td :class="{ differs: differs.length > 0 }">{{ differs.join('; ') }}</td>
            <td>
              <button
                v-if="port.poe && port.isUp"
                type="button"
                class="btn small"
                :disabled="busy || !key"
                @click="restart(port.number)"
              >
                Restart
              </button>
            </td>
          </tr>
        </tbody>
      </table>
      <p class="dim tiny">
        A restart takes the power off the port for some seconds: the picture behind it is dark meanwhile.
      </p>
    </template>
    <p v-else class="dim">
      Read it to see what is behind each port, what it gives, and where that differs from the plan.
    </p>
  </div>
</template>

<style scoped>
.switch {
  display: grid;
  align-content: start;
  gap: 12px;
}
.acts {
  flex-wrap: wrap;
  gap: 8px 10px;
  align-items: center;
}
.acts :deep(.text-field) {
  width: 150px;
}
.acts input[type='password'] {
  width: 90px;
  padding: 4px 6px;
  color: var(--ink);
  background: var(--sheet);
  border: 1px solid var(--rule-strong);
  border-radius: 4px;
}
.finding {
  padding: 4px 12px;
  border-left: 3px solid var(--ochre);
  background: var(--sheet);
}
table {
  width: 100%;
  border-collapse: collapse;
}
th,
td {
  text-align: left;
  padding: 5px 10px 5px 0;
  border-bottom: 1px solid var(--rule);
}
.figure {
  text-align: right;
  white-space: nowrap;
}
.differs {
  background: var(--madder-2);
  padding-left: 6px;
}
.unknown {
  display: inline-flex;
  gap: 6px;
  align-items: center;
}
</style>
