<script setup lang="ts">
import { computed, onMounted, reactive, ref } from 'vue';
import { useRouter } from 'vue-router';
import {
  checkDrill,
  drillFormat,
  drillLevels,
  drillTests,
  drillWays,
  type Drill,
  type DrillLevel,
} from '#core/test/drills';
import { causeWords, type Cause } from '#core/test/diagnosis';
import { choices } from '#core/model/labels';
import { symptoms, type Symptom } from '#core/physics/picture';
import {
  symptomWords,
  testDefinition,
  troubles,
  type Environment,
  type TestId,
  type Trouble,
} from '#core/model/site';
import { problemLine } from '#core/shared/problems';
import FieldRow from '../parts/FieldRow.vue';
import PickField from '../parts/PickField.vue';
import PicksField from '../parts/PicksField.vue';
import QuantityField from '../parts/QuantityField.vue';
import { idMark } from '../stores/idMark';
import { useDrills } from '../stores/drills';
import { useMeasures } from '../stores/measures';

/** A drill that somebody writes: what was said, what is there, and how it really is. */
const drills = useDrills();
const own = useMeasures();
const router = useRouter();
onMounted(() => (document.title = 'Write a drill, Neotrope'));

const form = reactive({
  title: '',
  level: 2 as DrillLevel,
  call: '',
  minutes: 90,
  placeName: 'Quay rail',
  environment: 'outdoor' as Environment,
  by: 'ladder' as Drill['place']['by'],
  cable: 'coax-rg59-cu' as Drill['line']['cable'],
  lengthM: 120,
  spreadM: 3,
  power: 'along-run' as Drill['power'],
  toolbox: [...drillTests].filter((test) => test !== 'wire-map') as TestId[],
  troubles: [] as Trouble[],
  atM: null as number | null,
  fault: 'none' as 'none' | 'series' | 'shunt' | 'tap',
  faultOhms: 6,
  metal: 'same' as 'same' | Drill['line']['cable'],
  insulation: null as number | null,
  earthVolts: null as number | null,
  inducedVolts: null as number | null,
  powerOhms: null as number | null,
  nightVolts: null as number | null,
  sees: [] as Symptom[],
  lesson: '',
});
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

function faultsOf(): NonNullable<Drill['truth']['line']['faults']> {
  const { fault, atM, faultOhms } = form;
  if (fault === 'none' || atM === null) return [];
  return fault === 'tap' ? [{ kind: 'tap', atM, stubM: 12 }] : [{ kind: fault, atM, ohms: faultOhms }];
}
function written(): unknown {
  const { metal, insulation, earthVolts, inducedVolts, powerOhms, nightVolts, atM } = form;
  const inLine = faultsOf();
  return {
    format: drillFormat,
    version: 1,
    id: `own-${idMark}-${Date.now().toString(36)}`,
    title: form.title.trim(),
    level: form.level,
    call: form.call.trim(),
    minutes: form.minutes,
    toolbox: form.toolbox,
    place: { name: form.placeName.trim(), environment: form.environment, by: form.by },
    line: { cable: form.cable, lengthM: form.lengthM, spreadM: form.spreadM },
    power: form.power,
    truth: {
      troubles: form.troubles,
      ...(atM === null ? {} : { atM }),
      line: {
        ...(metal === 'same' ? {} : { segments: [{ cable: metal }] }),
        ...(inLine.length > 0 ? { faults: inLine } : {}),
        ...(insulation === null ? {} : { insulationMegohms: insulation }),
        ...(earthVolts === null ? {} : { shieldEarthVolts: earthVolts }),
        ...(inducedVolts === null ? {} : { inducedAcVolts: inducedVolts }),
        ...(powerOhms === null ? {} : { powerExtraOhms: powerOhms }),
      },
      ...(nightVolts === null ? {} : { nightSupplyVolts: nightVolts }),
      sees: form.sees,
    },
    lesson: form.lesson.trim(),
  };
}
function keep(): void {
  const read = checkDrill(written());
  problems.value = read.kind === 'refused' ? read.problems.map(problemLine) : [];
  if (read.kind !== 'sound') return;
  drills.keep(read.value);
  void router.push({ name: 'drill', params: { drillId: read.value.id } });
}
</script>

<template>
  <main class="editor">
    <p><RouterLink to="/drills">All drills</RouterLink></p>
    <h1>Write a drill</h1>
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
    <p><button type="button" class="btn go" @click="keep">Keep it and try it</button></p>
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
  font: inherit;
}
.words {
  display: block;
  padding: 6px 0;
}
</style>
