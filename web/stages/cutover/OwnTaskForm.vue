<script setup lang="ts">
import InputText from 'primevue/inputtext';
import { computed, ref } from 'vue';
import { freeId, ownTaskTimes, type OwnTask, type Skill } from '#core/model/site';
import { within } from '../../parts/within';
import PickField from '../../parts/PickField.vue';
import PicksField from '../../parts/PicksField.vue';
import QuantityField from '../../parts/QuantityField.vue';
import { idMark } from '../../stores/idMark';
import { useOpenSite } from '../../stores/openSite';
import { useSite } from '../../stores/site';
import { skillChoices } from './skillWords';

/** Something that is done for the change and that nothing on the site asks for: a door to be fitted, a sign, a visit. */
const store = useSite();
const openSite = useOpenSite();
const blank = {
  name: '',
  when: 'night' as OwnTask['when'],
  placeId: '',
  minutes: 60,
  people: 1,
  skills: [] as Skill[],
};
const typed = ref({ ...blank });
const problem = ref('');
const times: Record<OwnTask['when'], string> = {
  before: 'before the nights',
  night: 'in a night',
  after: 'after the nights',
};
const timeChoices = ownTaskTimes.map((value) => ({ value, label: times[value] }));
const places = computed(() =>
  Object.values(openSite.value.place).map(({ id, name }) => ({ value: id, label: name })),
);
function add(): void {
  const name = typed.value.name.trim();
  const placeId = typed.value.placeId || (places.value[0]?.value ?? '');
  if (!name) {
    problem.value = 'Enter what is to be done.';
    return;
  }
  const id = freeId((taken) => openSite.value.ownTask[taken] !== undefined, name, idMark);
  problem.value = store
    .change(`Add “${name}”`, [{ kind: 'ownTask', id, set: { ...typed.value, id, name, placeId } }])
    .map(({ allowed }) => allowed)
    .join(' ');
  if (!problem.value) typed.value = { ...blank };
}
</script>

<template>
  <form class="own" aria-label="Add a task" @submit.prevent="add">
    <InputText
      v-model="typed.name"
      size="small"
      aria-label="What is to be done"
      placeholder="Something else to be done"
      maxlength="80"
    />
    <PickField
      :value="typed.when"
      :choices="timeChoices"
      label="When it is done"
      @take="(when) => (typed.when = when)"
    />
    <PickField
      :value="typed.placeId || (places[0]?.value ?? '')"
      :choices="places"
      label="Where it is done"
      @take="(placeId) => (typed.placeId = placeId)"
    />
    <QuantityField
      :value="typed.minutes"
      unit="min"
      label="How long it takes"
      :allowed="within(1, 6000, 'min')"
      @take="(minutes) => (typed.minutes = minutes)"
    />
    <PicksField
      :values="typed.skills"
      :choices="skillChoices"
      label="What it takes to do it"
      placeholder="anybody"
      @take="(skills) => (typed.skills = skills)"
    />
    <button type="submit" class="btn small">Add the task</button>
    <p v-if="problem" class="stop" role="alert">{{ problem }}</p>
  </form>
</template>

<style scoped>
.own {
  display: grid;
  grid-template-columns: minmax(160px, 260px) 140px minmax(120px, 180px) 84px minmax(120px, 180px) auto;
  gap: 8px;
  align-items: center;
  justify-content: start;
  padding: 6px 0 2px;
}
.stop {
  grid-column: 1 / -1;
}
@media (max-width: 1000px) {
  .own {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
