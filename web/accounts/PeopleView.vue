<script setup lang="ts">
import { onMounted, ref, shallowRef } from 'vue';
import type { people as endpoints } from '#contract';
import {
  firmRoleDefinitions,
  firmRoles,
  type AnswerOf,
  type FirmRole,
  type InvitationListing,
  type Person,
} from '#contract';
import PickField from '../parts/PickField.vue';
import { api, authorityAddress, type Answer } from '../stores/api';
import { useAccount } from '../stores/account';
import NewInvitation from './NewInvitation.vue';
import { refusalWords } from './refusalWords';

/** For whoever administers accounts: who may sign in, how this server is reached, what happened. */
const account = useAccount();
const all = shallowRef<Person[] | null>(null);
const invitations = shallowRef<InvitationListing[]>([]);
const shared = shallowRef<AnswerOf<(typeof endpoints)['shared']>>({ addresses: [], fingerprint: null });
const notes = shallowRef<AnswerOf<(typeof endpoints)['notes']>['notes']>([]);
const problems = ref<string[]>([]);
const role = ref<FirmRole>('staff');
const made = ref<{ code: string; endsAt: string } | null>(null);
const removing = ref<string | null>(null);
const choices = firmRoles.map((value) => ({
  value,
  label: `${firmRoleDefinitions[value].label}: ${firmRoleDefinitions[value].about}`,
}));
const roleChoices = firmRoles.map((value) => ({ value, label: firmRoleDefinitions[value].label }));
const when = (at: string): string =>
  new Date(at).toLocaleString([], { dateStyle: 'medium', timeStyle: 'short' });

async function load(): Promise<void> {
  const [found, reach, told] = await Promise.all([api.people(), api.shared(), api.accountNotes()]);
  if (found.kind === 'answer') [all.value, invitations.value] = [found.value.people, found.value.invitations];
  else problems.value = refusalWords(found);
  if (reach.kind === 'answer') shared.value = reach.value;
  if (told.kind === 'answer') notes.value = told.value.notes;
}
onMounted(() => {
  document.title = 'People · Neotrope';
  void load();
});

async function done<T>(asked: Promise<Answer<T>>): Promise<void> {
  problems.value = refusalWords(await asked);
  await load();
}
async function invite(): Promise<void> {
  const answer = await api.invite(role.value);
  problems.value = refusalWords(answer);
  if (answer.kind === 'answer') made.value = answer.value;
  await load();
}
const remove = async (id: string): Promise<void> => {
  removing.value = null;
  await done(api.removePerson(id));
};
</script>

<template>
  <main class="people">
    <p><RouterLink to="/">All sites</RouterLink></p>
    <h1>People</h1>
    <div v-if="problems.length > 0" class="caution" role="alert">
      <p v-for="problem in problems" :key="problem">{{ problem }}</p>
    </div>
    <section v-if="all" aria-label="Who has an account">
      <h2>Who has an account</h2>
      <ul>
        <li v-for="person in all" :key="person.id" :data-person="person.name">
          <span class="name"
            >{{ person.name }}<span v-if="person.id === account.person?.id" class="dim"> (you)</span></span
          >
          <PickField
            class="role"
            :value="person.role"
            :choices="roleChoices"
            :label="`Role of ${person.name}`"
            @take="(next) => done(api.setFirmRole(person.id, next))"
          />
          <button v-if="removing !== person.id" type="button" class="btn small" @click="removing = person.id">
            Remove
          </button>
          <template v-else>
            <button type="button" class="btn small stop" @click="remove(person.id)">
              Remove {{ person.name }}
            </button>
            <button type="button" class="btn small" @click="removing = null">Cancel</button>
          </template>
        </li>
      </ul>
      <p class="dim tiny">
        Whoever is removed is signed out everywhere. What he noted stays. A lost phone or password: make a new
        code on the server with npm run people -- recover NAME.
      </p>
    </section>
    <section aria-label="Invite somebody">
      <h2>Invite somebody</h2>
      <NewInvitation
        v-if="made"
        :code="made.code"
        :ends-at="made.endsAt"
        :addresses="shared.addresses"
        @done="made = null"
      />
      <form v-else class="invite" @submit.prevent="invite">
        <PickField :value="role" :choices="choices" label="As" @take="(next) => (role = next)" />
        <button type="submit" class="btn go">Make a code</button>
      </form>
      <ul v-if="invitations.length > 0" aria-label="Invitations not taken up yet">
        <li v-for="one in invitations" :key="one.id">
          <span class="name dim"
            >{{ firmRoleDefinitions[one.role].label
            }}{{ one.site ? `, ${one.siteRole} of ${one.site}` : '' }}, by {{ one.by }}, until
            {{ when(one.endsAt) }}</span
          >
          <button type="button" class="btn small" @click="done(api.withdrawInvitation(one.id))">
            Withdraw
          </button>
        </li>
      </ul>
    </section>
    <section aria-label="How this server is reached">
      <h2>How this server is reached</h2>
      <p v-if="shared.addresses.length === 0" class="dim">
        From this machine only. Start it with npm start -- --share to reach it from phones and other desks.
      </p>
      <template v-else>
        <p v-for="address in shared.addresses" :key="address" class="mono">{{ address }}</p>
      </template>
      <template v-if="shared.fingerprint">
        <h3>Trusting it on a phone</h3>
        <ol class="steps">
          <li>
            On the phone, open an address above, accept the warning once, and download
            <a :href="authorityAddress">the certificate of its authority</a>.
          </li>
          <li>
            Install it in the phone’s settings, as a certificate of an authority, and trust it for web pages.
          </li>
          <li>
            Before you trust it, compare its SHA-256 fingerprint with this one:
            <span class="mono tiny print">{{ shared.fingerprint }}</span>
          </li>
        </ol>
        <p class="dim tiny">
          Passkeys and work without a network need a trusted certificate and a name rather than an address in
          figures.
        </p>
      </template>
    </section>
    <section aria-label="What happened">
      <h2>What happened</h2>
      <table>
        <thead>
          <tr>
            <th>When</th>
            <th>Who</th>
            <th>What</th>
            <th>From</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(note, index) in notes" :key="index">
            <td>{{ when(note.at) }}</td>
            <td>{{ note.name }}</td>
            <td>{{ note.what }}</td>
            <td class="mono">{{ note.address }}</td>
          </tr>
        </tbody>
      </table>
    </section>
  </main>
</template>

<style scoped>
.people {
  max-width: 760px;
  height: 100%;
  overflow: auto;
  margin: 0 auto;
  padding: 28px 20px 48px;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  align-content: start;
  gap: 22px;
}
h2 {
  padding-bottom: 6px;
  margin-bottom: 6px;
  border-bottom: 1px solid var(--rule-strong);
}
h3 {
  padding: 10px 0 4px;
}
ul li {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  padding: 6px 0;
  border-bottom: 1px solid var(--rule);
}
.name {
  flex: 1;
  min-width: 140px;
}
.role {
  width: 150px;
}
.invite {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.invite > :first-child {
  flex: 1 1 240px;
  min-width: 0;
}
.steps {
  list-style: decimal;
  padding-left: 20px;
  display: grid;
  gap: 4px;
}
.print {
  display: block;
  overflow-wrap: anywhere;
}
table {
  width: 100%;
  border-collapse: collapse;
  font-size: 12px;
}
th,
td {
  text-align: left;
  padding: 4px 8px 4px 0;
  border-bottom: 1px solid var(--rule);
}
@media (max-width: 600px) {
  td:last-child,
  th:last-child {
    display: none;
  }
}
</style>
