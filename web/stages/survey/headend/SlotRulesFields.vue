<script setup lang="ts">
import { computed } from 'vue';
import { familyOf, ownPortsOf, type SlotRules } from '#core/model/slotRules';
import { parsePresets, presetsText, withFields, type Recorder } from '#core/model/site';
import FieldRow from '../../../parts/FieldRow.vue';
import QuantityField from '../../../parts/QuantityField.vue';
import TextField from '../../../parts/TextField.vue';
import { fitting } from '../../../parts/within';

/** What a recorder's rule family asks for: its counts, its presets, its ports. */
const { recorder } = defineProps<{ recorder: Recorder }>();
const emit = defineEmits<{ take: [what: string, rules: SlotRules] }>();

/** Watts that ports which are noted for the first time give together, for somebody to put right. */
const usualPortWatts = 120;

const family = computed(() => familyOf(recorder));
const ports = computed(() => ownPortsOf(recorder));
const presets = computed(() => ('presets' in recorder.rules ? recorder.rules.presets : []));
const countOf = (key: string): number => (recorder.rules as unknown as Record<string, number>)[key]!;

/** The rules with fields of them changed, `undefined` for one that goes. */
const take = (what: string, fields: Record<string, unknown>) =>
  emit('take', what, withFields(recorder.rules, fields) as SlotRules);
function takePresets(text: string): void {
  const read = parsePresets(text);
  if (read.kind === 'read') take('Presets', { presets: read.value });
}
const takePorts = (count: number, watts: number) =>
  take('PoE ports', { poe: count > 0 ? { ports: count, watts } : undefined });
const whyRefused = (text: string) => {
  const read = parsePresets(text);
  return read.kind === 'refused' ? read.why : undefined;
};
</script>

<template>
  <template v-for="field in family.fields" :key="field.kind">
    <FieldRow v-if="field.kind === 'count'" :label="field.label"
      ><QuantityField
        :value="countOf(field.key)"
        unit=""
        :label="field.label"
        :allowed="fitting('recorder', `rules[${family.kind}].${field.key}`)"
        @take="(count) => take(field.label, { [field.key]: count })"
    /></FieldRow>
    <FieldRow v-else-if="field.kind === 'presets'" label="Presets"
      ><TextField :value="presetsText(presets)" label="Presets" :refuse="whyRefused" @take="takePresets"
    /></FieldRow>
    <FieldRow v-else label="Ports of its own">
      <QuantityField
        :value="ports?.ports ?? 0"
        unit=""
        label="Ports that give power"
        :allowed="fitting('recorder', `rules[${family.kind}].poe.ports`)"
        @take="(count) => takePorts(count, ports?.watts ?? usualPortWatts)"
      />
      <QuantityField
        v-if="ports"
        :value="ports.watts"
        unit="W"
        label="Watts of the ports in all"
        :allowed="fitting('recorder', `rules[${family.kind}].poe.watts`, 'W')"
        @take="(watts) => takePorts(ports?.ports ?? 0, watts)"
      />
    </FieldRow>
  </template>
</template>
