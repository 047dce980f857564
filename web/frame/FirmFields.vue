<script setup lang="ts">
import { computed, onMounted, ref, useTemplateRef } from 'vue';
import { firm as endpoints } from '#contract';
import { aboutOf, type Firm } from '#core/model/site';
import FieldRow from '../parts/FieldRow.vue';
import TextField from '../parts/TextField.vue';
import { useAccount } from '../stores/account';
import { api, ask, pictureAddress } from '../stores/api';
import { useOpenSite } from '../stores/openSite';
import { useSite } from '../stores/site';

/** Whose papers these are: name, address and mark of the firm, and whether sites that are started from now on begin with them. */
const store = useSite();
const openSite = useOpenSite();
const account = useAccount();
const firm = computed<Firm | null>(() => aboutOf(openSite.value).firm ?? null);
/** What new sites begin with; not known before the server has said it. */
const usual = ref<Firm | null>();
onMounted(async () => {
  const answer = await ask(endpoints.read);
  if (answer.kind === 'answer') usual.value = answer.value.firm;
});
const isUsual = computed(() => JSON.stringify(firm.value) === JSON.stringify(usual.value));
const maySetUsual = computed(() => account.person === null || account.person.role !== 'guest');
const problem = ref('');

function set(what: string, fields: Partial<Firm>): void {
  const next = { name: '', address: '', ...firm.value, ...fields };
  const problems = store.change(`${what} of the firm`, [
    { kind: 'about', id: 'about', set: { ...aboutOf(openSite.value), firm: next } },
  ]);
  problem.value = problems.map(({ allowed }) => allowed).join('; ');
}
async function makeUsual(): Promise<void> {
  const now = firm.value;
  if (!now) return;
  const answer = await ask(endpoints.set, { body: { firm: now } });
  if (answer.kind === 'answer') usual.value = now;
  problem.value =
    answer.kind === 'refusal'
      ? answer.refusal.detail
      : answer.kind === 'silence'
        ? 'The server does not answer; new sites begin as before.'
        : '';
}

const file = useTemplateRef('file');
async function takeLogo(): Promise<void> {
  const chosen = file.value?.files?.[0];
  if (!chosen || !file.value) return;
  problem.value = '';
  const answer = await api.keepPicture('drawing', chosen);
  file.value.value = '';
  if (answer.kind === 'silence') problem.value = 'The server does not answer; the mark was not kept.';
  else if (answer.kind === 'refusal') problem.value = answer.refusal.detail;
  else {
    const { remarks: _, ...logo } = answer.value;
    set('Mark', { logo });
  }
}
</script>

<template>
  <h2 class="minor">Your firm, as it stands on papers</h2>
  <p v-if="usual && !isUsual">
    <button type="button" class="btn small" @click="set('Name', usual)">
      As on new sites: {{ usual.name }}
    </button>
  </p>
  <FieldRow label="Firm"
    ><TextField
      :value="firm?.name ?? ''"
      label="Name of the firm"
      :refuse="(text) => (text.length >= 1 && text.length <= 80 ? undefined : 'from 1 to 80 characters')"
      @take="(name) => set('Name', { name })"
  /></FieldRow>
  <template v-if="firm">
    <FieldRow label="Its address"
      ><TextField
        :value="firm.address"
        label="Address of the firm"
        :refuse="(text) => (text.length <= 200 ? undefined : 'up to 200 characters')"
        @take="(address) => set('Address', { address })"
    /></FieldRow>
    <FieldRow label="Its mark">
      <img v-if="firm.logo" :src="pictureAddress(firm.logo.fileId)" :alt="`Mark of ${firm.name}`" />
      <label class="btn small">
        {{ firm.logo ? 'Another picture' : 'A picture' }}
        <input
          ref="file"
          type="file"
          class="hidden"
          accept="image/png,image/jpeg,image/svg+xml"
          aria-label="Mark of the firm"
          @change="takeLogo"
        />
      </label>
    </FieldRow>
  </template>
  <p v-if="firm && usual !== undefined && maySetUsual" class="row usual">
    <span v-if="isUsual" class="dim">New sites begin with this firm.</span>
    <button v-else type="button" class="btn small" @click="makeUsual">Begin new sites with this firm</button>
  </p>
  <p v-if="problem" class="stop" role="alert">{{ problem }}</p>
</template>

<style scoped>
.minor {
  padding: 10px 0 4px;
  border-bottom: 1px solid var(--rule-strong);
  margin-bottom: 4px;
}
img {
  max-width: 120px;
  max-height: 40px;
  margin-right: 8px;
  background: #fdfcf8;
}
.hidden {
  position: absolute;
  width: 1px;
  height: 1px;
  opacity: 0;
}
.usual {
  padding: 6px 0;
}
.btn:focus-within {
  outline: 2px solid var(--verdigris);
  outline-offset: 2px;
}
</style>
