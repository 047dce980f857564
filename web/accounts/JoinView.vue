<script setup lang="ts">
import { computed, onMounted, ref } from 'vue';
import { useRouter } from 'vue-router';
import type { accounts } from '#contract';
import { firmRoleDefinitions, siteRoleDefinitions, type AnswerOf } from '#contract';
import { useAccount } from '../stores/account';
import { api } from '../stores/api';
import AccountField from './AccountField.vue';
import { canUsePasskeys, makePasskey } from './passkeys';
import { refusalWords } from './refusalWords';

/** Somebody has an invitation: by its link, which brings the code behind its #, or by the code itself. */
type Looked = AnswerOf<(typeof accounts)['lookAtInvitation']>;
const router = useRouter();
const account = useAccount();
const code = ref('');
const looked = ref<Looked | null>(null);
const name = ref('');
const password = ref('');
const problems = ref<string[]>([]);

async function look(): Promise<void> {
  const answer = await api.lookAtInvitation(code.value);
  problems.value = refusalWords(answer);
  if (answer.kind !== 'answer') return;
  looked.value = answer.value;
  name.value = answer.value.recovers ?? '';
}
onMounted(async () => {
  document.title = 'Join · Neotrope';
  code.value = decodeURIComponent(window.location.hash.slice(1));
  // It is worth an account: it stays neither in the address bar nor in the history.
  if (code.value) window.history.replaceState(window.history.state, '', window.location.pathname);
  await account.load();
  if (code.value) await look();
});

const what = computed(() => {
  if (!looked.value) return '';
  const { by, role, siteName, siteRole, recovers } = looked.value;
  if (recovers) return `This gives ${recovers} access again. Devices that are signed in are signed out.`;
  if (siteName && siteRole)
    return `${by} invites you to ${siteName} as ${siteRoleDefinitions[siteRole].label}: ${siteRoleDefinitions[siteRole].about}.`;
  return `${by} invites you as ${firmRoleDefinitions[role].label}: ${firmRoleDefinitions[role].about}.`;
});
const takesUp = computed(() => account.person !== null && looked.value?.siteRole !== null);

async function come(): Promise<void> {
  await account.cameIn();
  await router.push('/');
}
async function byPasskey(): Promise<void> {
  const begun = await api.beginPasskeyJoin(code.value, name.value);
  problems.value = refusalWords(begun);
  if (begun.kind !== 'answer') return;
  const made = await makePasskey(begun.value.options);
  if (made.kind === 'not-made') {
    problems.value = [made.why];
    return;
  }
  const { id } = begun.value;
  const answer = await api.passkeyJoin({ code: code.value, name: name.value, id, answer: made.answer });
  problems.value = refusalWords(answer);
  if (answer.kind === 'answer') await come();
}
async function byPassword(): Promise<void> {
  const answer = await api.join({ code: code.value, name: name.value, password: password.value });
  problems.value = refusalWords(answer);
  if (answer.kind === 'answer') await come();
}
async function takeUp(): Promise<void> {
  const answer = await api.takeUp(code.value);
  problems.value = refusalWords(answer);
  if (answer.kind === 'answer') await router.push('/');
}
</script>

<template>
  <main class="join">
    <h1>Neotrope</h1>
    <form v-if="!looked" class="part" @submit.prevent="look">
      <AccountField v-model="code" label="Code of your invitation" autocomplete="off" autofocus />
      <button type="submit" class="btn go">Go on</button>
      <p class="dim tiny">Whoever invited you has it. It works once.</p>
    </form>
    <template v-else>
      <p>{{ what }}</p>
      <div v-if="takesUp" class="part">
        <button type="button" class="btn go" @click="takeUp">Take it up as {{ account.person?.name }}</button>
      </div>
      <form v-else class="part" @submit.prevent="byPassword">
        <AccountField
          v-if="!looked.recovers"
          v-model="name"
          label="Your name"
          autocomplete="username"
          name="username"
          autofocus
        />
        <p v-if="!looked.recovers" class="dim tiny">
          It stands beside your readings and decisions, and you sign in by it.
        </p>
        <template v-if="canUsePasskeys()">
          <button type="button" class="btn go" :disabled="name.trim() === ''" @click="byPasskey">
            Join with a passkey
          </button>
          <p class="dim tiny">This device’s own lock is the key. Or choose a password:</p>
        </template>
        <AccountField
          v-model="password"
          label="Password, at least 12 characters"
          autocomplete="new-password"
          type="password"
          minlength="12"
          name="password"
        />
        <button type="submit" class="btn" :class="{ go: !canUsePasskeys() }">Join with a password</button>
      </form>
    </template>
    <div v-if="problems.length > 0" class="caution" role="alert">
      <p v-for="problem in problems" :key="problem">{{ problem }}</p>
    </div>
  </main>
</template>

<style scoped>
.join {
  max-width: 380px;
  margin: 0 auto;
  padding: 48px 20px;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 16px;
}
.part {
  display: grid;
  gap: 10px;
}
</style>
