<script setup lang="ts">
import { notePlace, withFields, withFireClass, type FactUpdate, type Place } from '#core/model/site';
import { choices } from '#core/model/labels';
import FieldRow from '../../parts/FieldRow.vue';
import PickField from '../../parts/PickField.vue';
import PicksField from '../../parts/PicksField.vue';
import QuantityField from '../../parts/QuantityField.vue';
import TextField from '../../parts/TextField.vue';
import { fitting } from '../../parts/within';
import YesNoField from '../../parts/YesNoField.vue';

/** What a place is like: what the cable and the crew will meet there. */
const { place } = defineProps<{ place: Place }>();
const emit = defineEmits<{ set: [what: string, next: FactUpdate<Place>] }>();
const note = (what: string, fields: Partial<Place>) => emit('set', what, (now) => notePlace(now, fields));
const nameAllowed = (text: string) =>
  text.length >= 1 && text.length <= 80 ? undefined : 'from 1 to 80 characters';
</script>

<template>
  <FieldRow label="Place" field="place" :assumed="place.assumed ?? false" @confirm="note('Looked at', {})"
    ><TextField
      :value="place.name"
      label="Name of the place"
      :refuse="nameAllowed"
      @take="(name) => emit('set', 'Name', (now) => ({ ...now, name }))"
  /></FieldRow>
  <FieldRow label="It is a" field="place"
    ><PickField
      :value="place.role"
      :choices="choices.role"
      label="Kind of place"
      @take="(role) => note('Kind', { role })"
  /></FieldRow>
  <FieldRow label="Surroundings" field="place">
    <PickField
      :value="place.environment"
      :choices="choices.environment"
      label="Surroundings of the place"
      @take="(environment) => note('Surroundings', { environment })"
    />
    <QuantityField
      :value="place.temperatureC"
      unit="°C"
      label="Temperature of the place"
      :allowed="fitting('place', 'temperatureC', '°C')"
      @take="(temperatureC) => note('Temperature', { temperatureC })"
    />
  </FieldRow>
  <FieldRow label="Mains here" field="place"
    ><YesNoField :value="place.mains" label="Mains here" @take="(mains) => note('Mains', { mains })"
  /></FieldRow>
  <FieldRow label="Network closet" field="place"
    ><YesNoField
      :value="place.networkCloset"
      label="Network closet"
      @take="(networkCloset) => note('Network closet', { networkCloset })"
  /></FieldRow>
  <FieldRow label="Reached by" field="place">
    <PickField
      :value="place.access.by"
      :choices="choices.access"
      label="Reached by"
      @take="(by) => note('Access', { access: { ...place.access, by } })"
    />
    <QuantityField
      :value="place.access.heightM"
      unit="m"
      label="Working height"
      :allowed="fitting('place', 'access.heightM', 'm')"
      @take="(heightM) => note('Height', { access: { ...place.access, heightM } })"
    />
  </FieldRow>
  <FieldRow
    v-if="place.access.by !== 'rope'"
    label="It reaches up to"
    field="place"
    hint="Left empty: 2.5 m from the ground, 6 m with a ladder, 12 m with a lift."
    ><QuantityField
      :value="place.access.reachM ?? null"
      unit="m"
      label="How high it reaches"
      clearable
      :allowed="fitting('place', 'access.reachM', 'm')"
      @take="(reachM) => note('Reach', { access: { ...place.access, reachM } })"
      @clear="note('Reach', { access: withFields(place.access, { reachM: undefined }) })"
  /></FieldRow>
  <p v-if="place.access.by !== 'ground'" class="caution">
    Working at height: a secured ladder, or a lift with a trained hand. Never alone.
  </p>
  <FieldRow label="Restrictions" field="place"
    ><PicksField
      :values="place.restrictions"
      :choices="choices.restriction"
      label="Restrictions"
      @take="(restrictions) => note('Restrictions', { restrictions })"
  /></FieldRow>
  <p v-if="place.restrictions.includes('explosive-atmosphere')" class="caution">
    Explosive atmosphere: no work is planned here. A specialist for such places plans and does it.
  </p>
  <p v-if="place.restrictions.includes('asbestos-register')" class="caution">
    Read the asbestos register before anything here is opened or drilled. Licensed people decide.
  </p>
  <FieldRow label="Cable here must be" field="place"
    ><PickField
      :value="place.fireClass ?? 'general'"
      :choices="choices.fireClass"
      label="Fire class of cable here"
      @take="(fireClass) => emit('set', 'Fire class', (now) => withFireClass(now, fireClass))"
  /></FieldRow>
  <FieldRow label="Note" field="place"
    ><TextField
      :value="place.note ?? ''"
      label="Note on the place"
      :refuse="(text) => (text.length <= 2000 ? undefined : 'up to 2000 characters')"
      @take="(text) => emit('set', 'Note', (now) => withFields(now, { note: text || undefined }))"
  /></FieldRow>
</template>
