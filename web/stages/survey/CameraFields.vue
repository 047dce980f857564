<script setup lang="ts">
import { computed } from 'vue';
import {
  aboutOf,
  asKind,
  cameraKinds,
  noteCamera,
  noteWatts,
  type Assumable,
  type Camera,
  type FactUpdate,
} from '#core/model/site';
import { choices, schemesOf } from '#core/model/labels';
import { pictureFormat } from '#core/physics/signal';
import FieldRow from '../../parts/FieldRow.vue';
import PickField from '../../parts/PickField.vue';
import QuantityField from '../../parts/QuantityField.vue';
import TextField from '../../parts/TextField.vue';
import { fitting } from '../../parts/within';
import YesNoField from '../../parts/YesNoField.vue';
import { useOpenSite } from '../../stores/openSite';
import LensFields from './LensFields.vue';
import NeedFields from './NeedFields.vue';
import TelemetryFields from './TelemetryFields.vue';

const { camera } = defineProps<{ camera: Camera }>();
const emit = defineEmits<{ set: [what: string, next: FactUpdate<Camera>] }>();
const openSite = useOpenSite();

const places = computed(() =>
  Object.values(openSite.value.place).map(({ id, name }) => ({ value: id, label: name })),
);
const kinds = cameraKinds.map(({ id, label }) => ({ value: id, label }));
const note = (what: string, fields: { [K in keyof Camera]?: Camera[K] | undefined }) =>
  emit('set', what, (now) => noteCamera(now, fields));
const isAssumed = (field: Assumable) => camera.assumed?.includes(field) ?? false;
const confirm = (field: Assumable) => note('Looked at', { [field]: camera[field] });

const nameAllowed = (text: string) =>
  text.length >= 1 && text.length <= 80 ? undefined : 'from 1 to 80 characters';
const purposeAllowed = (text: string) => (text.length <= 200 ? undefined : 'up to 200 characters');
const setWatts = (fields: Parameters<typeof noteWatts>[1]) =>
  emit('set', 'Watts', (now) => noteWatts(now, fields));
const setWindow = (fields: Partial<Camera['supply']['window']>) =>
  emit('set', 'Voltage window', (now) => {
    const window = { ...now.supply.window, ...fields, from: 'data-sheet' as const };
    return noteCamera(now, { supply: { ...now.supply, window } });
  });
</script>

<template>
  <FieldRow label="Fill from template" hint="Fills in what such a camera usually has; put right what differs."
    ><PickField
      :value="null"
      :choices="kinds"
      label="Fill from template"
      placeholder="Choose a template"
      @take="
        (id) =>
          emit('set', 'Kind', (now) =>
            asKind(
              now,
              cameraKinds.find((kind) => kind.id === id)!,
            ),
          )
      "
  /></FieldRow>
  <FieldRow label="Number"
    ><QuantityField
      :value="camera.number"
      unit=""
      label="Camera number"
      :allowed="fitting('camera', 'number')"
      @take="(number) => note('Number', { number })"
  /></FieldRow>
  <FieldRow label="View"
    ><TextField
      :value="camera.name"
      label="View"
      :refuse="nameAllowed"
      @take="(name) => note('Name', { name })"
  /></FieldRow>
  <FieldRow label="Purpose of view" field="purpose"
    ><TextField
      :value="camera.purpose"
      label="Purpose of view"
      placeholder="Faces at the desk, number plates…"
      :refuse="purposeAllowed"
      @take="(purpose) => note('Purpose', { purpose })"
  /></FieldRow>
  <FieldRow label="Mounted at"
    ><PickField
      :value="camera.placeId"
      :choices="places"
      label="Place"
      @take="(placeId) => note('Place', { placeId })"
  /></FieldRow>
  <FieldRow label="Body" field="body" :assumed="isAssumed('body')" @confirm="confirm('body')"
    ><PickField
      :value="camera.body"
      :choices="choices.body"
      label="Body"
      @take="(body) => note('Body', { body })"
  /></FieldRow>
  <TelemetryFields
    v-if="camera.body === 'turning'"
    :camera="camera"
    @set="(what, next) => emit('set', what, next)"
  />
  <FieldRow label="Picture" field="format" :assumed="isAssumed('format')" @confirm="confirm('format')"
    ><PickField
      :value="camera.format"
      :choices="choices.format"
      label="Picture format"
      @take="(format) => note('Format', { format })"
  /></FieldRow>
  <FieldRow
    v-if="pictureFormat(camera.format).family === 'analog-hd'"
    label="HD scheme"
    hint="Three do not understand each other: the recorder's own, and how the camera is told which to send."
  >
    <PickField
      :value="camera.scheme ?? null"
      :choices="schemesOf(aboutOf(openSite))"
      label="HD scheme"
      placeholder="Not noted"
      @take="(scheme) => note('HD scheme', { scheme })"
    />
    <PickField
      :value="camera.schemeSetBy ?? null"
      :choices="choices.schemeSetBy"
      label="How its scheme is set"
      placeholder="How it is set"
      @take="(schemeSetBy) => note('HD scheme', { schemeSetBy })"
    />
  </FieldRow>
  <FieldRow
    label="Line standard"
    field="lineStandard"
    :assumed="isAssumed('lineStandard')"
    @confirm="confirm('lineStandard')"
    ><PickField
      :value="camera.lineStandard"
      :choices="choices.lineStandard"
      label="Line standard"
      @take="(lineStandard) => note('Line standard', { lineStandard })"
  /></FieldRow>
  <LensFields :camera="camera" @note="note" />
  <FieldRow
    label="IR / white-light LEDs"
    field="lamps"
    :assumed="isAssumed('lamps')"
    @confirm="confirm('lamps')"
    ><PickField
      :value="camera.lamps"
      :choices="choices.lamps"
      label="IR / white-light LEDs"
      @take="(lamps) => note('Lamps', { lamps })"
  /></FieldRow>
  <FieldRow label="Heater" field="heater" :assumed="isAssumed('heater')" @confirm="confirm('heater')"
    ><YesNoField :value="camera.heater" label="Heater" @take="(heater) => note('Heater', { heater })"
  /></FieldRow>
  <FieldRow label="Motor, fan, wiper"
    ><YesNoField
      :value="camera.motor ?? false"
      label="Motor, fan or wiper"
      @take="(motor) => note('Motor', { motor: motor || undefined })"
  /></FieldRow>
  <FieldRow
    label="Microphone"
    field="microphone"
    :assumed="isAssumed('microphone')"
    @confirm="confirm('microphone')"
    ><YesNoField
      :value="camera.microphone"
      label="Microphone"
      @take="(microphone) => note('Microphone', { microphone })"
  /></FieldRow>
  <p v-if="camera.microphone" class="caution">
    Recording sound is restricted by law in many places. Ask the customer whether it may stay before it is
    kept, and who has to be told.
  </p>
  <FieldRow label="Watts, day" field="watts" :assumed="isAssumed('watts')" @confirm="confirm('watts')">
    <QuantityField
      :value="camera.watts.day"
      unit="W"
      label="Watts by day"
      :allowed="fitting('camera', 'watts.day', 'W')"
      @take="(day) => setWatts({ day })"
    />
    <span class="dim">night</span>
    <QuantityField
      :value="camera.watts.night"
      unit="W"
      label="Watts by night"
      :allowed="fitting('camera', 'watts.night', 'W')"
      @take="(night) => setWatts({ night })"
    />
    <span class="dim">start</span>
    <QuantityField
      :value="camera.watts.startUp"
      unit="W"
      label="Watts at start-up"
      :allowed="fitting('camera', 'watts.startUp', 'W')"
      @take="(startUp) => setWatts({ startUp })"
    />
  </FieldRow>
  <FieldRow
    v-if="camera.heater"
    label="Heater, of the night watts"
    hint="What the data sheet gives at 12 V or 24 V. Left empty, all of the night counts as electronics, which is the more cautious figure."
  >
    <QuantityField
      :value="camera.watts.heater ?? null"
      unit="W"
      label="Heater watts"
      :allowed="fitting('camera', 'watts.heater', 'W')"
      clearable
      @take="(heater) => setWatts({ heater })"
      @clear="setWatts({ heater: undefined })"
    />
  </FieldRow>
  <FieldRow
    label="Supply voltage, min-max"
    field="supply"
    :assumed="isAssumed('supply')"
    @confirm="confirm('supply')"
  >
    <PickField
      :value="camera.supply.current"
      :choices="choices.current"
      label="DC or AC"
      @take="(current) => note('Supply', { supply: { ...camera.supply, current } })"
    />
    <QuantityField
      :value="camera.supply.window.minVolts"
      unit="V"
      label="Lowest volts"
      :allowed="fitting('camera', 'supply.window.minVolts', 'V')"
      @take="(minVolts) => setWindow({ minVolts })"
    />
    <QuantityField
      :value="camera.supply.window.maxVolts"
      unit="V"
      label="Highest volts"
      :allowed="fitting('camera', 'supply.window.maxVolts', 'V')"
      @take="(maxVolts) => setWindow({ maxVolts })"
    />
  </FieldRow>
  <FieldRow label="Condition" field="worthKeeping"
    ><PickField
      :value="camera.worthKeeping"
      :choices="choices.worthKeeping"
      label="Condition"
      @take="(worthKeeping) => note('Condition', { worthKeeping })"
  /></FieldRow>
  <FieldRow label="Replacement camera"
    ><PickField
      :value="camera.target"
      :choices="choices.target"
      label="Replacement camera"
      @take="(target) => note('Replacement camera', { target })"
  /></FieldRow>
  <NeedFields :camera="camera" @note="note" />
</template>
