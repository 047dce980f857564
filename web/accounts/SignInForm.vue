<script setup lang="ts">
import { ref } from 'vue';
import { api } from '../stores/api';
import AccountField from './AccountField.vue';
import { canUsePasskeys, signByPasskey } from './passkeys';
import { refusalWords } from './refusalWords';
import TimeCodeField from './TimeCodeField.vue';

/** Who comes, by passkey or by name and password. */
const emit = defineEmits<{ in: [] }>();
const name = ref('');
const password = ref('');
const timeCode = ref('');
const needsTimeCode = ref(false);
const problems = ref<string[]>([]);
const isBusy = ref(false);

async function byPassword(): Promise<void> {
  isBusy.value = true;
  const answer = await api.signIn({
    name: name.value,
    password: password.value,
    ...(needsTimeCode.value && { timeCode: timeCode.value }),
  });
  isBusy.value = false;
  problems.value = refusalWords(answer);
  if (answer.kind !== 'answer') return;
  if (!answer.value.needsTimeCode) return emit('in');
  needsTimeCode.value = true;
}

async function byPasskey(): Promise<void> {
  const begun = await api.beginPasskeySignIn();
  problems.value = refusalWords(begun);
  if (begun.kind !== 'answer') return;
  const signed = await signByPasskey(begun.value.options);
  if (signed.kind === 'not-made') {
    problems.value = [signed.why];
    return;
  }
  const answer = await api.passkeySignIn({ id: begun.value.id, answer: signed.answer });
  problems.value = refusalWords(answer);
  if (answer.kind === 'answer') emit('in');
}
</script>

<template>
  <form class="sign-in" @submit.prevent="byPassword">
    <template v-if="canUsePasskeys()">
      <button type="button" class="btn go" @click="byPasskey">Sign in with a passkey</button>
      <p class="dim tiny">Or with name and password:</p>
    </template>
    <AccountField v-model="name" label="Name" autocomplete="username" name="username" />
    <AccountField
      v-model="password"
      label="Password"
      autocomplete="current-password"
      type="password"
      name="password"
    />
    <TimeCodeField v-if="needsTimeCode" v-model="timeCode" label="Six digits of your app" autofocus />
    <div v-if="problems.length > 0" class="caution" role="alert">
      <p v-for="problem in problems" :key="problem">{{ problem }}</p>
    </div>
    <button type="submit" class="btn" :disabled="isBusy">Sign in</button>
    <p class="dim tiny">
      No account yet? Open the link of your invitation, or <RouterLink to="/join">enter its code</RouterLink>.
    </p>
  </form>
</template>

<style scoped>
.sign-in {
  display: grid;
  gap: 10px;
}
</style>
