<script setup lang="ts">
import { computed, ref } from 'vue';
import { listed } from '#core/shared/labels';
import { migrationOfSite } from '#core/evaluate';
import { nightStepInWords, recorderState } from '#core/allocate/recorder';
import {
  allocationSettingsOf,
  camerasPerNight,
  setAllocationSettings,
  type AllocationSettings,
} from '#core/model/site';
import { useKeys } from '../../keys/keys';
import NextStep from '../../parts/NextStep.vue';
import PicksField from '../../parts/PicksField.vue';
import QuantityField from '../../parts/QuantityField.vue';
import RecorderSlots from '../../parts/RecorderSlots.vue';
import { fitting } from '../../parts/within';
import { useOpenEvaluation, useOpenSite } from '../../stores/openSite';
import { useSite } from '../../stores/site';

/** The nights in which the cameras can move, so that every morning leaves a legal recorder, and the slots of each morning. */
const store = useSite();
const openSite = useOpenSite();
const summary = useOpenEvaluation();
const allocation = computed(() => summary.value.allocation);
const wishes = computed(() => allocationSettingsOf(openSite.value));
const isAgreed = computed(() => Object.keys(openSite.value.plannedNight).length > 0);
const inUse = computed(() => camerasPerNight(wishes.value));
const migration = computed(() => migrationOfSite(openSite.value, allocation.value));
/** −1 is today; after that the morning after each night. */
const at = ref(0);
const shown = computed(() => Math.min(at.value, migration.value.nights.length - 1));
const recorderOf = (id: string) => openSite.value.recorder[id]!;
const morning = computed(() =>
  Object.values(openSite.value.recorder).map((recorder) =>
    recorderState(recorder, migration.value.nights[shown.value]?.occupied[recorder.id] ?? []),
  ),
);
const movers = computed(() =>
  Object.values(allocation.value.needs)
    .filter(({ signal, cameraId }) => signal.kind === 'ip' && openSite.value.placement[cameraId])
    .map(({ cameraId, number, name }) => ({ value: cameraId, label: `${number} ${name}` })),
);
const wish = (what: string, fields: Partial<AllocationSettings>) =>
  store.change(what, [setAllocationSettings(openSite.value, fields)]);
const step = (by: number) => {
  at.value = Math.max(0, Math.min(migration.value.nights.length - 1, shown.value + by));
};
useKeys([
  { keys: ['ArrowRight'], label: 'next night', group: 'Order', run: () => step(1) },
  { keys: ['ArrowLeft'], label: 'night before', group: 'Order', run: () => step(-1) },
]);
</script>

<template>
  <div class="order">
    <div class="row acts">
      <span class="field"
        ><span class="dim">Cameras in a night</span>{{ ' '
        }}<QuantityField
          :value="wishes.perNight"
          unit=""
          label="Cameras in a night"
          :allowed="fitting('allocationSettings', 'perNight')"
          @take="(perNight) => wish('Cameras in a night', { perNight })"
        /><span v-if="inUse < wishes.perNight" class="dim"
          >, {{ inUse }} as the nights are planned</span
        ></span
      >
      <span class="field wide"
        ><span class="dim">Must not wait</span>{{ ' '
        }}<PicksField
          :values="wishes.first"
          :choices="movers"
          label="Cameras that must not wait"
          @take="(first) => wish('Cameras that must not wait', { first })"
      /></span>
      <span class="push" />
      <span class="dim"
        >{{ migration.nights.length }} night{{ migration.nights.length === 1 ? '' : 's' }},
        {{ migration.restarts }} restart{{ migration.restarts === 1 ? '' : 's' }}</span
      >
    </div>
    <p v-if="isAgreed" class="dim" role="status" data-agreed>
      The nights are agreed. This is the order that they keep to; Cut over says in which of them each camera
      moves. <NextStep stage="cutover" view="nights" :keys="['6', 'n']" label="Cut over, Nights" />
    </p>
    <p v-for="one in migration.waiting" :key="one.cameraId" class="caution" role="alert">
      Camera {{ one.number }} has to wait: {{ one.why }}.
    </p>
    <p v-if="migration.unplaced.length > 0" class="caution" role="status" data-unplaced>
      {{
        migration.unplaced.length === 1
          ? `Camera ${migration.unplaced[0]} is decided and has no slot yet: it stays on its input until it has one.`
          : `Cameras ${listed(migration.unplaced)} are decided and have no slot yet: they stay on their inputs until they have one.`
      }}
    </p>
    <p v-if="migration.elsewhere.length > 0" class="caution" role="status" data-elsewhere>
      {{
        migration.elsewhere.length === 1
          ? `The lead of camera ${migration.elsewhere[0]} ends on no recorder that is noted. Note its input at the run, or give it a slot: until then it is in no night.`
          : `The leads of cameras ${listed(migration.elsewhere)} end on no recorder that is noted. Note their inputs at the runs, or give them slots: until then they are in no night.`
      }}
    </p>
    <div v-if="migration.nights.length === 0" class="empty">
      <strong>Nothing moves.</strong>Once cameras have their slots in the rack, the order in which they can
      move shows here.
    </div>
    <div v-else class="columns">
      <ol class="nights">
        <li
          v-for="(night, index) in migration.nights"
          :key="index"
          :class="{ shown: index === shown }"
          :data-night="index + 1"
        >
          <button type="button" class="plain" :aria-current="index === shown" @click="at = index">
            <b>Night {{ index + 1 }}</b>
          </button>
          <p
            v-for="(text, k) in night.steps.flatMap((one) => nightStepInWords(one, recorderOf))"
            :key="k"
            class="tiny"
          >
            {{ text }}
          </p>
          <p v-for="why in night.broken" :key="why" class="stop tiny">{{ why }}</p>
        </li>
      </ol>
      <section class="morning" :aria-label="`The morning after night ${shown + 1}`">
        <h2 class="minor">The morning after night {{ shown + 1 }}</h2>
        <div v-for="{ recorder, slots } in morning" :key="recorder.id" :data-morning="recorder.id">
          <p class="dim tiny">{{ recorder.name }}</p>
          <RecorderSlots :slots="slots" :ip-inputs="migration.nights[shown]?.ipInputs[recorder.id] ?? []" />
        </div>
        <p class="tiny dim">
          Work on live systems at height, on ladders or lifts: never alone, and by the local rules. A recorder
          that restarts records nothing; agree the hour.
        </p>
      </section>
    </div>
  </div>
</template>

<style scoped>
.order {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.acts {
  gap: 14px;
  flex-wrap: wrap;
}
.field {
  display: inline-flex;
  gap: 8px;
  align-items: center;
}
.field :deep(.quantity) {
  width: 84px;
}
.wide {
  min-width: 320px;
}
.wide :deep(.p-multiselect) {
  min-width: 220px;
  max-width: 340px;
}
.columns {
  display: grid;
  grid-template-columns: minmax(300px, 1fr) minmax(300px, 1fr);
  gap: 20px;
  align-items: start;
}
.nights {
  list-style: none;
  padding: 0;
  margin: 0;
  display: grid;
  gap: 8px;
}
.nights li {
  border-left: 3px solid var(--rule-strong);
  padding-left: 10px;
}
.nights li.shown {
  border-color: var(--copper);
  background: var(--copper-3);
}
.morning {
  position: sticky;
  top: 0;
  display: grid;
  gap: 6px;
}
@media (max-width: 900px) {
  .columns {
    grid-template-columns: 1fr;
  }
}
</style>
