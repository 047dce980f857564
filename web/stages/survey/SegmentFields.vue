<script setup lang="ts">
import { computed, inject, ref } from 'vue';
import { cableOf, powerCable, waysToShareCores, type DataSheet } from '#core/physics/cable';
import { fieldKey } from '#core/survey/gaps';
import {
  conductorsOf,
  leaveSheaths,
  noteConstruction,
  removeConstruction,
  segmentsAlike,
  shareCable,
  sheathAt,
  withCable,
  withJoint,
  withoutSegment,
  withSegment,
  withChanges,
  withSegmentAfter,
  type AssumableOfSegment,
  type Leg,
  type FactUpdate,
  type Run,
  type Segment,
  type SheathMember,
} from '#core/model/site';
import { onlyField } from '../../parts/onlyField';
import FieldRow from '../../parts/FieldRow.vue';
import PickField from '../../parts/PickField.vue';
import QuantityField from '../../parts/QuantityField.vue';
import { fitting } from '../../parts/within';
import { choices } from '#core/model/labels';
import { useMeasures } from '../../stores/measures';
import { useOpenSite } from '../../stores/openSite';
import { useSite } from '../../stores/site';
import { idMark } from '../../stores/idMark';
import DataSheetDialog from './DataSheetDialog.vue';
import LengthFields from './LengthFields.vue';
import PrintFields from './PrintFields.vue';

const measures = useMeasures();
const openSite = useOpenSite();
const store = useSite();
/** Asked for one field alone, this adds and removes nothing. */
const alone = inject(onlyField, null);
const { run, index, segment } = defineProps<{ run: Run; index: number; segment: Segment }>();
const emit = defineEmits<{ change: [what: string, next: FactUpdate<Run>] }>();

const isLast = computed(() => index === run.segments.length - 1);
const set = (what: string, fields: Partial<Segment>) =>
  emit('change', what, (now) => withSegment(now, index, fields));

const isAssumed = (field: AssumableOfSegment) => segment.assumed?.includes(field) ?? false;
const confirm = (field: AssumableOfSegment) => set('Looked at', { [field]: segment[field] });

const legChoices = computed(() => [
  { value: 'none', label: 'No power beside it' },
  ...(cableOf(segment).kind === 'pair' ? [{ value: 'spare-pairs', label: 'Its own spare pairs' }] : []),
  ...measures.powerCables,
]);
const legValue = computed(() => (segment.leg.kind === 'cores' ? segment.leg.cable : segment.leg.kind));
const spareCores = computed(() => {
  const cable = cableOf(segment);
  if (segment.leg.kind === 'cores') return powerCable(segment.leg.cable).cores;
  return segment.leg.kind === 'spare-pairs' && cable.kind === 'pair' ? (cable.pairs - 1) * 2 : 0;
});
const coreWays = computed(() =>
  waysToShareCores(spareCores.value).map(({ outCores, backCores }) => ({
    value: `${outCores}/${backCores}`,
    label: `${outCores} out, ${backCores} back`,
  })),
);

function takeLeg(value: string): void {
  const leg: Leg =
    value === 'none'
      ? { kind: 'none' }
      : value === 'spare-pairs'
        ? { kind: 'spare-pairs', outCores: 2, backCores: 2 }
        : { kind: 'cores', cable: value, outCores: 1, backCores: 1 };
  set('Power cores', { leg });
}
function takeCores(value: string): void {
  const [outCores = 1, backCores = 1] = value.split('/').map(Number);
  if (segment.leg.kind !== 'none') set('Cores used', { leg: { ...segment.leg, outCores, backCores } });
}
/** Cables of the site's own stand before the rows of the tables. */
const ownKey = (id: string) => `own ${id}`;
const cables = computed(() => [
  ...Object.values(openSite.value.construction).map(({ id, name }) => ({ value: ownKey(id), label: name })),
  ...measures.cables,
]);
const cableValue = computed(() => (segment.sheet ? ownKey(segment.sheet.id) : segment.cable));
function takeCable(value: string): void {
  const own = Object.values(openSite.value.construction).find(({ id }) => ownKey(id) === value);
  emit('change', 'Cable', (now) => withCable(now, index, own ?? value));
}
const nobody = '-';
const memberKey = ({ runId, segment: at }: SheathMember) => `${runId}/${at}`;
/** Segments of other runs that could be in the same cable as this one. */
const sharers = computed(() => [
  { value: nobody, label: 'Nobody' },
  ...segmentsAlike(openSite.value, { runId: run.id, segment: index }).map(({ member, cameraNumber }) => ({
    value: memberKey(member),
    label: `Camera ${cameraNumber}, segment ${member.segment + 1}`,
  })),
]);
const isPairCable = computed(() => conductorsOf(segment) !== null);
const ownSheath = computed(() => sheathAt(openSite.value, run.id, index));
const sharedWith = computed(() => {
  const other = ownSheath.value?.members.find(({ runId }) => runId !== run.id);
  return other ? memberKey(other) : nobody;
});
const sharingProblem = ref('');
function takeSharer(key: string): void {
  const own = { runId: run.id, segment: index };
  const leaving = leaveSheaths(openSite.value, (member) => memberKey(member) === memberKey(own));
  const [runId = '', at = '0'] = key.split('/');
  const changes =
    key === nobody
      ? leaving
      : [
          ...leaving,
          ...shareCable(withChanges(openSite.value, leaving), own, { runId, segment: Number(at) }, idMark),
        ];
  sharingProblem.value = store
    .change('Shared cable', changes)
    .map(({ allowed }) => allowed)
    .join('; ');
}
const isWritingSheet = ref(false);
function removeSheet(sheet: DataSheet): void {
  isWritingSheet.value = false;
  store.change(`Delete the data sheet of ${sheet.name}`, removeConstruction(openSite.value, sheet.id));
}
function takeSheet(sheet: DataSheet): void {
  store.change(`Data sheet of ${sheet.name}`, noteConstruction(openSite.value, sheet));
  emit('change', 'Cable', (now) => withCable(now, index, sheet));
}
</script>

<template>
  <div class="segment">
    <FieldRow :label="`Segment ${index + 1}`" :field="fieldKey('cable', index)"
      ><PickField
        :value="cableValue"
        :choices="cables"
        :label="`Cable of segment ${index + 1}`"
        @take="takeCable"
      /><button type="button" class="btn small" @click="isWritingSheet = true">
        {{ segment.sheet ? 'Its data sheet' : 'By data sheet' }}
      </button></FieldRow
    >
    <FieldRow
      v-if="isPairCable && sharers.length > 1 && !alone"
      label="Same cable as"
      hint="One jacket with pairs of several cameras. What needs all pairs is then not offered."
      ><PickField
        :value="sharedWith"
        :choices="sharers"
        :label="`Segment ${index + 1} is in the same cable as`"
        @take="takeSharer"
    /></FieldRow>
    <p v-if="sharingProblem" class="caution" role="alert">Not taken: {{ sharingProblem }}.</p>
    <DataSheetDialog
      v-if="isWritingSheet"
      :sheet="segment.sheet ?? null"
      @take="takeSheet"
      @remove="removeSheet"
      @leave="isWritingSheet = false"
    />
    <PrintFields
      :run="run"
      :index="index"
      :segment="segment"
      @change="(what, changed) => emit('change', what, changed)"
    />
    <FieldRow
      label="Length"
      :field="fieldKey('length', index)"
      :assumed="isAssumed('lengthM')"
      @confirm="confirm('lengthM')"
    >
      <QuantityField
        :value="segment.lengthM"
        unit="m"
        :label="`Length of segment ${index + 1}`"
        :allowed="fitting('run', 'segments.lengthM', 'm')"
        @take="(lengthM) => set('Length', { lengthM })"
      />
      <span class="dim">±</span>
      <QuantityField
        :value="segment.spreadM"
        unit="m"
        :label="`Spread of segment ${index + 1}`"
        :allowed="fitting('run', 'segments.spreadM', 'm')"
        @take="(spreadM) => set('Length spread', { spreadM })"
      />
    </FieldRow>
    <LengthFields
      :index="index"
      :segment="segment"
      @change="(what, changed) => emit('change', what, changed)"
    />
    <FieldRow label="Where">
      <PickField
        :value="segment.environment"
        :choices="choices.environment"
        :label="`Environment of segment ${index + 1}`"
        @take="(environment) => set('Environment', { environment })"
      />
      <QuantityField
        :value="segment.temperatureC"
        unit="°C"
        :label="`Temperature of segment ${index + 1}`"
        :allowed="fitting('run', 'segments.temperatureC', '°C')"
        @take="(temperatureC) => set('Temperature', { temperatureC })"
      />
    </FieldRow>
    <FieldRow
      label="Power beside it"
      :field="fieldKey('leg', index)"
      :assumed="isAssumed('leg')"
      @confirm="confirm('leg')"
    >
      <PickField
        :value="legValue"
        :choices="legChoices"
        :label="`Power cores of segment ${index + 1}`"
        @take="takeLeg"
      />
      <PickField
        v-if="segment.leg.kind !== 'none' && coreWays.length > 1"
        :value="`${segment.leg.outCores}/${segment.leg.backCores}`"
        :choices="coreWays"
        :label="`Cores used in segment ${index + 1}`"
        @take="takeCores"
      />
    </FieldRow>
    <FieldRow
      v-if="!isLast"
      label="Then a joint"
      :field="fieldKey('joint', index)"
      :assumed="isAssumed('joint')"
      @confirm="confirm('joint')"
      ><PickField
        :value="segment.joint ?? 'none'"
        :choices="choices.joint"
        :label="`Joint after segment ${index + 1}`"
        @take="
          (joint) =>
            emit('change', 'Joint', (now) => withJoint(now, index, joint === 'none' ? undefined : joint))
        "
    /></FieldRow>
    <p v-if="segment.note" class="tiny dim">{{ segment.note }}</p>
    <div v-if="!alone" class="row">
      <button
        type="button"
        class="btn small"
        @click="emit('change', 'Add a segment', (now) => withSegmentAfter(now, index))"
      >
        Add a segment after
      </button>
      <button
        v-if="run.segments.length > 1"
        type="button"
        class="btn small"
        @click="emit('change', 'Remove a segment', (now) => withoutSegment(now, index))"
      >
        Remove
      </button>
    </div>
  </div>
</template>

<style scoped>
.segment {
  padding: 6px 0 8px;
  border-bottom: 1px solid var(--rule);
}
.row {
  padding-top: 4px;
}
</style>
