<script setup lang="ts">
import { computed, ref } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { mainsCheck, plannedGear, supplyCheck } from '#core/connect/supply';
import { catalogueOf } from '#core/model/catalogue';
import { readingsByRun } from '#core/test/readings';
import { removeThing, thingName, type Change } from '#core/model/site';
import { choices } from '#core/model/labels';
import { useKeys } from '../../../keys/keys';
import { useOpenEvaluation, useOpenSite } from '../../../stores/openSite';
import { useSite } from '../../../stores/site';
import AddHeadEndDialog from '../AddHeadEndDialog.vue';
import PhotoStrip from '../PhotoStrip.vue';
import EquipmentSheet from './EquipmentSheet.vue';
import RecorderSheet from './RecorderSheet.vue';
import SupplySheet from './SupplySheet.vue';

/** What stands at the head ends and in the closets: by place on the left, the sheet of the one in hand on the right. */
const store = useSite();
const openSite = useOpenSite();
const evaluation = useOpenEvaluation();
const route = useRoute();
const router = useRouter();
const adding = ref(false);
const problem = ref('');

type ThingKind = 'recorder' | 'supply' | 'equipment';
interface Thing {
  kind: ThingKind;
  id: string;
  name: string;
  placeId: string;
  label: string;
}

const site = computed(() => openSite.value);
const readings = computed(() => readingsByRun(site.value));
const supplies = computed(
  () =>
    new Map(
      Object.values(site.value.supply).map((supply) => [
        supply.id,
        supplyCheck(site.value, supply, readings.value),
      ]),
    ),
);
/** What the choices bring to each place. */
const planned = computed(() => plannedGear(catalogueOf(site.value), evaluation.value.total.shared));
const mains = computed(() => mainsCheck(site.value, readings.value, planned.value));

const things = computed<Thing[]>(() => [
  ...Object.values(site.value.recorder).map(({ id, name, placeId, inputs }): Thing => ({
    kind: 'recorder',
    id,
    name,
    placeId,
    label: `Recorder, ${inputs} inputs`,
  })),
  ...Object.values(site.value.supply).map(({ id, name, placeId, current, setVolts }): Thing => ({
    kind: 'supply',
    id,
    name,
    placeId,
    label: `Supply box, ${setVolts} V ${current.toUpperCase()}`,
  })),
  ...Object.values(site.value.equipment).map(({ id, name, placeId, gear }): Thing => ({
    kind: 'equipment',
    id,
    name,
    placeId,
    label: choices.gear.find(({ value }) => value === gear.kind)!.label,
  })),
]);
const places = computed(() =>
  [...new Set(things.value.map(({ placeId }) => placeId))]
    .map((placeId) => ({
      placeId,
      name: site.value.place[placeId]?.name ?? '',
      things: things.value.filter((thing) => thing.placeId === placeId),
    }))
    .sort((a, b) => a.name.localeCompare(b.name)),
);

const wrong = ({ kind, id }: Thing): number => {
  if (kind === 'supply') return supplies.value.get(id)?.wrong.length ?? 0;
  const checks = [...mains.value.circuits, ...mains.value.upses, ...mains.value.racks];
  const isOver = mains.value.upses.some((ups) => ups.id === id && ups.voltAmps?.status === 'fails');
  return kind === 'equipment' &&
    (isOver || checks.some((check) => check.id === id && check.load.status === 'fails'))
    ? 1
    : 0;
};

const open = computed(
  () =>
    things.value.find(({ kind, id }) => route.query['thing'] === `${kind}/${id}`) ??
    places.value[0]?.things[0] ??
    null,
);
const show = ({ kind, id }: Pick<Thing, 'kind' | 'id'>) => {
  problem.value = '';
  void router.replace({ ...route, query: { ...route.query, thing: `${kind}/${id}` } });
};
function step(by: number): void {
  const listed = places.value.flatMap((place) => place.things);
  const next = listed[listed.findIndex((thing) => thing === open.value) + by];
  if (next) show(next);
}

function change(what: string, changes: Change[]): void {
  const name = open.value?.name ?? '';
  problem.value = store
    .change(`${what} of ${name}`, changes)
    .map(({ allowed }) => allowed)
    .join('; ');
}
function remove(): void {
  if (!open.value) return;
  const { kind, id, name } = open.value;
  const removal = removeThing(site.value, kind, id);
  if (removal.kind === 'in-use')
    problem.value = `${name} is still needed by ${removal.by.join(', ')}. Move them first.`;
  else
    problem.value = store
      .change(`Remove ${name}`, removal.changes)
      .map(({ allowed }) => allowed)
      .join('; ');
}

useKeys([
  {
    keys: ['n'],
    label: 'note a recorder, supply box or other gear',
    group: 'Head end',
    run: () => {
      adding.value = true;
    },
  },
  { keys: [']'], label: 'next thing', group: 'Head end', run: () => step(1) },
  { keys: ['['], label: 'thing before', group: 'Head end', run: () => step(-1) },
]);
</script>

<template>
  <div class="head-end">
    <div class="left">
      <button type="button" class="btn go" @click="adding = true">
        Add a recorder, supply box, rack… <kbd>n</kbd>
      </button>
      <section v-for="place in places" :key="place.placeId">
        <h2 class="minor">{{ place.name }}</h2>
        <button
          v-for="thing in place.things"
          :key="`${thing.kind}/${thing.id}`"
          type="button"
          class="plain thing"
          :class="{ here: thing === open }"
          :aria-current="thing === open ? 'true' : undefined"
          @click="show(thing)"
        >
          <span class="name">{{ thing.name }}</span><span class="dim tiny">{{ thing.label }}</span>
          <span v-if="wrong(thing) > 0" class="wrong">{{ wrong(thing) }} to put right</span>
        </button>
      </section>
      <section v-if="mains.unfed.length > 0 && mains.circuits.length > 0" class="tiny dim">
        On no circuit yet: {{ mains.unfed.map(({ name }) => name).join(', ') }}.
      </section>
    </div>
    <div v-if="open" class="right" :data-thing="`${open.kind}/${open.id}`">
      <div class="row">
        <h2>{{ open.name }}</h2>
        <span class="push" /><button type="button" class="btn small" @click="remove">Remove</button>
      </div>
      <p v-if="problem" class="caution" role="alert">{{ problem }}</p>
      <RecorderSheet
        v-if="open.kind === 'recorder'"
        :key="open.id"
        :recorder="site.recorder[open.id]!"
        @change="change"
      />
      <SupplySheet
        v-else-if="open.kind === 'supply'"
        :key="open.id"
        :supply="site.supply[open.id]!"
        :check="supplies.get(open.id)!"
        @change="change"
      />
      <EquipmentSheet
        v-else
        :key="open.id"
        :equipment="site.equipment[open.id]!"
        :mains="mains"
        @change="change"
      />
      <h3>Photos</h3>
      <PhotoStrip :of="{ kind: open.kind, id: open.id }" :what="thingName(site, open)" />
    </div>
    <div v-else class="empty">
      <strong>No head end gear is noted yet.</strong>Start with the recorder: its inputs, and how they turn to
      IP. Then the supply boxes, with a fuse for each output. Runs are hung on them in their own sheet, or
      here.
    </div>
    <AddHeadEndDialog v-model:visible="adding" @added="show" />
  </div>
</template>

<style scoped>
.head-end {
  display: grid;
  grid-template-columns: 290px minmax(0, 1fr);
  gap: 18px;
  min-height: 0;
}
.left {
  display: flex;
  flex-direction: column;
  gap: 12px;
  overflow: auto;
  min-height: 0;
  scrollbar-width: thin;
}
.left .btn {
  align-self: start;
  flex: none;
}
.left .minor {
  color: var(--ink-2);
  font-weight: 400;
  padding: 0 0 3px 8px;
}
.thing {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 0 8px;
  width: 100%;
  padding: 5px 8px;
  border-top: 1px solid var(--rule);
}
.thing:hover {
  background: var(--sheet);
}
.thing.here {
  background: var(--copper-3);
  box-shadow: inset 3px 0 var(--copper);
}
.wrong {
  grid-column: 1 / -1;
  color: var(--madder);
  font-size: 12px;
}
.right {
  overflow: auto;
  background: var(--sheet);
  border: 1px solid var(--rule-strong);
  padding: 12px 16px;
  display: flex;
  flex-direction: column;
  gap: 8px;
  scrollbar-width: thin;
}
.right > * {
  flex: none;
}
.right h3 {
  border-bottom: 1px solid var(--rule-strong);
  padding: 6px 0 3px;
}
@media (max-width: 900px) {
  .head-end {
    grid-template-columns: 1fr;
  }
  .left,
  .right {
    overflow: visible;
  }
}
</style>
