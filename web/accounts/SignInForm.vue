<script setup lang="ts">
import InputText from 'primevue/inputtext';
import { nextTick, ref, useTemplateRef } from 'vue';
import { api } from '../stores/api';
import { canUsePasskeys, signByPasskey } from './passkeys';
import { refusalWords } from './refusalWords';

/** Who comes, by passkey or by name and password. */
const emit = defineEmits<{ in: [] }>();
const name = ref('');
const password = ref('');
const timeCode = ref('');
const needsTimeCode = ref(false);
const problems = ref<string[]>([]);
const isBusy = ref(false);
const codeField = useTemplateRef('codeField');

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
  await nextTick();
  codeField.value?.querySelector('input')?.focus();
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
    <label
      >Name<InputText v-model="name" name="username" autocomplete="username" size="small" required
    /></label>
    <label
      >Password<InputText
        v-model="password"
        type="password"
        name="password"
        autocomplete="current-password"
        size="small"
        required
    /></label>
    <label v-if="needsTimeCode" ref="codeField"
      >Six digits of your app<InputText
        v-model="timeCode"
        inputmode="numeric"
        autocomplete="one-time-code"
        maxlength="6"
        size="small"
        required
    /></label>
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
label {
  display: grid;
  gap: 3px;
  font-size: 12px;
}
</style>
