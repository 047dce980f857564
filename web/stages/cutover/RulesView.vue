<script setup lang="ts">
import InputText from 'primevue/inputtext';
import { computed, ref } from 'vue';
import {
  clockSchema,
  cutoverSettingsOf,
  dateSchema,
  freeId,
  noteViewRule,
  removeCrewMember,
  setCutover,
  withFields,
  type CrewMember,
  type CutoverSettings,
} from '#core/model/site';
import FieldRow from '../../parts/FieldRow.vue';
import PicksField from '../../parts/PicksField.vue';
import QuantityField from '../../parts/QuantityField.vue';
import TextField from '../../parts/TextField.vue';
import { fitting } from '../../parts/within';
import { idMark } from '../../stores/idMark';
import { useOpenSite } from '../../stores/openSite';
import { useSite } from '../../stores/site';
import { dateOf } from '../../workers/nightClock';
import HoursField from './HoursField.vue';
import RestartHours from './RestartHours.vue';
import { skillChoices } from './skillWords';
import ViewRuleRow from './ViewRuleRow.vue';

/** Who works in the nights, when they can begin, and what is demanded of the views meanwhile. */
const store = useSite();
const openSite = useOpenSite();
const settings = computed(() => cutoverSettingsOf(openSite.value, dateOf(Date.now())));
const problem = ref('');
function take(label: string, changes: Parameters<typeof store.change>[1]): void {
  problem.value = store
    .change(label, changes)
    .map(({ value, allowed }) => `${String(value)} is not taken: ${allowed}.`)
    .join(' ');
}
const set = (label: string, fields: Partial<CutoverSettings>) =>
  take(label, [setCutover(withFields(settings.value, fields))]);

const days = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'].map((label, k) => ({
  value: String(k + 1),
  label,
}));
const dayValues = computed(() => settings.value.weekdays.map(String));
const isClock = (text: string) =>
  clockSchema.safeParse(text).success ? undefined : 'Enter a time, e.g. 21:00.';
const isDate = (text: string) =>
  dateSchema.safeParse(text).success ? undefined : 'Enter a date, e.g. 2026-05-14.';
const datesIn = (text: string): string[] => text.split(/[,;\s]+/).filter(Boolean);
const areDates = (text: string) =>
  datesIn(text)
    .map(isDate)
    .find((why) => why !== undefined);

const crew = computed(() => Object.values(openSite.value.crewMember));
const newName = ref('');
function addPerson(): void {
  const name = newName.value.trim();
  if (!name) return;
  const id = freeId((taken) => openSite.value.crewMember[taken] !== undefined, name, idMark);
  take(`Add ${name} to the crew`, [{ kind: 'crewMember', id, set: { id, name, skills: ['cable'] } }]);
  if (!problem.value) newName.value = '';
}
const setPerson = (person: CrewMember, fields: Partial<CrewMember>) =>
  take(`Crew: ${person.name}`, [{ kind: 'crewMember', id: person.id, set: { ...person, ...fields } }]);

const cameras = computed(() =>
  Object.values(openSite.value.camera)
    .sort((a, b) => a.number - b.number)
    .map(({ id, number, name }) => ({ value: id, label: `${number} ${name}` })),
);
const rules = computed(() => Object.values(openSite.value.viewRule));
const newRule = ref<{ name: string; cameraIds: string[] }>({ name: '', cameraIds: [] });
function addRule(): void {
  const { name, cameraIds } = newRule.value;
  if (cameraIds.length < 2) {
    problem.value = 'A rule is about at least two cameras: of one there is nothing to choose.';
    return;
  }
  const rule = { name: name.trim() || 'Never dark together', cameraIds, mostDark: 1 };
  take(`Rule “${rule.name}”`, [noteViewRule(openSite.value, rule, idMark)]);
  if (!problem.value) newRule.value = { name: '', cameraIds: [] };
}
</script>

<template>
  <div class="rules">
    <p v-if="problem" class="stop" role="alert">{{ problem }}</p>
    <section aria-labelledby="when">
      <h2 id="when">When</h2>
      <div class="fields">
        <FieldRow label="From"
          ><TextField
            :value="settings.from"
            label="First date that a night may begin on"
            :refuse="isDate"
            @take="(from) => set('First night', { from })"
        /></FieldRow>
        <FieldRow label="Shift begins"
          ><TextField
            :value="settings.shift.start"
            label="When the shift begins"
            :refuse="isClock"
            @take="(start) => set('Shift', { shift: { ...settings.shift, start } })"
        /></FieldRow>
        <FieldRow label="Shift ends"
          ><TextField
            :value="settings.shift.end"
            label="When the shift ends"
            :refuse="isClock"
            @take="(end) => set('Shift', { shift: { ...settings.shift, end } })"
        /></FieldRow>
        <FieldRow label="Nights of"
          ><PicksField
            :values="dayValues"
            :choices="days"
            label="Days of the week that a night may begin on"
            @take="(values) => set('Days', { weekdays: values.map(Number).sort() })"
        /></FieldRow>
        <FieldRow label="Not on" hint="Dates on which nothing may be touched."
          ><TextField
            :value="settings.blackouts.join(', ')"
            label="Dates on which nothing may be touched"
            placeholder="none"
            :refuse="areDates"
            @take="(text) => set('Dates to leave alone', { blackouts: datesIn(text) })"
        /></FieldRow>
        <FieldRow label="Nights at most"
          ><QuantityField
            :value="settings.mostNights"
            unit=""
            label="Nights at most"
            :allowed="fitting('cutover', 'mostNights')"
            @take="(mostNights) => set('Nights at most', { mostNights })"
        /></FieldRow>
        <FieldRow label="Sure to" hint="With this chance a night ends within its shift."
          ><QuantityField
            :value="settings.surePercent"
            unit="%"
            label="How sure a night has to be"
            :allowed="fitting('cutover', 'surePercent', '%')"
            @take="(surePercent) => set('How sure', { surePercent })"
        /></FieldRow>
        <FieldRow label="Walk" hint="From one place to another, with the tools."
          ><QuantityField
            :value="settings.walkMinutes"
            unit="min"
            label="Minutes from place to place"
            :allowed="fitting('cutover', 'walkMinutes', 'min')"
            @take="(walkMinutes) => set('Walk', { walkMinutes })"
        /></FieldRow>
        <FieldRow label="Lifts up"
          ><HoursField
            :hours="settings.liftHours"
            label="Hours in which a lift may be up"
            placeholder="all of the shift"
            @take="(liftHours) => set('Hours of the lift', { liftHours })"
        /></FieldRow>
        <FieldRow label="Lifts on" hint="The nights that a lift is there in, by the date they begin on."
          ><TextField
            :value="(settings.liftDates ?? []).join(', ')"
            label="Dates of the nights that a lift is there in"
            placeholder="any night"
            :refuse="areDates"
            @take="(text) => set('Nights of the lift', { liftDates: text ? datesIn(text) : undefined })"
        /></FieldRow>
        <FieldRow label="Light" hint="When a camera can be aimed; its lamps are looked at after it."
          ><HoursField
            :hours="settings.daylight"
            label="Hours of light"
            placeholder="not noted"
            @take="(daylight) => set('Hours of light', { daylight })"
        /></FieldRow>
        <FieldRow label="Ordered on" hint="From then on lead times run, and no night comes before its parts."
          ><TextField
            :value="settings.orderedOn ?? ''"
            label="Date on which everything is ordered"
            placeholder="in time"
            :refuse="(text) => (text ? isDate(text) : undefined)"
            @take="(text) => set('Ordered on', { orderedOn: text || undefined })"
        /></FieldRow>
      </div>
    </section>
    <section aria-labelledby="who">
      <h2 id="who">Who</h2>
      <p v-if="crew.length === 0" class="dim">Nobody yet. Two people are at height together, always.</p>
      <div v-for="person in crew" :key="person.id" class="line" :data-crew="person.id">
        <TextField
          :value="person.name"
          :label="`Name of ${person.name}`"
          :refuse="(text) => (text ? undefined : 'Enter a name.')"
          @take="(name) => setPerson(person, { name })"
        />
        <PicksField
          :values="person.skills"
          :choices="skillChoices"
          :label="`What ${person.name} can do`"
          @take="(can) => setPerson(person, { skills: can })"
        />
        <button
          type="button"
          class="btn small"
          @click="take(`${person.name} leaves the crew`, removeCrewMember(openSite, person.id))"
        >
          Remove
        </button>
      </div>
      <form class="line" @submit.prevent="addPerson">
        <InputText
          v-model="newName"
          size="small"
          aria-label="Name of somebody new"
          placeholder="Name"
          maxlength="80"
        />
        <button type="submit" class="btn small">Add to the crew</button>
      </form>
      <p class="tiny dim">
        Who may work at height or on the mains is a matter of papers and of local code; what is noted here
        only shares the work out.
      </p>
    </section>
    <RestartHours />
    <section aria-labelledby="views">
      <h2 id="views">Views</h2>
      <p v-if="rules.length === 0" class="dim">No rule: views may be dark in any combination.</p>
      <ViewRuleRow v-for="rule in rules" :key="rule.id" :rule="rule" :cameras="cameras" @take="take" />
      <form class="line rule" @submit.prevent="addRule">
        <InputText
          v-model="newRule.name"
          size="small"
          aria-label="Name of a new rule"
          placeholder="Never dark together"
          maxlength="80"
        />
        <PicksField
          :values="newRule.cameraIds"
          :choices="cameras"
          label="Cameras of a new rule"
          @take="(ids) => (newRule.cameraIds = ids)"
        />
        <button type="submit" class="btn small">Add the rule</button>
      </form>
      <p class="tiny dim">
        What watches over views is changed and proven before the first of them, and is never dark with one of
        them. A restart leaves every view of its recorder dark together: where a rule allows that, agree on
        the minute with whoever watches.
      </p>
    </section>
  </div>
</template>

<style scoped>
.rules {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 14px;
  align-content: start;
}
section {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 6px;
}
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(270px, 1fr));
  gap: 6px 22px;
}
.line {
  display: grid;
  grid-template-columns: 180px minmax(180px, 320px) auto;
  gap: 10px;
  align-items: center;
  justify-content: start;
}
.line.rule {
  grid-template-columns: 180px minmax(180px, 260px) auto auto auto;
}
.line > button {
  justify-self: start;
}
.line :deep(.p-multiselect) {
  width: 100%;
  max-width: 100%;
}
@media (max-width: 900px) {
  .line,
  .line.rule {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
