<script setup lang="ts">
import { computed, onMounted, ref, shallowRef } from 'vue';
import type { CustomerView, PaperStyle } from '#core/documents';
import { problemLine } from '#core/shared/problems';
import { useAccount } from '../stores/account';
import { api, type Answer } from '../stores/api';
import { useMeasures } from '../stores/measures';
import PaperSheet from '../stages/papers/PaperSheet.vue';
import CustomerOffer from './CustomerOffer.vue';
import CustomerSigning from './CustomerSigning.vue';

/** What whoever a site is made for comes to: the offer, the sign-off, and what waits for his name. */
const { siteId } = defineProps<{ siteId: string }>();
const own = useMeasures();
const account = useAccount();
/** Nobody signs under a name that he was not asked for: it is his account’s, or he types it. */
const person = computed(() => account.person?.name ?? '');
const name = ref('');
const view = shallowRef<CustomerView | null>(null);
const maySign = ref(false);
const problems = ref<string[]>([]);
const told = ref('');
const shown = ref<string | null>(null);
const paper = computed(
  () => view.value?.papers.find(({ id }) => id === shown.value) ?? view.value?.papers[0] ?? null,
);
const style = computed<PaperStyle>(() => ({
  locale: navigator.language || 'en-GB',
  pageSize: 'A4',
  measures: { ...own.measures },
}));

/** What came back, or nothing and a word about why. */
function orSay<T>(answer: Answer<T>): T | null {
  problems.value =
    answer.kind === 'answer'
      ? []
      : answer.kind === 'silence'
        ? ['The server does not answer. Nothing was signed.']
        : [answer.refusal.detail, ...answer.refusal.problems.map(problemLine)];
  return answer.kind === 'answer' ? answer.value : null;
}
async function look(): Promise<void> {
  const came = orSay(await api.customerView(siteId, own.measures.length));
  if (!came) return;
  [name.value, view.value, maySign.value] = [came.name, came.view, came.maySign];
  document.title = `${came.name}, Neotrope`;
}
onMounted(look);

/** Signs, and shows the site as it is with it. What stood in the way goes on being said. */
async function sign(asked: Promise<Answer<unknown>>, done: string): Promise<void> {
  told.value = '';
  const isDone = orSay(await asked) !== null;
  const said = problems.value;
  await look();
  // What has changed since it was shown is shown now, beside why it was not signed.
  if (isDone) told.value = done;
  else problems.value = said;
}
</script>

<template>
  <main class="customer">
    <p class="no-print"><RouterLink to="/">All sites</RouterLink></p>
    <h1>{{ name || 'Site' }}</h1>
    <div v-if="problems.length > 0" class="stop" role="alert">
      <p v-for="one in problems" :key="one">{{ one }}</p>
    </div>
    <p v-if="told" role="status" class="told">{{ told }}</p>
    <p v-if="!view && problems.length === 0" class="dim" aria-busy="true">The papers are made…</p>
    <div v-if="view" class="columns">
      <section aria-label="Papers">
        <nav class="row no-print" aria-label="Which paper">
          <button
            v-for="one in view.papers"
            :key="one.id"
            type="button"
            class="btn small"
            :aria-pressed="one.id === paper?.id"
            @click="shown = one.id"
          >
            {{ one.title }}
          </button>
        </nav>
        <PaperSheet v-if="paper" class="sheet" :paper="paper" :style="style" />
      </section>
      <aside class="no-print" aria-label="What waits for you">
        <CustomerOffer
          v-if="view.offer"
          :offer="view.offer"
          :may-sign="maySign"
          :person="person"
          @accept="
            (by) =>
              sign(
                api.customerAcceptsOffer(siteId, { offerId: view!.offer!.id, name: by }),
                `The offer is accepted by ${by}.`,
              )
          "
        />
        <CustomerSigning
          :things="view.things"
          :may-sign="maySign"
          :person="person"
          @sign="
            (signed) =>
              sign(api.customerAccepts(siteId, signed), `Accepted by ${signed.signedBy}. Thank you.`)
          "
        />
      </aside>
    </div>
  </main>
</template>

<style scoped>
.customer {
  max-width: 1280px;
  margin: 0 auto;
  padding: 16px 16px 60px;
}
h1 {
  padding-bottom: 8px;
}
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 330px;
  gap: 20px;
  align-items: start;
}
nav {
  gap: 6px;
  padding-bottom: 8px;
}
nav .btn[aria-pressed='true'] {
  border-width: 2px;
  font-weight: 650;
}
.columns > section {
  min-width: 0;
}
.sheet {
  overflow: auto;
}
.told {
  padding: 6px 0;
}
@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
  aside {
    order: -1;
  }
}
@media print {
  .columns {
    display: block;
  }
  .sheet {
    overflow: visible;
  }
}
</style>
