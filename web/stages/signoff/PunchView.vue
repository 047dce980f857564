<script setup lang="ts">
import { computed, ref } from 'vue';
import type { SignOff } from '#core/evaluate';
import { mayClose, severityWords, thingKey } from '#core/signoff/acceptance';
import {
  acceptanceCheckOf,
  closePunchItem,
  notePunchItem,
  punchSeverities,
  type PunchItem,
  type PunchSeverity,
} from '#core/model/site';
import FieldRow from '../../parts/FieldRow.vue';
import PickField from '../../parts/PickField.vue';
import TextField from '../../parts/TextField.vue';
import { idMark } from '../../stores/idMark';
import { useOpenSite } from '../../stores/openSite';
import { useSite } from '../../stores/site';
import { thingLabel, useSignOff } from '../../stores/signOff';

/** What is not as it has to be: how bad, whose, by when; closed once the check that found it was made again. */
const { now } = defineProps<{ now: SignOff }>();
const store = useSite();
const openSite = useOpenSite();
const signOff = useSignOff();
const problem = ref('');

const labelOf = ({ of }: Pick<PunchItem, 'of'>): string => {
  const thing = signOff.byKey.get(thingKey(of));
  return thing ? thingLabel(thing) : of.id;
};
const rank = (severity: PunchSeverity): number => punchSeverities.indexOf(severity);
const items = computed(() => Object.values(openSite.value.punchItem));
const open = computed(() =>
  items.value
    .filter(({ closed }) => !closed)
    .sort((a, b) => rank(a.severity) - rank(b.severity) || (a.due ?? '9').localeCompare(b.due ?? '9')),
);
const closed = computed(() => items.value.filter((item) => item.closed));
const today = new Date().toISOString().slice(0, 10);

const things = computed(() =>
  now.things.map((thing) => ({ value: thingKey(thing.of), label: thingLabel(thing) })),
);
const severities = punchSeverities.map((value) => ({ value, label: severityWords[value] }));
const fresh = ref({ thing: '', severity: 'below-need' as PunchSeverity, what: '', owner: '', due: '' });

const said = (problems: readonly { allowed: string }[]): string =>
  problems.map(({ allowed }) => allowed).join('; ');

function add(): void {
  const thing = signOff.byKey.get(fresh.value.thing);
  const what = fresh.value.what.trim();
  if (!thing || !what) {
    problem.value = thing ? 'Say what is not as it has to be.' : 'Pick what it is about.';
    return;
  }
  const { severity, owner, due } = fresh.value;
  const item = { of: thing.of, severity, what, ...(owner ? { owner } : {}), ...(due ? { due } : {}) };
  problem.value = said(
    store.change(`Punch list: ${thingLabel(thing)}`, [
      notePunchItem(openSite.value, item, signOff.doing(), idMark),
    ]),
  );
  if (!problem.value) fresh.value = { ...fresh.value, what: '', owner: '', due: '' };
}
function set(
  item: PunchItem,
  fields: Partial<Pick<PunchItem, 'owner' | 'due' | 'severity' | 'photoId'>>,
): void {
  const entries = Object.entries({ ...item, ...fields }).filter(([, value]) => value !== '');
  problem.value = said(
    store.change(`Punch list: ${labelOf(item)}`, [
      { kind: 'punchItem', id: item.id, set: Object.fromEntries(entries) as PunchItem },
    ]),
  );
}
function close(item: PunchItem, how: string): void {
  if (!how) return;
  const why = mayClose(item, signOff.byKey.get(thingKey(item.of)) ?? null);
  problem.value =
    why ?? said(store.change(`Closed: ${labelOf(item)}`, [closePunchItem(item, how, signOff.doing())]));
}
const photosOf = ({ of }: PunchItem) => [
  { value: '', label: 'No photo' },
  ...Object.values(openSite.value.photo)
    .filter((photo) => photo.of.kind === of.kind && photo.of.id === of.id)
    .map(({ id, caption, at }) => ({ value: id, label: caption ?? at.slice(0, 16).replace('T', ' ') })),
];
</script>

<template>
  <div class="punch" tabindex="0" role="region" aria-label="Punch list">
    <p v-if="problem" class="stop" role="alert">{{ problem }}</p>
    <p v-if="open.length === 0" class="empty">
      <strong>Nothing is on the punch list.</strong>A check that does not hold is put here from Acceptance,
      and anything else below.
    </p>
    <table v-else>
      <thead>
        <tr>
          <th>How bad</th>
          <th>What</th>
          <th>Who</th>
          <th>By</th>
          <th>Photo</th>
          <th>Closed by</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="item in open" :key="item.id" :data-punch="item.id" :class="item.severity">
          <td>
            <PickField
              :value="item.severity"
              :choices="severities"
              :label="`How bad: ${item.what}`"
              @take="(severity) => set(item, { severity })"
            />
          </td>
          <td>
            <b>{{ labelOf(item) }}</b> {{ item.what }}
            <span class="dim tiny"
              >{{ item.by }}, {{ item.at.slice(0, 10)
              }}{{ item.check ? `; read “${acceptanceCheckOf(item.check).label}” again` : '' }}</span
            >
          </td>
          <td>
            <TextField
              :value="item.owner ?? ''"
              :label="`Who mends: ${item.what}`"
              placeholder="nobody yet"
              @take="(owner) => set(item, { owner })"
            />
          </td>
          <td>
            <input
              type="date"
              :value="item.due ?? ''"
              :aria-label="`By when: ${item.what}`"
              :class="{ late: item.due !== undefined && item.due < today }"
              @change="set(item, { due: ($event.target as HTMLInputElement).value })"
            />
          </td>
          <td>
            <PickField
              v-if="photosOf(item).length > 1"
              :value="item.photoId ?? ''"
              :choices="photosOf(item)"
              :label="`Photo of: ${item.what}`"
              placeholder="No photo"
              @take="(photoId) => set(item, { photoId })"
            />
            <span v-else class="dim tiny">no photo</span>
          </td>
          <td>
            <TextField
              value=""
              :label="`How it was mended: ${item.what}`"
              placeholder="how it was mended"
              @take="(how) => close(item, how)"
            />
          </td>
        </tr>
      </tbody>
    </table>
    <form class="add" @submit.prevent="add">
      <h2>Add to the punch list</h2>
      <FieldRow label="About">
        <PickField
          :value="fresh.thing || null"
          :choices="things"
          label="About"
          placeholder="camera, recorder, box …"
          @take="(next) => (fresh.thing = next)"
        />
      </FieldRow>
      <FieldRow label="How bad">
        <PickField
          :value="fresh.severity"
          :choices="severities"
          label="How bad"
          @take="(next) => (fresh.severity = next)"
        />
      </FieldRow>
      <FieldRow label="What">
        <input v-model="fresh.what" class="field" aria-label="What is not as it has to be" maxlength="300" />
      </FieldRow>
      <FieldRow label="Who mends it">
        <input v-model="fresh.owner" class="field" aria-label="Who mends it" maxlength="80" />
      </FieldRow>
      <FieldRow label="By">
        <input v-model="fresh.due" class="field" type="date" aria-label="By when" />
      </FieldRow>
      <button type="submit" class="btn">Add</button>
    </form>
    <section v-if="closed.length > 0">
      <h2>Closed</h2>
      <p v-for="item in closed" :key="item.id" class="tiny">
        <b>{{ labelOf(item) }}</b> {{ item.what }}: {{ item.closed!.how }}, {{ item.closed!.by }},
        {{ item.closed!.at.slice(0, 10) }}
      </p>
    </section>
  </div>
</template>

<style scoped>
.punch {
  overflow: hidden auto;
  scrollbar-width: thin;
}
table {
  width: 100%;
  border-collapse: collapse;
}
th {
  padding: 2px 6px;
  color: var(--ink-2);
  font-size: 11px;
  font-weight: 500;
  text-align: left;
}
td {
  padding: 5px 6px;
  border-top: 1px solid var(--rule);
  vertical-align: top;
  font-size: 12px;
}
td:first-child {
  border-left: 3px solid transparent;
}
tr.unsafe td:first-child,
tr.view-lost td:first-child {
  border-left-color: var(--madder);
}
tr.below-need td:first-child {
  border-left-color: var(--ochre);
}
.late {
  color: var(--madder);
  font-weight: 600;
}
.field,
input[type='date'] {
  min-height: 26px;
  border-radius: 4px;
  border: 1px solid var(--rule-strong);
  background: var(--sheet);
  color: var(--ink);
  font: inherit;
}
.field {
  width: 100%;
}
.add {
  max-width: 460px;
  padding: 14px 0;
}
h2 {
  font-size: 14px;
  padding-bottom: 4px;
}
@media (max-width: 700px) {
  table,
  tbody,
  tr,
  td {
    display: block;
  }
  thead {
    display: none;
  }
}
</style>
