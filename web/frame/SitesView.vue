<script setup lang="ts">
import { onMounted, ref, useTemplateRef } from 'vue';
import { useRouter } from 'vue-router';
import { problemLine } from '#core/problems';
import TextField from '../parts/TextField.vue';
import { api, type Answer, type SiteSummary } from '../stores/api';

const router = useRouter();
const sites = ref<SiteSummary[] | null>(null);
const silent = ref(false);
const refused = ref<string[]>([]);
const name = ref('');
const headEnd = ref('');
const file = useTemplateRef('file');

async function load(): Promise<void> {
  const answer = await api.sites();
  silent.value = answer.kind === 'silence';
  if (answer.kind === 'answer') sites.value = answer.value.sites;
}
onMounted(() => {
  document.title = 'Neotrope';
  void load();
});

function openOrSay(answer: Answer<SiteSummary>): void {
  if (answer.kind === 'answer') void router.push({ name: 'survey', params: { siteId: answer.value.id } });
  else if (answer.kind === 'silence') refused.value = ['The server does not answer. Nothing was changed.'];
  else refused.value = [answer.refusal.detail, ...answer.refusal.problems.map(problemLine)];
}

async function importFile(): Promise<void> {
  const chosen = file.value?.files?.[0];
  if (!chosen || !file.value) return;
  refused.value = [];
  openOrSay(await api.importSite(await chosen.text()));
  file.value.value = '';
}

async function create(): Promise<void> {
  refused.value = [];
  openOrSay(await api.newSite(name.value, headEnd.value));
}
</script>

<template>
  <div class="sites">
    <h1>Neotrope</h1>
    <p class="dim lead">From analog coax to IP, run by run: survey, test, decide, allocate, hand over.</p>
    <p v-if="silent" class="stop">The server does not answer. <button type="button" class="plain" style="text-decoration: underline" @click="load">Try again</button></p>
    <section v-if="sites">
      <h2>{{ sites.length > 0 ? 'Sites' : 'No sites yet' }}</h2>
      <p v-if="sites.length === 0" class="dim">Start one below, or open a site file somebody gave you.</p>
      <ul>
        <li v-for="site in sites" :key="site.id">
          <RouterLink :to="{ name: 'survey', params: { siteId: site.id } }">{{ site.name }}</RouterLink>
          <span class="dim tiny">{{ site.version === 0 ? 'as imported' : `${site.version} changes` }}, last {{ new Date(site.changedAt).toLocaleString() }}</span>
        </li>
      </ul>
    </section>
    <section>
      <h2>Start a site</h2>
      <form class="new" @submit.prevent="create">
        <TextField :value="name" label="Name of the site" placeholder="Name of the site" @take="(text) => (name = text)" />
        <TextField :value="headEnd" label="Where the recorders are" placeholder="Where the recorders are" @take="(text) => (headEnd = text)" />
        <button type="submit" class="btn go">Start</button>
      </form>
    </section>
    <section>
      <h2>Open a site file</h2>
      <input ref="file" type="file" accept=".json,application/json" aria-label="Site file" @change="importFile" />
    </section>
    <div v-if="refused.length > 0" class="caution" role="alert"><p v-for="line in refused" :key="line">{{ line }}</p></div>
  </div>
</template>

<style scoped>
.sites { max-width: 640px; margin: 0 auto; padding: 48px 20px; display: grid; gap: 26px; }
h1 { font-size: 28px; }
.lead { margin-top: -20px; font-size: 15px; }
h2 { padding-bottom: 6px; border-bottom: 1px solid var(--rule-strong); }
li { display: flex; justify-content: space-between; gap: 12px; align-items: baseline; padding: 7px 0; border-bottom: 1px solid var(--rule); }
li a { font-size: 15px; }
.new { display: grid; grid-template-columns: 1fr 1fr auto; gap: 8px; padding-top: 10px; }
input[type='file'] { margin-top: 10px; }
.new :deep(input) { padding-block: 5px; }
@media (max-width: 600px) { .new { grid-template-columns: 1fr; } }
</style>
