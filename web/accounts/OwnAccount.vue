<script setup lang="ts">
import Bowser from 'bowser';
import { onMounted, ref, shallowRef } from 'vue';
import { useRouter } from 'vue-router';
import type { accounts } from '#contract';
import { type AnswerOf } from '#contract';
import { api, type Answer } from '../stores/api';
import { useAccount } from '../stores/account';
import AccountField from './AccountField.vue';
import { canUsePasskeys, makePasskey } from './passkeys';
import QrCode from './QrCode.vue';
import { refusalWords } from './refusalWords';
import TimeCodeField from './TimeCodeField.vue';

/** What belongs to whoever is signed in: passkeys, password, time codes, devices. */
const router = useRouter();
const account = useAccount();
const own = shallowRef<AnswerOf<(typeof accounts)['own']> | null>(null);
const problems = ref<string[]>([]);
const said = ref('');
const old = ref('');
const password = ref('');
const timeCodes = shallowRef<{ address: string; secret: string } | null>(null);
const timeCode = ref('');
const when = (at: string): string =>
  new Date(at).toLocaleString([], { dateStyle: 'medium', timeStyle: 'short' });

/** A device by what a person calls it; its own words where those are not understood. */
function deviceWords(userAgent: string): string {
  const { browser, os } = Bowser.parse(userAgent);
  return browser.name && os.name ? `${browser.name} on ${os.name}` : userAgent;
}

async function load(): Promise<void> {
  const answer = await api.own();
  if (answer.kind === 'answer') own.value = answer.value;
  else problems.value = refusalWords(answer);
}
onMounted(() => {
  document.title = 'Your account · Neotrope';
  void account.load();
  void load();
});
/** Does it, says what came of it, and shows how things stand then. */
async function done<T>(asked: Promise<Answer<T>>, words: string): Promise<boolean> {
  const answer = await asked;
  problems.value = refusalWords(answer);
  said.value = answer.kind === 'answer' ? words : '';
  await load();
  return answer.kind === 'answer';
}
async function addPasskey(): Promise<void> {
  const begun = await api.beginPasskey();
  problems.value = refusalWords(begun);
  if (begun.kind !== 'answer') return;
  const made = await makePasskey(begun.value.options);
  if (made.kind === 'made')
    await done(api.addPasskey({ id: begun.value.id, answer: made.answer }), 'Passkey added.');
  else problems.value = [made.why];
}
async function setPassword(): Promise<void> {
  const isSet = await done(
    api.setPassword({ old: old.value, password: password.value }),
    'Password set. Other devices were signed out.',
  );
  if (isSet) [old.value, password.value] = ['', ''];
}
async function beginTimeCodes(): Promise<void> {
  const answer = await api.beginTimeCode();
  problems.value = refusalWords(answer);
  if (answer.kind === 'answer') timeCodes.value = answer.value;
}
async function setTimeCodes(): Promise<void> {
  const { secret } = timeCodes.value!;
  if (
    await done(api.setTimeCode({ secret, timeCode: timeCode.value }), 'Time codes are asked for from now on.')
  )
    [timeCodes.value, timeCode.value] = [null, ''];
}
async function leave(): Promise<void> {
  await account.leave();
  await router.push('/');
}
</script>

<template>
  <main class="own">
    <p><RouterLink to="/">All sites</RouterLink></p>
    <h1>{{ account.person?.name ?? 'Your account' }}</h1>
    <p class="row">
      <button type="button" class="btn" @click="leave">Sign out</button
      ><span class="dim tiny"
        >Sites are taken off this device. What is not saved yet stays, and goes when you sign in here
        again.</span
      >
    </p>
    <div v-if="problems.length > 0" class="caution" role="alert">
      <p v-for="problem in problems" :key="problem">{{ problem }}</p>
    </div>
    <p v-if="said" role="status">{{ said }}</p>
    <template v-if="own">
      <section aria-label="Passkeys">
        <h2>Passkeys</h2>
        <ul>
          <li v-for="passkey in own.passkeys" :key="passkey.id">
            <span class="name">for {{ passkey.name }}, since {{ when(passkey.createdAt) }}</span>
            <button
              type="button"
              class="btn small"
              @click="done(api.dropPasskey(passkey.id), 'Passkey removed.')"
            >
              Remove
            </button>
          </li>
        </ul>
        <button v-if="canUsePasskeys()" type="button" class="btn" @click="addPasskey">Add a passkey</button>
        <p v-else class="dim">
          This address has none: passkeys need HTTPS with a trusted certificate, and a name instead of
          figures.
        </p>
      </section>
      <section aria-label="Password">
        <h2>Password</h2>
        <form class="fields" @submit.prevent="setPassword">
          <AccountField
            v-if="own.hasPassword"
            v-model="old"
            label="Your password now"
            autocomplete="current-password"
            type="password"
          />
          <AccountField
            v-model="password"
            label="New password, at least 12 characters"
            autocomplete="new-password"
            type="password"
            minlength="12"
          />
          <button type="submit" class="btn">
            {{ own.hasPassword ? 'Change password' : 'Set a password' }}
          </button>
        </form>
      </section>
      <section v-if="own.hasPassword" aria-label="Time codes">
        <h2>Time codes beside the password</h2>
        <form
          v-if="own.hasTimeCode"
          class="fields"
          @submit.prevent="done(api.dropTimeCode(old), 'Time codes are not asked for any more.')"
        >
          <AccountField v-model="old" label="Your password" autocomplete="current-password" type="password" />
          <button type="submit" class="btn">Stop asking for time codes</button>
        </form>
        <form v-else-if="timeCodes" class="fields" @submit.prevent="setTimeCodes">
          <QrCode :address="timeCodes.address" label="For the app that shows the codes" />
          <p class="mono tiny secret">{{ timeCodes.secret }}</p>
          <TimeCodeField v-model="timeCode" label="Six digits that the app shows now" />
          <button type="submit" class="btn">Ask for them from now on</button>
        </form>
        <button v-else type="button" class="btn" @click="beginTimeCodes">Set up time codes</button>
      </section>
      <section aria-label="Devices that are signed in">
        <h2>Devices that are signed in</h2>
        <ul>
          <li v-for="session in own.sessions" :key="session.id">
            <span class="name"
              >{{ deviceWords(session.device) }}
              <span class="dim">{{ session.address }}, {{ when(session.seenAt) }}</span
              ><b v-if="session.isThis"> this one</b></span
            >
            <button
              v-if="!session.isThis"
              type="button"
              class="btn small"
              @click="done(api.endSession(session.id), 'Signed out there.')"
            >
              Sign out
            </button>
          </li>
        </ul>
      </section>
    </template>
  </main>
</template>

<style scoped>
.own {
  max-width: 620px;
  height: 100%;
  overflow: auto;
  margin: 0 auto;
  padding: 28px 20px 48px;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  align-content: start;
  gap: 20px;
}
h2 {
  padding-bottom: 6px;
  margin-bottom: 8px;
  border-bottom: 1px solid var(--rule-strong);
}
li {
  display: flex;
  gap: 8px;
  align-items: center;
  padding: 6px 0;
  border-bottom: 1px solid var(--rule);
}
ul:not(:empty) {
  margin-bottom: 8px;
}
.name {
  flex: 1;
  min-width: 0;
  overflow-wrap: anywhere;
}
.fields {
  display: grid;
  gap: 8px;
  max-width: 320px;
}
.fields .btn {
  justify-self: start;
}
.secret {
  overflow-wrap: anywhere;
}
</style>
