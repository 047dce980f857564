<script setup lang="ts">
import { computed, onMounted, ref, shallowRef, watch } from 'vue';
import { compareSwitch } from '#core/connect/switchReport';
import type { Network } from '#core/connect/topology';
import { withFields } from '#core/model/site';
import { thingKey } from '#core/signoff/acceptance';
import { formatQuantity } from '#core/shared/units';
import AllowHost from '../../parts/AllowHost.vue';
import TextField from '../../parts/TextField.vue';
import { useEvaluation } from '../../stores/evaluation';
import { useOpenSite } from '../../stores/openSite';
import { useSignOff } from '../../stores/signOff';
import { useSite } from '../../stores/site';
import { useSwitchLine } from '../../stores/switchLine';

/** The port of a switch that a new camera hangs on, asked while whoever changed it still stands there. */
const { cameraId } = defineProps<{ cameraId: string }>();
const store = useSite();
const openSite = useOpenSite();
const evaluation = useEvaluation();
const signOff = useSignOff();

const network = shallowRef<Network | null>(null);
watch(
  [() => evaluation.result, () => cameraId],
  async () => (network.value = await evaluation.network({ kind: 'after' })),
  { immediate: true },
);
const end = computed(
  () => network.value?.topology.cameras.find((camera) => camera.cameraId === cameraId) ?? null,
);
const device = computed(
  () =>
    network.value?.topology.devices.find(
      ({ id, kind }) => id === end.value?.deviceId && (kind === 'switch' || kind === 'field-switch'),
    ) ?? null,
);
const deviceId = computed(() => device.value?.id ?? null);
const { address, key, report, problem, closedHost, busy, discover, read, restart } = useSwitchLine(deviceId);
onMounted(() => {
  void discover();
  void signOff.look();
});
watch(deviceId, () => void discover());

const compared = computed(() =>
  report.value && network.value && deviceId.value
    ? compareSwitch(openSite.value, network.value.topology, deviceId.value, report.value)
    : null,
);
const mine = computed(
  () => compared.value?.ports.find(({ camera }) => camera?.cameraId === cameraId) ?? null,
);
/** A port whose power was taken is known by its number until the camera has started and is seen behind it again. */
const restarted = ref<number | null>(null);
const starting = computed(() =>
  mine.value ? null : (compared.value?.ports.find(({ port }) => port.number === restarted.value) ?? null),
);
async function powerOffAndOn(port: number): Promise<void> {
  restarted.value = port;
  await restart(port);
}
/** Ports with something on them that nobody has named yet: the new camera is one of those. */
const unnamed = computed(() =>
  (compared.value?.ports ?? []).flatMap(({ port, unknown }) =>
    unknown.map((hardwareAddress) => ({ port: port.number, hardwareAddress })),
  ),
);
function isIt(hardwareAddress: string): void {
  const config = openSite.value.networkConfig[cameraId] ?? { id: cameraId };
  problem.value = store
    .change(`Hardware address of camera ${openSite.value.camera[cameraId]!.number}`, [
      { kind: 'networkConfig', id: cameraId, set: withFields(config, { hardwareAddress }) },
    ])
    .map(({ allowed }) => allowed)
    .join(' ');
}
const watts = computed(() => (mine.value?.port.poe?.isOn ? mine.value.port.poe.watts : null));
const thing = computed(() => signOff.byKey.get(thingKey({ kind: 'camera', id: cameraId })) ?? null);
const asksForWatts = computed(() => thing.value?.checks.some(({ check }) => check === 'port-watts') ?? false);
function keep(): void {
  if (!thing.value || watts.value === null || !report.value) return;
  problem.value = signOff.read(
    thing.value,
    'port-watts',
    { kind: 'figure', value: watts.value },
    { instrument: report.value.name, serial: report.value.serial },
  );
}
</script>

<template>
  <details v-if="device && end" class="port" :data-switch="device.id">
    <summary>Port of {{ device.name }}</summary>
    <div class="inside">
      <div class="row">
        <TextField
          :value="address"
          label="Address of the switch"
          placeholder="10.20.0.9:80"
          @take="(text) => (address = text)"
        />
        <button type="button" class="btn go big" :disabled="busy || !address" @click="read">
          {{ busy ? 'Asking…' : 'Read the switch' }}
        </button>
      </div>
      <p v-if="problem" class="stop" role="alert">{{ problem }}</p>
      <AllowHost v-if="closedHost" :host="closedHost" @allowed="read" />
      <template v-if="mine">
        <p class="found" :class="{ differs: mine.differs.length > 0 }" :data-port="mine.port.number">
          <b>Port {{ mine.port.number }}</b
          >: {{ mine.port.isUp ? `link at ${mine.port.mbps} Mb/s` : 'no link' }},
          {{ watts === null ? 'gives no power' : `gives ${formatQuantity(watts, 'W')}` }},
          {{ end.watts > 0 ? formatQuantity(end.watts, 'W') : 'none' }} planned.
          <template v-if="mine.differs.length > 0">It differs: {{ mine.differs.join('; ') }}.</template>
        </p>
        <button
          v-if="asksForWatts && watts !== null && mine.port.isUp"
          type="button"
          class="btn big"
          @click="keep"
        >
          Keep {{ formatQuantity(watts, 'W') }} for the sign-off: lamps and heater are on
        </button>
        <div v-if="mine.port.poe" class="row">
          <input
            v-model="key"
            type="password"
            autocomplete="off"
            aria-label="Key of the switch"
            placeholder="its key"
          />
          <button
            type="button"
            class="btn big"
            :disabled="busy || !key"
            title="Takes the power off the port for some seconds"
            @click="powerOffAndOn(mine.port.number)"
          >
            Power it off and on
          </button>
        </div>
      </template>
      <p v-else-if="starting" class="found differs" :data-port="starting.port.number">
        <b>Port {{ starting.port.number }}</b
        >: no link yet: it starts. Read the switch again in a minute.
      </p>
      <template v-else-if="compared">
        <p>
          {{ unnamed.length > 0 ? 'Which of these is it? The label of the camera says.' : '' }}
          {{ unnamed.length === 0 ? 'It is behind no port yet. Check plug and power, and read again.' : '' }}
        </p>
        <button
          v-for="one in unnamed"
          :key="one.hardwareAddress"
          type="button"
          class="btn big"
          @click="isIt(one.hardwareAddress)"
        >
          Port {{ one.port }}: <span class="mono">{{ one.hardwareAddress }}</span>
        </button>
      </template>
    </div>
  </details>
</template>

<style scoped>
.port {
  border: 1px solid var(--rule-strong);
  background: var(--sheet);
}
summary {
  display: flex;
  align-items: center;
  min-height: 46px;
  padding: 0 10px;
  cursor: pointer;
}
.inside {
  display: grid;
  gap: 8px;
  padding: 0 10px 10px;
}
.row {
  flex-wrap: wrap;
  gap: 8px;
}
.row > * {
  flex: 1;
}
.big,
.inside input,
.inside :deep(input) {
  min-height: 46px;
}
.big {
  white-space: normal;
}
.inside input[type='password'] {
  min-width: 0;
  padding: 4px 10px;
  color: var(--ink);
  background: var(--paper);
  border: 1px solid var(--rule-strong);
}
.found {
  border-left: 4px solid var(--verdigris);
  padding: 6px 12px;
  background: var(--verdigris-3);
}
.found.differs {
  border-color: var(--madder);
  background: var(--madder-2);
}
</style>
