<script setup lang="ts">
import { computed, ref, useTemplateRef, watch } from 'vue';
import type { SignOff } from '#core/evaluate';
import { mayAccept, signerWords, statusWords, thingKey, type ThingState } from '#core/signoff/acceptance';
import {
  accept,
  signerRoles,
  withdrawAcceptance,
  type Acceptance,
  type Signature,
  type SignerRole,
} from '#core/model/site';
import { counted } from '#core/shared/labels';
import FieldRow from '../../parts/FieldRow.vue';
import PickField from '../../parts/PickField.vue';
import TextField from '../../parts/TextField.vue';
import { idMark } from '../../stores/idMark';
import { useOpenSite } from '../../stores/openSite';
import { useSite } from '../../stores/site';
import { thingLabel, useSignOff } from '../../stores/signOff';
import SignatureDrawing from '../../parts/SignatureDrawing.vue';
import SignaturePad from './SignaturePad.vue';

/** Who accepts what: by which readings, in spite of what, with a name and a signature. */
const { now } = defineProps<{ now: SignOff }>();
const store = useSite();
const openSite = useOpenSite();
const signOff = useSignOff();
const pad = useTemplateRef('pad');

const canPick = ({ status }: ThingState): boolean => status !== 'accepted';
const picked = ref<Set<string>>(
  new Set(now.things.filter(({ status }) => status === 'ready').map(({ of }) => thingKey(of))),
);
const name = ref('');
const role = ref<SignerRole>('customer');
const note = ref('');
const strokes = ref<Signature>([]);
const problems = ref<string[]>([]);
const done = ref('');

const things = computed(() => now.things.filter(({ of }) => picked.value.has(thingKey(of))));
const may = computed(() => mayAccept(things.value));
watch([picked, name, strokes], () => (problems.value = []));

function turn(key: string, isPicked: boolean): void {
  const next = new Set(picked.value);
  if (isPicked) next.add(key);
  else next.delete(key);
  picked.value = next;
}
const pickReady = () => {
  picked.value = new Set(now.things.filter(({ status }) => status === 'ready').map(({ of }) => thingKey(of)));
};

function sign(): void {
  const given = may.value;
  const missing = [
    ...(given.kind === 'may-not' ? given.why : []),
    ...(name.value.trim() ? [] : ['Enter the name of whoever signs.']),
    ...(strokes.value.length > 0 ? [] : ['Have it signed in the box.']),
  ];
  problems.value = missing;
  if (given.kind === 'may-not' || missing.length > 0) return;
  const { readingIds, exceptions } = given;
  const acceptance = {
    things: things.value.map(({ of }) => of),
    readingIds,
    exceptions,
    signedBy: name.value.trim(),
    role: role.value,
    signature: strokes.value,
    ...(note.value.trim() ? { note: note.value.trim() } : {}),
  };
  const refused = store.change(`Accepted: ${counted(things.value.length, 'thing')}`, [
    accept(openSite.value, acceptance, signOff.doing(), idMark),
  ]);
  problems.value = refused.map(({ allowed }) => allowed);
  if (refused.length > 0) return;
  done.value = `${counted(acceptance.things.length, 'thing')} accepted by ${acceptance.signedBy}${
    exceptions.length > 0 ? `, with ${counted(exceptions.length, 'exception')}` : ''
  }.`;
  [picked.value, name.value, note.value] = [new Set(), '', ''];
  pad.value?.clear();
}
const acceptances = computed(() =>
  Object.values(openSite.value.acceptance).sort((a, b) => b.at.localeCompare(a.at)),
);
const namesOf = ({ things: of }: Acceptance): string => {
  const labels = of.map((thing) => {
    const known = signOff.byKey.get(thingKey(thing));
    return known ? thingLabel(known) : thing.id;
  });
  return labels.length > 4
    ? `${labels.slice(0, 3).join(', ')} and ${labels.length - 3} more`
    : labels.join(', ');
};
function withdraw(acceptance: Acceptance, why: string): void {
  if (!why) return;
  problems.value = store
    .change(`Withdrawn: what ${acceptance.signedBy} accepted`, [
      withdrawAcceptance(acceptance, why, signOff.doing()),
    ])
    .map(({ allowed }) => allowed);
}
</script>

<template>
  <div class="sign" tabindex="0" role="region" aria-label="Signatures">
    <div class="columns">
      <section>
        <div class="row">
          <h2>What is accepted</h2>
          <span class="dim tiny">{{ picked.size }} of {{ now.things.length }}</span>
          <span class="push" />
          <button type="button" class="btn small" @click="pickReady">All that are ready</button>
        </div>
        <ul class="things">
          <li v-for="thing in now.things" :key="thingKey(thing.of)">
            <label :class="{ dim: !canPick(thing) }">
              <input
                type="checkbox"
                :checked="picked.has(thingKey(thing.of))"
                :disabled="!canPick(thing)"
                @change="turn(thingKey(thing.of), ($event.target as HTMLInputElement).checked)"
              />
              {{ thingLabel(thing) }}
              <span class="dim tiny">{{ statusWords[thing.status] }}</span>
            </label>
          </li>
        </ul>
      </section>
      <section>
        <h2>By whom</h2>
        <template v-if="may.kind === 'may'">
          <p data-rests>
            Rests on {{ counted(may.readingIds.length, 'reading') }};
            {{ may.exceptions.length === 0 ? 'no exceptions' : counted(may.exceptions.length, 'exception') }}.
          </p>
          <ul v-if="may.exceptions.length > 0" class="caution">
            <li v-for="one in may.exceptions" :key="one.punchId">{{ one.what }}</li>
          </ul>
        </template>
        <div v-else-if="picked.size > 0" class="caution">
          <p><b>Cannot be accepted yet.</b></p>
          <p v-for="why in may.why.slice(0, 6)" :key="why">{{ why }}</p>
          <p v-if="may.why.length > 6">And {{ may.why.length - 6 }} more.</p>
        </div>
        <FieldRow label="Name">
          <input v-model="name" class="field" aria-label="Name of whoever signs" maxlength="80" />
        </FieldRow>
        <FieldRow label="Signs">
          <PickField
            :value="role"
            :choices="signerRoles.map((value) => ({ value, label: signerWords[value] }))"
            label="For whom"
            @take="(next) => (role = next)"
          />
        </FieldRow>
        <FieldRow label="Remark">
          <input v-model="note" class="field" aria-label="Remark" maxlength="2000" />
        </FieldRow>
        <SignaturePad ref="pad" @drawn="(next) => (strokes = next)" />
        <div v-if="problems.length > 0" class="stop" role="alert">
          <p v-for="one in problems" :key="one">{{ one }}</p>
        </div>
        <p v-if="done" role="status">{{ done }}</p>
        <button type="button" class="btn go accept" @click="sign">Accept</button>
        <p class="dim tiny">
          What is accepted stays as it was read. Later readings stand beside it; local codes and a licensed
          person decide on what is safe.
        </p>
      </section>
    </div>
    <section v-if="acceptances.length > 0" class="signed">
      <h2>Signed</h2>
      <table>
        <tbody>
          <tr
            v-for="one in acceptances"
            :key="one.id"
            :class="{ out: one.withdrawn }"
            :data-signed="one.signedBy"
          >
            <td class="mono">{{ one.at.slice(0, 10) }}</td>
            <td>
              <b>{{ one.signedBy }}</b> <span class="dim">{{ signerWords[one.role].toLowerCase() }}</span>
            </td>
            <td>
              {{ namesOf(one) }}
              <span v-if="one.exceptions.length > 0" class="dim tiny"
                >with {{ counted(one.exceptions.length, 'exception') }}:
                {{ one.exceptions.map(({ what }) => what).join('; ') }}</span
              >
              <span v-if="one.withdrawn" class="tiny"
                >withdrawn by {{ one.withdrawn.by }}: {{ one.withdrawn.why }}</span
              >
            </td>
            <td><SignatureDrawing v-if="one.signature" :strokes="one.signature" :of="one.signedBy" /></td>
            <td>
              <TextField
                v-if="!one.withdrawn"
                value=""
                :label="`Why it is withdrawn: ${one.signedBy}`"
                placeholder="withdraw, because …"
                @take="(why) => withdraw(one, why)"
              />
            </td>
          </tr>
        </tbody>
      </table>
    </section>
  </div>
</template>

<style scoped>
.sign {
  overflow: hidden auto;
  scrollbar-width: thin;
}
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 470px);
  gap: 24px;
}
h2 {
  font-size: 14px;
  padding-bottom: 4px;
}
.things {
  columns: 2;
  list-style: none;
  padding: 0;
}
.things label {
  display: flex;
  gap: 6px;
  align-items: center;
  min-height: 26px;
}
.field {
  width: 100%;
  border-radius: 4px;
  min-height: 26px;
  border: 1px solid var(--rule-strong);
  background: var(--sheet);
  color: var(--ink);
  font: inherit;
}
.accept {
  margin: 10px 0;
}
.signed {
  padding-top: 12px;
}
table {
  width: 100%;
  border-collapse: collapse;
}
td {
  padding: 4px 8px;
  border-top: 1px solid var(--rule);
  font-size: 12px;
}
.out {
  color: var(--ink-2);
  text-decoration: line-through;
}
@media (max-width: 1000px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
  .things {
    columns: 1;
  }
  .things label {
    min-height: 44px;
  }
  .accept {
    width: 100%;
    min-height: 52px;
    justify-content: center;
  }
}
</style>
