<script setup lang="ts">
import { computed } from 'vue';
import { backupInWords, type MainsCheck } from '#core/connect/supply';
import {
  addressSchema,
  isNetworkGear,
  withFields,
  type Change,
  type Equipment,
  type Gear,
  type GearKind,
} from '#core/model/site';
import { formatQuantity } from '#core/shared/units';
import { choices } from '#core/model/labels';
import FieldRow from '../../../parts/FieldRow.vue';
import LoadBar from '../../../parts/LoadBar.vue';
import PickField from '../../../parts/PickField.vue';
import QuantityField from '../../../parts/QuantityField.vue';
import TextField from '../../../parts/TextField.vue';
import { fitting } from '../../../parts/within';
import { useOpenSite } from '../../../stores/openSite';
import HookUpFields from './HookUpFields.vue';
import MonitorFields from './MonitorFields.vue';

/** Network gear, monitors, adapters, UPS, racks and mains circuits: what each is, and what hangs on it. */
const { equipment, mains } = defineProps<{ equipment: Equipment; mains: MainsCheck }>();
const emit = defineEmits<{ change: [what: string, changes: Change[]] }>();
const openSite = useOpenSite();

const places = computed(() =>
  Object.values(openSite.value.place).map(({ id, name }) => ({ value: id, label: name })),
);
const is = <K extends GearKind>(kind: K) =>
  equipment.gear.kind === kind ? (equipment.gear as Extract<Gear, { kind: K }>) : null;
const gear = computed(() => ({
  switch: is('switch'),
  coaxUnit: is('coax-unit'),
  encoder: is('encoder'),
  injector: is('injector'),
  keyboard: is('keyboard'),
  matrix: is('matrix'),
  linkEnd: is('link-end'),
  monitor: is('monitor'),
  adapter: is('adapter'),
  ups: is('ups'),
  rack: is('rack'),
  circuit: is('circuit'),
}));
const steering = [
  { value: 'pair' as const, label: 'A pair, or the coax' },
  { value: 'network' as const, label: 'The network' },
];
const endMedia = [
  { value: 'radio' as const, label: 'Radio' },
  { value: 'fibre' as const, label: 'Fibre' },
  { value: 'coax-converters' as const, label: 'Coax' },
  { value: 'power-line' as const, label: 'Mains wiring' },
];
/** What becomes of it: it stays, it goes when all is done, or it is still to be bought. */
type Fate = 'stays' | 'goes' | 'to-buy';
const fates = computed((): { value: Fate; label: string }[] => [
  { value: 'stays', label: 'Stays' },
  { value: 'goes', label: 'Goes when all is done' },
  ...(equipment.toBuy === undefined ? [] : [{ value: 'to-buy' as const, label: 'Is to be bought' }]),
]);
const fate = computed((): Fate => (equipment.toBuy ? 'to-buy' : equipment.goes ? 'goes' : 'stays'));

const circuit = computed(() => mains.circuits.find(({ id }) => id === equipment.id));
const ups = computed(() => mains.upses.find(({ id }) => id === equipment.id));
const rack = computed(() => mains.racks.find(({ id }) => id === equipment.id));
const hanging = computed(() => circuit.value ?? ups.value);
const words = { noted: '', computed: ' (from its cameras)', unknown: ' (watts not noted)' };

function set(what: string, fields: { [K in keyof Equipment]?: Equipment[K] | undefined }): void {
  emit('change', what, [{ kind: 'equipment', id: equipment.id, set: withFields(equipment, fields) }]);
}
type Planned = NonNullable<MainsCheck['upses'][number]['withPlanned']>;
/** What a UPS bears in the nights of the change; a worn battery has been told of beside today's load. */
function sideBySide({ watts, backup }: Planned): string {
  const more = `${formatQuantity(watts, 'W', 0)} more while old and new run side by side`;
  const isTold = backup.battery.kind === 'worn' && !backup.isOverloaded;
  return isTold ? more : `${more}: ${backupInWords(backup)}`;
}
/** A port that reaches further usually falls back to this. */
const usualReachMbps = 10;
type Cleared = 'ratedVa' | 'batteryYear' | 'portWatts' | 'reach' | 'recorderId' | 'tiles';
const setGear = (fields: Partial<Gear> | { [K in Cleared]?: string | string[] | undefined }) =>
  set('Figures', { gear: withFields<object>(equipment.gear, fields) as Gear });
</script>

<template>
  <div v-if="hanging" class="load">
    Load <LoadBar :load="hanging.load" :digits="0" /><span v-if="ups" class="dim">{{
      ups.backup === null ? 'nothing hangs on it' : backupInWords(ups.backup)
    }}</span>
  </div>
  <div v-if="ups?.voltAmps" class="load">Load <LoadBar :load="ups.voltAmps" :digits="0" /></div>
  <div v-if="ups?.withPlanned" class="load">
    With the chosen gear <LoadBar :load="ups.withPlanned.load" :digits="0" /><span class="dim">{{
      sideBySide(ups.withPlanned)
    }}</span>
  </div>
  <div v-if="ups?.withPlanned?.voltAmps" class="load">
    With the chosen gear <LoadBar :load="ups.withPlanned.voltAmps" :digits="0" />
  </div>
  <div v-if="rack" class="load">Units <LoadBar :load="rack.load" :digits="0" /></div>
  <p v-if="hanging?.load.status === 'fails' || ups?.voltAmps?.status === 'fails'" class="caution">
    More hangs on it than it may carry{{ circuit ? ' (80 % of its breaker)' : '' }}.
  </p>
  <FieldRow label="Name"
    ><TextField
      :value="equipment.name"
      label="Name of the gear"
      :refuse="(text) => (text ? undefined : 'a name')"
      @take="(name) => set('Name', { name })"
  /></FieldRow>
  <FieldRow label="Place"
    ><PickField
      :value="equipment.placeId"
      :choices="places"
      label="Place of the gear"
      @take="(placeId) => set('Place', { placeId })"
  /></FieldRow>
  <template v-if="gear.switch">
    <FieldRow label="Ports"
      ><QuantityField
        :value="gear.switch.ports"
        unit=""
        label="Ports"
        :allowed="fitting('equipment', 'gear[switch].ports')"
        @take="(ports) => setGear({ ports })" /><span class="dim tiny">of them with power</span
      ><QuantityField
        :value="gear.switch.poePorts"
        unit=""
        label="Ports with power"
        :allowed="fitting('equipment', 'gear[switch].poePorts')"
        @take="(poePorts) => setGear({ poePorts })"
    /></FieldRow>
    <FieldRow label="Power budget"
      ><QuantityField
        :value="gear.switch.poeWatts"
        unit="W"
        label="Power budget"
        :allowed="fitting('equipment', 'gear[switch].poeWatts', 'W')"
        @take="(poeWatts) => setGear({ poeWatts })" /><span class="dim tiny">one port at most</span
      ><QuantityField
        :value="gear.switch.portWatts ?? null"
        unit="W"
        label="Watts of one port"
        clearable
        :allowed="fitting('equipment', 'gear[switch].portWatts', 'W')"
        @take="(portWatts) => setGear({ portWatts })"
        @clear="setGear({ portWatts: undefined })"
    /></FieldRow>
    <FieldRow label="Uplink"
      ><QuantityField
        :value="gear.switch.uplinkMbps"
        unit="Mb/s"
        label="Uplink"
        :allowed="fitting('equipment', 'gear[switch].uplinkMbps', 'Mb/s')"
        @take="(uplinkMbps) => setGear({ uplinkMbps })"
    /></FieldRow>
    <FieldRow label="Reaches" hint="Only of ports that are made to reach further than 100 m, at a lower rate."
      ><QuantityField
        :value="gear.switch.reach?.metres ?? null"
        unit="m"
        label="Reach of its ports"
        clearable
        :allowed="fitting('equipment', 'gear[switch].reach.metres', 'm')"
        @take="(metres) => setGear({ reach: { mbps: usualReachMbps, ...gear.switch!.reach, metres } })"
        @clear="setGear({ reach: undefined })" /><template v-if="gear.switch.reach"
        ><span class="dim tiny">at</span
        ><QuantityField
          :value="gear.switch.reach.mbps"
          unit="Mb/s"
          label="Rate at its reach"
          :allowed="fitting('equipment', 'gear[switch].reach.mbps', 'Mb/s')"
          @take="(mbps) => setGear({ reach: { ...gear.switch!.reach!, mbps } })" /></template
    ></FieldRow>
    <FieldRow label="Others take" hint="Desks, phones and doors on the same switch."
      ><QuantityField
        :value="gear.switch.taken?.ports ?? 0"
        unit=""
        label="Ports that others take"
        :allowed="fitting('equipment', 'gear[switch].taken.ports')"
        @take="(ports) => setGear({ taken: { watts: 0, ...gear.switch!.taken, ports } })" /><span
        class="dim tiny"
        >ports and</span
      ><QuantityField
        :value="gear.switch.taken?.watts ?? 0"
        unit="W"
        label="Watts that others take"
        :allowed="fitting('equipment', 'gear[switch].taken.watts', 'W')"
        @take="(watts) => setGear({ taken: { ports: 0, ...gear.switch!.taken, watts } })"
    /></FieldRow>
  </template>
  <template v-else-if="gear.coaxUnit">
    <FieldRow label="Ports"
      ><QuantityField
        :value="gear.coaxUnit.ports"
        unit=""
        label="Ports"
        :allowed="fitting('equipment', 'gear[coax-unit].ports')"
        @take="(ports) => setGear({ ports })"
    /></FieldRow>
    <FieldRow label="Power budget"
      ><QuantityField
        :value="gear.coaxUnit.poeWatts"
        unit="W"
        label="Power budget"
        :allowed="fitting('equipment', 'gear[coax-unit].poeWatts', 'W')"
        @take="(poeWatts) => setGear({ poeWatts })"
    /></FieldRow>
    <FieldRow label="Uplink"
      ><QuantityField
        :value="gear.coaxUnit.uplinkMbps"
        unit="Mb/s"
        label="Uplink"
        :allowed="fitting('equipment', 'gear[coax-unit].uplinkMbps', 'Mb/s')"
        @take="(uplinkMbps) => setGear({ uplinkMbps })"
    /></FieldRow>
  </template>
  <template v-else-if="gear.encoder">
    <FieldRow label="Inputs"
      ><QuantityField
        :value="gear.encoder.ports"
        unit=""
        label="Inputs of the encoder"
        :allowed="fitting('equipment', 'gear[encoder].ports')"
        @take="(ports) => setGear({ ports })"
    /></FieldRow>
    <FieldRow label="Uplink"
      ><QuantityField
        :value="gear.encoder.uplinkMbps"
        unit="Mb/s"
        label="Uplink"
        :allowed="fitting('equipment', 'gear[encoder].uplinkMbps', 'Mb/s')"
        @take="(uplinkMbps) => setGear({ uplinkMbps })"
    /></FieldRow>
  </template>
  <FieldRow v-else-if="gear.injector" label="Gives"
    ><QuantityField
      :value="gear.injector.portWatts"
      unit="W"
      label="Watts of the injector"
      :allowed="fitting('equipment', 'gear[injector].portWatts', 'W')"
      @take="(portWatts) => setGear({ portWatts })"
  /></FieldRow>
  <FieldRow v-else-if="gear.keyboard" label="Steers over"
    ><PickField
      :value="gear.keyboard.steersOver"
      :choices="steering"
      label="What it steers over"
      @take="(steersOver) => setGear({ steersOver })"
  /></FieldRow>
  <FieldRow v-else-if="gear.matrix" label="Inputs"
    ><QuantityField
      :value="gear.matrix.inputs"
      unit=""
      label="Inputs of the matrix"
      :allowed="fitting('equipment', 'gear[matrix].inputs')"
      @take="(inputs) => setGear({ inputs })" /><span class="dim tiny">outputs</span
    ><QuantityField
      :value="gear.matrix.outputs"
      unit=""
      label="Outputs of the matrix"
      :allowed="fitting('equipment', 'gear[matrix].outputs')"
      @take="(outputs) => setGear({ outputs })"
  /></FieldRow>
  <template v-else-if="gear.linkEnd">
    <FieldRow label="Over"
      ><PickField
        :value="gear.linkEnd.medium"
        :choices="endMedia"
        label="What it sends over"
        @take="(medium) => setGear({ medium })"
    /></FieldRow>
    <FieldRow label="Carries"
      ><QuantityField
        :value="gear.linkEnd.carriesMbps"
        unit="Mb/s"
        label="What it carries"
        :allowed="fitting('equipment', 'gear[link-end].carriesMbps', 'Mb/s')"
        @take="(carriesMbps) => setGear({ carriesMbps })"
    /></FieldRow>
  </template>
  <MonitorFields v-else-if="gear.monitor" :monitor="gear.monitor" @set="setGear" />
  <FieldRow v-else-if="gear.adapter" label="Gives">
    <PickField
      :value="gear.adapter.current"
      :choices="choices.current"
      label="Adapter DC or AC"
      @take="(current) => setGear({ current })"
    />
    <QuantityField
      :value="gear.adapter.volts"
      unit="V"
      label="Adapter volts"
      :allowed="fitting('equipment', 'gear[adapter].volts', 'V')"
      @take="(volts) => setGear({ volts })"
    />
    <QuantityField
      :value="gear.adapter.ratedAmps"
      unit="A"
      label="Adapter amps"
      :allowed="fitting('equipment', 'gear[adapter].ratedAmps', 'A')"
      @take="(ratedAmps) => setGear({ ratedAmps })"
    />
  </FieldRow>
  <template v-else-if="gear.ups">
    <FieldRow label="Usable energy"
      ><QuantityField
        :value="gear.ups.usableWh"
        unit=""
        label="Usable watt-hours"
        :allowed="fitting('equipment', 'gear[ups].usableWh')"
        @take="(usableWh) => setGear({ usableWh })"
      /><span class="dim tiny">Wh</span></FieldRow
    >
    <FieldRow label="Efficiency"
      ><QuantityField
        :value="gear.ups.efficiencyPercent"
        unit="%"
        label="Inverter efficiency"
        :allowed="fitting('equipment', 'gear[ups].efficiencyPercent', '%')"
        @take="(efficiencyPercent) => setGear({ efficiencyPercent })"
    /></FieldRow>
    <FieldRow label="Rated"
      ><QuantityField
        :value="gear.ups.ratedWatts"
        unit="W"
        label="Rated watts"
        :allowed="fitting('equipment', 'gear[ups].ratedWatts', 'W')"
        @take="(ratedWatts) => setGear({ ratedWatts })" /><span class="dim tiny">and</span
      ><QuantityField
        :value="gear.ups.ratedVa ?? null"
        unit="VA"
        label="Rated volt-amperes"
        clearable
        :allowed="fitting('equipment', 'gear[ups].ratedVa', 'VA')"
        @take="(ratedVa) => setGear({ ratedVa })"
        @clear="setGear({ ratedVa: undefined })"
    /></FieldRow>
    <FieldRow label="Battery of"
      ><QuantityField
        :value="gear.ups.batteryYear ?? null"
        unit=""
        label="Year on the battery"
        clearable
        :allowed="fitting('equipment', 'gear[ups].batteryYear')"
        @take="(batteryYear) => setGear({ batteryYear })"
        @clear="setGear({ batteryYear: undefined })"
    /></FieldRow>
  </template>
  <FieldRow v-else-if="gear.rack" label="Units"
    ><QuantityField
      :value="gear.rack.units"
      unit=""
      label="Units of the rack"
      :allowed="fitting('equipment', 'gear[rack].units')"
      @take="(units) => setGear({ units })"
  /></FieldRow>
  <FieldRow v-else-if="gear.circuit" label="Breaker">
    <QuantityField
      :value="gear.circuit.volts"
      unit="V"
      label="Volts of the circuit"
      :allowed="fitting('equipment', 'gear[circuit].volts', 'V')"
      @take="(volts) => setGear({ volts })"
    />
    <QuantityField
      :value="gear.circuit.breakerAmps"
      unit="A"
      label="Breaker amps"
      :allowed="fitting('equipment', 'gear[circuit].breakerAmps', 'A')"
      @take="(breakerAmps) => setGear({ breakerAmps })"
    />
  </FieldRow>
  <FieldRow
    v-if="isNetworkGear(equipment.gear) && !gear.injector"
    label="Address"
    hint="On the camera network."
    ><TextField
      :value="equipment.address ?? ''"
      label="Address of the gear"
      placeholder="10.20.0.2"
      :refuse="
        (text) =>
          text === '' || addressSchema.safeParse(text).success ? undefined : 'an address such as 10.20.0.2'
      "
      @take="(address) => set('Address', { address: address || undefined })"
  /></FieldRow>
  <HookUpFields
    v-if="!gear.rack && !gear.circuit"
    :hook-up="equipment.hookUp"
    :own-id="equipment.id"
    :watts="!gear.ups"
    @set="(hookUp) => set('Hook-up', { hookUp })"
  />
  <FieldRow label="At the end"
    ><PickField
      :value="fate"
      :choices="fates"
      label="What becomes of it"
      @take="
        (to) =>
          set('Future', {
            goes: to === 'goes' ? true : undefined,
            ...(to === 'to-buy' ? {} : { toBuy: undefined }),
          })
      "
  /></FieldRow>
  <FieldRow label="Note"
    ><TextField
      :value="equipment.note ?? ''"
      label="Note on the gear"
      @take="(note) => set('Note', { note: note || undefined })"
  /></FieldRow>
  <p v-if="hanging && hanging.consumers.length > 0" class="dim">
    Connected loads:
    {{
      hanging.consumers
        .map(({ name, watts, from }) => `${name} ${formatQuantity(watts, 'W', 0)}${words[from]}`)
        .join(', ')
    }}.
  </p>
  <p v-if="rack && rack.things.length > 0" class="dim">
    Mounted in it: {{ rack.things.map(({ name, units }) => `${name} ${units} U`).join(', ') }}.
  </p>
  <p v-if="gear.circuit" class="caution">Fixed wiring is for licensed people, by local code.</p>
  <p v-if="gear.ups" class="caution">Batteries: heavy, short-circuit currents, acid. Look at their date.</p>
</template>

<style scoped>
.load {
  display: flex;
  gap: 10px;
  align-items: center;
}
</style>
