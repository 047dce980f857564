<script setup lang="ts">
import Dialog from 'primevue/dialog';
import { computed, reactive, ref } from 'vue';
import { dataSheetSchema, lossText, parseLoss, type DataSheet } from '#core/physics/cable';
import { freeId, withFields } from '#core/model/site';
import { check } from '#core/shared/problems';
import DialogFoot from '../../parts/DialogFoot.vue';
import FieldRow from '../../parts/FieldRow.vue';
import PickField from '../../parts/PickField.vue';
import QuantityField from '../../parts/QuantityField.vue';
import TextField from '../../parts/TextField.vue';
import { whole, within } from '../../parts/within';
import { useOpenSite } from '../../stores/openSite';
import { idMark } from '../../stores/idMark';

/** A cable by its own data sheet. It goes before the tables, and for every segment that is of it. */
const { sheet } = defineProps<{ sheet: DataSheet | null }>();
const emit = defineEmits<{ take: [sheet: DataSheet]; remove: [sheet: DataSheet]; leave: [] }>();
const openSite = useOpenSite();

const kinds = [
  { value: 'coax' as const, label: 'Coax' },
  { value: 'pair' as const, label: 'Category or other pairs' },
];
const materials = [
  { value: 'copper' as const, label: 'Copper' },
  { value: 'cca' as const, label: 'Copper-clad aluminium' },
  { value: 'ccs40' as const, label: 'Copper-clad steel, 40 %' },
  { value: 'ccs21' as const, label: 'Copper-clad steel, 21 %' },
];
const draft = reactive({
  kind: sheet?.kind ?? 'coax',
  name: sheet?.name ?? '',
  material: sheet?.material ?? 'copper',
  centreOhmPerKm: sheet?.kind === 'coax' ? sheet.centreOhmPerKm : null,
  shieldOhmPerKm: sheet?.kind === 'coax' ? sheet.shieldOhmPerKm : null,
  conductorOhmPerKm: sheet?.kind === 'pair' ? sheet.conductorOhmPerKm : null,
  pairs: sheet?.kind === 'pair' ? sheet.pairs : 4,
  loss: sheet ? lossText(sheet.loss) : '',
  velocityFactor: sheet?.velocityFactor ?? null,
  impedanceOhms: sheet?.impedanceOhms ?? null,
  fireRating: sheet?.fireRating ?? '',
});
const isCoax = computed(() => draft.kind === 'coax');
const problems = ref<string[]>([]);

/** What a person calls each field, for what a schema says of it. */
const words: Record<string, string> = {
  name: 'Name',
  centreOhmPerKm: 'Centre',
  shieldOhmPerKm: 'Shield',
  conductorOhmPerKm: 'Conductor',
  velocityFactor: 'Velocity factor',
  impedanceOhms: 'Impedance',
  loss: 'Loss',
};

function take(): void {
  const { kind, name, material, velocityFactor, impedanceOhms, fireRating } = draft;
  const id = sheet?.id ?? freeId((wanted) => wanted in openSite.value.construction, name || 'cable', idMark);
  const common = { kind, id, name: name.trim(), material, velocityFactor, impedanceOhms };
  const own = isCoax.value
    ? { centreOhmPerKm: draft.centreOhmPerKm, shieldOhmPerKm: draft.shieldOhmPerKm }
    : { conductorOhmPerKm: draft.conductorOhmPerKm, pairs: draft.pairs };
  const checked = check(
    dataSheetSchema,
    withFields<object>(
      { ...common, ...own, loss: parseLoss(draft.loss) ?? [] },
      { fireRating: fireRating.trim() || undefined },
    ),
  );
  if (checked.kind === 'refused') {
    problems.value = [...new Set(checked.problems.map(({ path }) => path.split(/[./[]/)[0]!))].map(
      (field) => `${words[field] ?? field}: not as a data sheet would say it`,
    );
    return;
  }
  emit('take', checked.value);
  emit('leave');
}
const lossProblem = (text: string) =>
  text === '' || parseLoss(text) ? undefined : 'MHz and dB per 100 m, such as “10: 2.1, 100: 6.9”';
</script>

<template>
  <Dialog
    visible
    modal
    header="Cable by its data sheet"
    :style="{ width: '460px' }"
    @update:visible="emit('leave')"
  >
    <form class="form" @submit.prevent="take">
      <FieldRow label="Name"
        ><TextField
          :value="draft.name"
          label="Name of the cable"
          autofocus
          @take="(name) => (draft.name = name)"
      /></FieldRow>
      <FieldRow v-if="!sheet" label="It is"
        ><PickField
          :value="draft.kind"
          :choices="kinds"
          label="Kind of cable"
          @take="(kind) => (draft.kind = kind)"
      /></FieldRow>
      <FieldRow label="Metal"
        ><PickField
          :value="draft.material"
          :choices="materials"
          label="Metal of the conductor"
          @take="(material) => (draft.material = material)"
      /></FieldRow>
      <template v-if="isCoax">
        <FieldRow label="Centre"
          ><QuantityField
            :value="draft.centreOhmPerKm"
            unit="Ω/km"
            label="Ohms per km of the centre"
            :allowed="within(0.1, 2000, 'Ω/km')"
            @take="(value) => (draft.centreOhmPerKm = value)"
        /></FieldRow>
        <FieldRow label="Shield"
          ><QuantityField
            :value="draft.shieldOhmPerKm"
            unit="Ω/km"
            label="Ohms per km of the shield"
            :allowed="within(0.1, 2000, 'Ω/km')"
            @take="(value) => (draft.shieldOhmPerKm = value)"
        /></FieldRow>
      </template>
      <template v-else>
        <FieldRow label="Conductor"
          ><QuantityField
            :value="draft.conductorOhmPerKm"
            unit="Ω/km"
            label="Ohms per km of a conductor"
            :allowed="within(0.1, 2000, 'Ω/km')"
            @take="(value) => (draft.conductorOhmPerKm = value)"
        /></FieldRow>
        <FieldRow label="Pairs"
          ><QuantityField
            :value="draft.pairs"
            unit=""
            label="Pairs"
            :allowed="whole(1, 100)"
            @take="(pairs) => (draft.pairs = pairs)"
        /></FieldRow>
      </template>
      <FieldRow label="Loss" hint="MHz and dB per 100 m, as the sheet lists them."
        ><TextField
          :value="draft.loss"
          label="Loss by frequency"
          placeholder="10: 2.1, 100: 6.9"
          :refuse="lossProblem"
          @take="(loss) => (draft.loss = loss)"
      /></FieldRow>
      <FieldRow label="Velocity factor"
        ><QuantityField
          :value="draft.velocityFactor"
          unit=""
          :digits="2"
          label="Velocity factor"
          :allowed="within(0.4, 0.99)"
          @take="(value) => (draft.velocityFactor = value)"
      /></FieldRow>
      <FieldRow label="Impedance"
        ><QuantityField
          :value="draft.impedanceOhms"
          unit="Ω"
          label="Impedance"
          :allowed="within(25, 200, 'Ω')"
          @take="(value) => (draft.impedanceOhms = value)"
      /></FieldRow>
      <FieldRow label="Fire rating"
        ><TextField
          :value="draft.fireRating"
          label="Fire rating"
          placeholder="as printed"
          @take="(fireRating) => (draft.fireRating = fireRating)"
      /></FieldRow>
      <p v-if="sheet && openSite.construction[sheet.id]">
        <button type="button" class="btn small" @click="emit('remove', sheet)">Delete this data sheet</button>
        <span class="dim tiny"> Its segments are then reckoned with the nearest row of the tables.</span>
      </p>
      <DialogFoot
        :problems="problems"
        :go="sheet ? 'Change it everywhere' : 'Use this cable'"
        @leave="emit('leave')"
      />
    </form>
  </Dialog>
</template>
