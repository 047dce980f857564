<script setup lang="ts">
import { computed, ref } from 'vue';
import { channelColumns, channelList, givenAddresses, prerequisites } from '#core/allocate/device';
import type { RecorderState } from '#core/allocate/recorder';
import {
  addressSchema,
  hardwareAddressSchema,
  withFields,
  type NetworkConfig,
  type RecorderNetwork,
} from '#core/model/site';
import { rangesIn, rangesText } from '#core/shared/network';
import FieldRow from '../../parts/FieldRow.vue';
import QuantityField from '../../parts/QuantityField.vue';
import RestsOnLine from '../../parts/RestsOnLine.vue';
import TextField from '../../parts/TextField.vue';
import { fitting } from '../../parts/within';
import { useOpenEvaluation, useOpenSite } from '../../stores/openSite';
import { useSite } from '../../stores/site';
import { downloadBlob, useTables } from '../../tables/useTables';

/** What has to be so before a recorder takes its cameras, in the order in which a person sees to it, and the list to carry there. */
const store = useSite();
const openSite = useOpenSite();
const summary = useOpenEvaluation();
const tables = useTables();
const states = computed(() => summary.value.allocation.recorders);
const checks = computed(() =>
  states.value.map((state) => ({
    state,
    list: prerequisites(openSite.value, state),
    channels: channelList(openSite.value, state),
    onIp: state.slots.flatMap(({ occupants }) =>
      occupants.filter(({ need }) => need.signal.kind === 'ip').map(({ need }) => need),
    ),
  })),
);
const networkConfig = (id: string): NetworkConfig => openSite.value.networkConfig[id] ?? { id };
const refuseAddress = (text: string) =>
  text === '' || addressSchema.safeParse(text).success ? undefined : 'an address such as 10.20.0.5';

const refuseRanges = (text: string) =>
  rangesIn(text) ? undefined : 'Enter ranges such as 10.20.0.200 to 10.20.0.250.';

/** As it is kept, however a label prints it: 02-00-5E-10-00-14, 02005e100014. */
const asHardwareAddress = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[^0-9a-f]/g, '')
    .replace(/(..)(?=.)/g, '$1:');
const refuseHardwareAddress = (text: string) =>
  text === '' || hardwareAddressSchema.safeParse(asHardwareAddress(text)).success
    ? undefined
    : 'twelve figures, such as 02:00:5e:10:00:14';

type Joining = { address?: string; hardwareAddress?: string; passwordHeldBy?: string };
function setJoining(id: string, number: number, fields: Joining): void {
  const given = Object.entries(fields).map(([field, text]) => [field, text === '' ? undefined : text]);
  const set = withFields(networkConfig(id), Object.fromEntries(given) as Partial<NetworkConfig>);
  store.change(`How camera ${number} joins`, [{ kind: 'networkConfig', id, set }]);
}
/** Why the network of a recorder cannot be as it was said last. */
const refused = ref<{ recorderId: string; why: string }>();
function setNetwork(recorderId: string, fields: Partial<RecorderNetwork>): void {
  const recorder = openSite.value.recorder[recorderId]!;
  const {
    address,
    prefixBits,
    timeSource,
    gateway,
    kept = [],
  }: RecorderNetwork = { ...(recorder.network ?? { address: '', prefixBits: 24 }), ...fields };
  const { network: _, ...rest } = recorder;
  const set = address
    ? {
        ...rest,
        network: {
          address,
          prefixBits,
          ...(gateway ? { gateway } : {}),
          ...(timeSource ? { timeSource } : {}),
          ...(kept.length > 0 ? { kept: [...kept] } : {}),
        },
      }
    : rest;
  const [problem] = store.change(`Network of ${recorder.name}`, [{ kind: 'recorder', id: recorderId, set }]);
  refused.value = problem && { recorderId, why: `That cannot be: ${problem.allowed}.` };
}
function giveAddresses(state: RecorderState): void {
  const changes = givenAddresses(openSite.value, state);
  if (changes.length > 0)
    store.change(`Give ${changes.length} address${changes.length === 1 ? '' : 'es'}`, changes);
}
async function saveList(): Promise<void> {
  const rows = checks.value.flatMap(({ channels }) => channels);
  const csv = await tables.rowsCsv(
    channelColumns.map(({ label }) => label),
    rows.map((row) => Object.fromEntries(channelColumns.map(({ id, label }) => [label, String(row[id])]))),
  );
  downloadBlob(new Blob([csv], { type: 'text/csv;charset=utf-8' }), `${store.id}-channels.csv`);
}
const print = () => window.print();
</script>

<template>
  <div class="ready">
    <RestsOnLine />
    <div class="row no-print">
      <span class="dim"
        >In this order, before a recorder takes its cameras. A password is never kept here, only who holds
        it.</span
      ><span class="push" /> <button type="button" class="btn" @click="saveList">Channel list as CSV</button
      ><button type="button" class="btn" @click="print">Print the channel lists</button>
    </div>
    <section
      v-for="{ state, list, onIp, channels } in checks"
      :key="state.recorder.id"
      :data-ready="state.recorder.id"
      class="recorder"
    >
      <h2>{{ state.recorder.name }}</h2>
      <div class="columns no-print">
        <ol>
          <li v-for="one in list" :key="one.id" :class="one.state" :data-check="one.id">
            <span class="mark" aria-hidden="true">{{ { met: '✓', open: '○', do: '▸' }[one.state] }}</span>
            {{ one.message }}
            <span class="dim tiny">{{
              { met: 'OK', open: 'not yet', do: 'done automatically on apply' }[one.state]
            }}</span>
            <p v-for="missing in one.missing.slice(0, 6)" :key="missing.why" class="tiny why">
              {{ missing.why }}
            </p>
            <p v-if="one.missing.length > 6" class="tiny dim">and {{ one.missing.length - 6 }} more</p>
          </li>
        </ol>
        <div>
          <FieldRow label="Address"
            ><TextField
              :value="state.recorder.network?.address ?? ''"
              :label="`Address of ${state.recorder.name}`"
              placeholder="10.20.0.5"
              :refuse="refuseAddress"
              @take="(address) => setNetwork(state.recorder.id, { address })"
          /></FieldRow>
          <FieldRow v-if="state.recorder.network" label="Network bits"
            ><QuantityField
              :value="state.recorder.network.prefixBits"
              unit=""
              :label="`Network bits of ${state.recorder.name}`"
              :allowed="fitting('recorder', 'network.prefixBits')"
              @take="(prefixBits) => setNetwork(state.recorder.id, { prefixBits })"
          /></FieldRow>
          <FieldRow
            v-if="state.recorder.network"
            label="Gateway"
            hint="Left empty, the first address is kept for one."
            ><TextField
              :value="state.recorder.network.gateway ?? ''"
              :label="`Gateway of ${state.recorder.name}`"
              placeholder="10.20.0.1"
              :refuse="refuseAddress"
              @take="(gateway) => setNetwork(state.recorder.id, { gateway })"
          /></FieldRow>
          <FieldRow v-if="state.recorder.network" label="Time from"
            ><TextField
              :value="state.recorder.network.timeSource ?? ''"
              :label="`Time source of ${state.recorder.name}`"
              placeholder="a time server’s address"
              @take="(timeSource) => setNetwork(state.recorder.id, { timeSource })"
          /></FieldRow>
          <FieldRow
            v-if="state.recorder.network"
            label="Kept free"
            hint="What a router hands out, and what stays spare: no device is given one of these."
            ><TextField
              :value="rangesText(state.recorder.network.kept ?? [])"
              :label="`Addresses kept free at ${state.recorder.name}`"
              placeholder="10.20.0.200 to 10.20.0.250"
              :refuse="refuseRanges"
              @take="(text) => setNetwork(state.recorder.id, { kept: rangesIn(text) ?? [] })"
          /></FieldRow>
          <p v-if="refused?.recorderId === state.recorder.id" class="stop" role="alert">{{ refused.why }}</p>
          <button
            v-if="onIp.some(({ cameraId }) => !networkConfig(cameraId).address)"
            type="button"
            class="btn small"
            :disabled="!state.recorder.network"
            @click="giveAddresses(state)"
          >
            Give addresses to those without
          </button>
        </div>
      </div>
      <table v-if="onIp.length > 0" class="no-print">
        <thead>
          <tr>
            <td class="num" />
            <th>Network camera</th>
            <th>Address</th>
            <th>Hardware address</th>
            <th>First password set and held by</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="need in onIp" :key="need.cameraId" :data-joins="need.cameraId">
            <td class="num mono dim">{{ need.number }}</td>
            <td>{{ need.name }}</td>
            <td>
              <TextField
                :value="networkConfig(need.cameraId).address ?? ''"
                :label="`Address of camera ${need.number}`"
                :refuse="refuseAddress"
                @take="(address) => setJoining(need.cameraId, need.number, { address })"
              />
            </td>
            <td>
              <TextField
                :value="networkConfig(need.cameraId).hardwareAddress ?? ''"
                :label="`Camera ${need.number}, hardware address`"
                placeholder="as printed on it"
                :refuse="refuseHardwareAddress"
                @take="
                  (text) =>
                    setJoining(need.cameraId, need.number, { hardwareAddress: asHardwareAddress(text) })
                "
              />
            </td>
            <td>
              <TextField
                :value="networkConfig(need.cameraId).passwordHeldBy ?? ''"
                :label="`Who holds the password of camera ${need.number}`"
                placeholder="nobody yet"
                @take="(passwordHeldBy) => setJoining(need.cameraId, need.number, { passwordHeldBy })"
              />
            </td>
          </tr>
        </tbody>
      </table>
      <table class="channels only-print">
        <thead>
          <tr>
            <th class="num">slot</th>
            <th>where</th>
            <th>channel name</th>
            <th>signal</th>
            <th>address</th>
            <th>password held by</th>
            <th>done</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in channels" :key="row.slot">
            <td class="num mono">{{ row.slot }}</td>
            <td>{{ row.label }}</td>
            <td>{{ row.name }}</td>
            <td>{{ row.signal }}</td>
            <td class="mono">{{ row.address }}</td>
            <td>{{ row.passwordHeldBy }}</td>
            <td>☐</td>
          </tr>
        </tbody>
      </table>
    </section>
  </div>
</template>

<style scoped>
.ready {
  display: flex;
  flex-direction: column;
  gap: 14px;
}
.recorder {
  border-top: 1px solid var(--rule-strong);
  padding-top: 6px;
  display: grid;
  gap: 8px;
}
.columns {
  display: grid;
  grid-template-columns: minmax(340px, 3fr) minmax(260px, 2fr);
  gap: 24px;
  align-items: start;
}
ol {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 4px;
}
.mark {
  display: inline-block;
  width: 16px;
  font-family: var(--mono);
}
.met .mark {
  color: var(--verdigris);
}
.open .mark {
  color: var(--madder);
}
.do .mark {
  color: var(--copper);
}
.why {
  padding-left: 20px;
  color: var(--ink-2);
}
th {
  text-align: left;
}
.num {
  text-align: right;
  padding-right: 8px;
}
td :deep(input) {
  max-width: 220px;
}
.only-print {
  display: none;
}
@media print {
  .only-print {
    display: table;
  }
  .recorder {
    break-after: page;
  }
}
@media (max-width: 900px) {
  .columns {
    grid-template-columns: 1fr;
  }
}
</style>
