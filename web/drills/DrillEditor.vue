<script setup lang="ts">
import { computed, onMounted, reactive, ref } from 'vue';
import { useRouter } from 'vue-router';
import { checkDrill, drillLevels, drillTests, drillWays } from '#core/test/drills';
import { causeWords, type Cause } from '#core/test/diagnosis';
import { choices } from '#core/model/labels';
import { symptoms } from '#core/physics/picture';
import { symptomWords, testDefinition, troubles, type TestId } from '#core/model/site';
import { problemLine } from '#core/shared/problems';
import FieldRow from '../parts/FieldRow.vue';
import PickField from '../parts/PickField.vue';
import PicksField from '../parts/PicksField.vue';
import QuantityField from '../parts/QuantityField.vue';
import { idMark } from '../stores/idMark';
import { useDrills } from '../stores/drills';
import { useMeasures } from '../stores/measures';
import DrillHelp from './DrillHelp.vue';
import { drillFormOf, emptyDrillForm, writtenDrill } from './drillForm';

/** A drill that somebody writes: what was said, what is there, and how it really is. */
const drills = useDrills();
const own = useMeasures();
const router = useRouter();
onMounted(() => (document.title = 'Write a drill, Neotrope'));

/** The one that is changed, where one is: it keeps its id. */
const { drillId = '' } = defineProps<{ drillId?: string }>();
const changed = computed(() => drills.own.find(({ id }) => id === drillId) ?? null);
const form = reactive((changed.value && drillFormOf(changed.value)) ?? emptyDrillForm());
const problems = ref<string[]>([]);
const levels = drillLevels.map((value) => ({ value, label: `Level ${value}` }));
const ways = drillWays.map((value) => ({
  value,
  label: value === 'ground' ? 'From the ground' : `By ${value}`,
}));
const powers = [
  { value: 'along-run' as const, label: 'Along the run' },
  { value: 'local-adapter' as const, label: 'An adapter beside it' },
];
const tests = drillTests.map((value) => ({ value: value as TestId, label: testDefinition(value).label }));
const troubleChoices = troubles.map((value) => ({ value, label: causeWords[value as Cause].label }));
const symptomChoices = symptoms.map((value) => ({ value, label: symptomWords[value].label }));
const faults = [
  { value: 'none' as const, label: 'Nothing in the line' },
  { value: 'series' as const, label: 'Ohms in series' },
  { value: 'shunt' as const, label: 'Ohms across' },
  { value: 'tap' as const, label: 'A branch of 12 m' },
];
const metals = computed(() => [{ value: 'same' as const, label: 'As noted' }, ...own.cables]);

function keep(): void {
  const id = changed.value?.id ?? `own-${idMark}-${Date.now().toString(36)}`;
  const read = checkDrill(writtenDrill(form, id));
  problems.value = read.kind === 'refused' ? read.problems.map(problemLine) : [];
  if (read.kind !== 'sound') return;
  drills.keep(read.value);
  // What was done in it as it was before leads nowhere in it as it is now.
  drills.forget(id);
  void router.push({ name: 'drill', params: { drillId: read.value.id } });
}
</script>

<template>
  <main class="editor">
    <p class="row">
      <RouterLink to="/drills">All drills</RouterLink><span class="push" /><DrillHelp
        view="editor"
        title="Writing a drill"
      />
    </p>
    <h1>{{ changed ? `Change ${changed.title}` : 'Write a drill' }}</h1>
    <div class="columns">
      <section>
        <h2>What the learner gets</h2>
        <FieldRow label="Title"
          ><input v-model="form.title" class="field" aria-label="Title" maxlength="80"
        /></FieldRow>
        <label class="words"
          >What whoever called said
          <textarea v-model="form.call" rows="3" maxlength="600" aria-label="What whoever called said" />
        </label>
        <FieldRow label="Level"
          ><PickField :value="form.level" :choices="levels" label="Level" @take="(one) => (form.level = one)"
        /></FieldRow>
        <FieldRow label="Minutes of the shift"
          ><QuantityField
            :value="form.minutes"
            unit="min"
            label="Minutes of the shift"
            @take="(one) => (form.minutes = Math.round(one))"
        /></FieldRow>
        <FieldRow label="Place"
          ><input v-model="form.placeName" class="field" aria-label="Place" maxlength="80"
        /></FieldRow>
        <FieldRow label="Surroundings"
          ><PickField
            :value="form.environment"
            :choices="choices.environment"
            label="Surroundings"
            @take="(one) => (form.environment = one)"
        /></FieldRow>
        <FieldRow label="Reached"
          ><PickField :value="form.by" :choices="ways" label="Reached" @take="(one) => (form.by = one)"
        /></FieldRow>
        <FieldRow label="Cable as noted"
          ><PickField
            :value="form.cable"
            :choices="own.cables"
            label="Cable as noted"
            @take="(one) => (form.cable = one)"
        /></FieldRow>
        <FieldRow label="Length as noted"
          ><QuantityField
            :value="form.lengthM"
            unit="m"
            label="Length as noted"
            @take="(one) => (form.lengthM = one)"
        /></FieldRow>
        <FieldRow label="Give or take"
          ><QuantityField
            :value="form.spreadM"
            unit="m"
            label="Give or take"
            @take="(one) => (form.spreadM = one)"
        /></FieldRow>
        <FieldRow label="Power"
          ><PickField :value="form.power" :choices="powers" label="Power" @take="(one) => (form.power = one)"
        /></FieldRow>
        <FieldRow label="Toolbox"
          ><PicksField
            :values="form.toolbox"
            :choices="tests"
            label="Toolbox"
            @take="(all) => (form.toolbox = [...all])"
        /></FieldRow>
      </section>
      <section>
        <h2>How it really is</h2>
        <FieldRow label="Troubles, none or up to two"
          ><PicksField
            :values="form.troubles"
            :choices="troubleChoices"
            label="Troubles"
            @take="(all) => (form.troubles = [...all])"
        /></FieldRow>
        <FieldRow label="In the line"
          ><PickField
            :value="form.fault"
            :choices="faults"
            label="In the line"
            @take="(one) => (form.fault = one)"
        /></FieldRow>
        <FieldRow label="At"
          ><QuantityField :value="form.atM" unit="m" label="At" clearable @take="(one) => (form.atM = one)"
        /></FieldRow>
        <FieldRow v-if="form.fault === 'series' || form.fault === 'shunt'" label="Its ohms"
          ><QuantityField
            :value="form.faultOhms"
            unit="Ω"
            label="Its ohms"
            @take="(one) => (form.faultOhms = one)"
        /></FieldRow>
        <FieldRow label="Cable that is there"
          ><PickField
            :value="form.metal"
            :choices="metals"
            label="Cable that is there"
            @take="(one) => (form.metal = one)"
        /></FieldRow>
        <FieldRow label="Insulation"
          ><QuantityField
            :value="form.insulation"
            unit="MΩ"
            label="Insulation"
            clearable
            @take="(one) => (form.insulation = one)"
        /></FieldRow>
        <FieldRow label="Shield to earth"
          ><QuantityField
            :value="form.earthVolts"
            unit="V"
            label="Shield to earth"
            clearable
            @take="(one) => (form.earthVolts = one)"
        /></FieldRow>
        <FieldRow label="Induced volts"
          ><QuantityField
            :value="form.inducedVolts"
            unit="V"
            label="Induced volts"
            clearable
            @take="(one) => (form.inducedVolts = one)"
        /></FieldRow>
        <FieldRow label="More ohms in the power cores"
          ><QuantityField
            :value="form.powerOhms"
            unit="Ω"
            label="More ohms in the power cores"
            clearable
            @take="(one) => (form.powerOhms = one)"
        /></FieldRow>
        <FieldRow label="Supply with lamps on"
          ><QuantityField
            :value="form.nightVolts"
            unit="V"
            label="Supply with lamps on"
            clearable
            @take="(one) => (form.nightVolts = one)"
        /></FieldRow>
        <FieldRow label="What is seen"
          ><PicksField
            :values="form.sees"
            :choices="symptomChoices"
            label="What is seen"
            @take="(all) => (form.sees = [...all])"
        /></FieldRow>
        <label class="words"
          >One sentence to remember
          <textarea v-model="form.lesson" rows="2" maxlength="300" aria-label="One sentence to remember" />
        </label>
      </section>
    </div>
    <div v-if="problems.length > 0" class="stop" role="alert">
      <p v-for="one in problems" :key="one">{{ one }}</p>
    </div>
    <p class="keep"><button type="button" class="btn go" @click="keep">Keep it and try it</button></p>
  </main>
</template>

<style scoped>
.editor {
  max-width: 960px;
  margin: 0 auto;
  padding: 16px 16px 60px;
}
.columns {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
  gap: 30px;
}
.field,
textarea {
  width: 100%;
  min-height: 28px;
  border: 1px solid var(--rule-strong);
  border-radius: 4px;
  background: var(--sheet);
  color: var(--ink);
  padding: 3px 7px;
  font: inherit;
  font-size: 12px;
}
h1 {
  padding-bottom: 10px;
}
.keep {
  padding-top: 14px;
}
.words {
  display: block;
  padding: 6px 0;
}
</style>
