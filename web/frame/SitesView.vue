<script setup lang="ts">
import { computed, onMounted, ref, shallowRef, useTemplateRef, watch } from 'vue';
import { useRouter } from 'vue-router';
import { problemLine } from '#core/shared/problems';
import { freeName } from '#core/model/site';
import PickField from '../parts/PickField.vue';
import TextField from '../parts/TextField.vue';
import EraseDialog from './EraseDialog.vue';
import SiteRow from './SiteRow.vue';
import { roleAllows, siteRoleDefinitions, type SiteListing } from '#contract';
import { api, fileAddress, planCsvAddress, type Answer } from '../stores/api';
import { useAccount } from '../stores/account';
import { useCurrentUser, useNameAsked } from '../stores/currentUser';
import { keptSites } from '../offline/keptSites';
import { useTour } from '../stores/tour';
import { tourRunId } from '../stores/tourSteps';

/** All sites here: open one, start one, copy, archive, delete, take in and out. */
const router = useRouter();
const sites = ref<SiteListing[] | null>(null);
const silent = ref(false);
/** What can be opened though nobody answers. */
const onDevice = shallowRef<{ id: string; name: string; keptAt: string }[]>([]);
const refused = ref<string[]>([]);
const name = ref('');
const headEnd = ref('');
/** None: a site with nothing noted yet. */
const template = ref('none');
/** Fetched when this page is there: few start a site each time they come. */
const templates = shallowRef<{ id: string; label: string; about: string }[]>([]);
const templateChoices = computed(() => [
  { value: 'none', label: 'an empty site' },
  ...templates.value.map(({ id, label, about }) => ({ value: id, label: `${label}: ${about}` })),
]);
const showArchived = ref(false);
const showBin = ref(false);
const erasing = ref<SiteListing | null>(null);
const file = useTemplateRef('file');
const tour = useTour();
const account = useAccount();
const person = useCurrentUser();
const nameAsked = useNameAsked();
function call(given: string): void {
  person.value = given.trim() || person.value;
  nameAsked.value = true;
}

const all = computed(() => sites.value ?? []);
const binned = computed(() => all.value.filter(({ binnedAt }) => binnedAt !== null));
const archived = computed(() =>
  all.value.filter(({ archivedAt, binnedAt }) => archivedAt !== null && binnedAt === null),
);
const current = computed(() =>
  all.value.filter(({ archivedAt, binnedAt }) => archivedAt === null && binnedAt === null),
);
const shown = computed(() => [...current.value, ...(showArchived.value ? archived.value : [])]);

async function load(): Promise<void> {
  const answer = await api.sites();
  silent.value = answer.kind === 'silence';
  onDevice.value = silent.value ? await keptSites() : [];
  if (answer.kind !== 'answer') return;
  sites.value = answer.value.sites;
  // Without them a site is started empty.
  const found = await import('#core/survey/templates').catch(() => null);
  templates.value = [...(found?.siteTemplates ?? [])];
}
onMounted(() => {
  document.title = 'Neotrope';
  void load();
});
watch(() => account.signIns, load);
/** Where people have accounts, a guest starts nothing here. */
const mayStart = computed(() => account.person?.role !== 'guest');

/** What came back, or nothing and a word about why. */
function orSay<T>(answer: Answer<T>): T | null {
  if (answer.kind === 'answer') return answer.value;
  refused.value =
    answer.kind === 'silence'
      ? ['The server does not answer. Nothing was changed.']
      : [answer.refusal.detail, ...answer.refusal.problems.map(problemLine)];
  return null;
}
async function openOrSay(asked: Promise<Answer<SiteListing>>): Promise<void> {
  refused.value = [];
  const site = orSay(await asked);
  if (site) void router.push({ name: 'survey', params: { siteId: site.id } });
}
async function stayOrSay(asked: Promise<Answer<SiteListing>>): Promise<void> {
  refused.value = [];
  orSay(await asked);
  await load();
}

/** A demo of one’s own, from the first reading of a run to its line in the plan. */
async function takeTour(): Promise<void> {
  refused.value = [];
  const site = orSay(await api.demoSite());
  if (!site) return;
  tour.begin(site.id);
  void router.push({ name: 'survey', params: { siteId: site.id, runId: tourRunId } });
}
const start = () =>
  openOrSay(
    api.newSite({
      name: name.value,
      headEndName: headEnd.value,
      ...(template.value === 'none' ? {} : { template: template.value }),
    }),
  );
async function importFile(): Promise<void> {
  const chosen = file.value?.files?.[0];
  if (!chosen || !file.value) return;
  await openOrSay(api.importSite(await chosen.text()));
  file.value.value = '';
}
async function erase({ id }: SiteListing): Promise<void> {
  erasing.value = null;
  refused.value = [];
  orSay(await api.eraseSite(id));
  await load();
}
const copy = ({ id, name: original }: SiteListing) =>
  stayOrSay(
    api.duplicateSite(
      id,
      freeName(
        sites.value!.map((site) => site.name),
        `${original}, copy`.slice(0, 76),
      ),
    ),
  );
</script>

<template>
  <div class="sites">
    <h1>Neotrope</h1>
    <p class="dim lead">From analog coax to IP, run by run: survey, test, decide, allocate, hand over.</p>
    <p v-if="account.person" class="row who-is-in">
      <span class="dim">Signed in as {{ account.person.name }}</span
      ><RouterLink class="btn small" to="/account">Your account</RouterLink
      ><RouterLink v-if="account.isAdmin" class="btn small" to="/people">People</RouterLink>
    </p>
    <p v-if="silent" class="stop">
      The server does not answer.
      <button type="button" class="plain" style="text-decoration: underline" @click="load">Try again</button>
    </p>
    <section v-if="onDevice.length > 0" aria-label="On this device">
      <h2>On this device</h2>
      <ul>
        <li v-for="kept in onDevice" :key="kept.id" class="kept">
          <RouterLink :to="{ name: 'survey', params: { siteId: kept.id } }">{{ kept.name }}</RouterLink>
          <span class="dim tiny">opened last {{ new Date(kept.keptAt).toLocaleString() }}</span>
        </li>
      </ul>
      <p class="dim tiny">What you note is kept here, and saved when the server answers again.</p>
    </section>
    <section v-if="!nameAsked" aria-label="Who works here">
      <h2>Who works here?</h2>
      <p class="who">
        <TextField :value="''" label="Your name" placeholder="Your name" @take="call" />
        <button type="button" class="btn small" @click="call(person)">Use “{{ person }}”</button>
        <span class="dim tiny">It stands beside readings and decisions, and is kept on this device.</span>
      </p>
    </section>
    <p class="row">
      <RouterLink class="btn small" to="/drills">Drills</RouterLink
      ><span class="dim tiny">learn to find faults on a line that hides them</span>
    </p>
    <section v-if="sites">
      <h2>{{ sites.length > 0 ? 'Sites' : 'No sites yet' }}</h2>
      <p v-if="current.length === 0" class="dim">
        Start one below, open a site file somebody gave you, or take the demo.
      </p>
      <ul>
        <SiteRow v-for="site in shown" :key="site.id" :site="site">
          <span v-if="site.role" class="dim tiny">{{ siteRoleDefinitions[site.role].label }}</span>
          <a v-if="!roleAllows(site.role, 'read')" class="btn small" :href="planCsvAddress(site.id)" download
            >Plan, as a table</a
          >
          <a v-else class="btn small" :href="fileAddress(site.id)" download>Site file</a>
          <button v-if="roleAllows(site.role, 'copy')" type="button" class="btn small" @click="copy(site)">
            Copy
          </button>
          <button
            v-if="roleAllows(site.role, 'manage')"
            type="button"
            class="btn small"
            @click="stayOrSay(api.archiveSite(site.id, site.archivedAt === null))"
          >
            {{ site.archivedAt ? 'Bring back' : 'Archive' }}
          </button>
          <button
            v-if="roleAllows(site.role, 'manage')"
            type="button"
            class="btn small"
            @click="stayOrSay(api.binSite(site.id, true))"
          >
            Delete
          </button>
        </SiteRow>
      </ul>
      <button
        v-if="archived.length > 0"
        type="button"
        class="plain dim more"
        :aria-expanded="showArchived"
        @click="showArchived = !showArchived"
      >
        {{ showArchived ? 'Hide what is archived' : `${archived.length} archived` }}
      </button>
      <template v-if="binned.length > 0">
        <button type="button" class="plain dim more" :aria-expanded="showBin" @click="showBin = !showBin">
          {{ showBin ? 'Hide the bin' : `${binned.length} in the bin` }}
        </button>
        <ul v-if="showBin" aria-label="Bin">
          <SiteRow v-for="site in binned" :key="site.id" :site="site">
            <button type="button" class="btn small" @click="stayOrSay(api.binSite(site.id, false))">
              Put back
            </button>
            <button type="button" class="btn small" @click="erasing = site">Delete for good</button>
          </SiteRow>
        </ul>
        <p v-if="showBin" class="dim tiny">What is in the bin is deleted for good after thirty days.</p>
      </template>
    </section>
    <template v-if="mayStart">
      <section>
        <h2>Start a site</h2>
        <form class="new" @submit.prevent="start">
          <TextField
            :value="name"
            label="Name of the site"
            placeholder="Name of the site"
            @take="(text) => (name = text)"
          />
          <TextField
            :value="headEnd"
            label="Where the recorders are"
            placeholder="Where the recorders are"
            @take="(text) => (headEnd = text)"
          />
          <button type="submit" class="btn go">Start</button>
          <PickField
            class="template"
            :value="template"
            :choices="templateChoices"
            label="Start from"
            @take="(id) => (template = id)"
          />
          <p class="dim tiny template">
            {{
              template === 'none'
                ? 'Or start from a typical site and correct it.'
                : 'All cameras, cables and lengths are assumed, and listed under Missing data until confirmed.'
            }}
          </p>
        </form>
      </section>
      <section>
        <h2>Open a site file</h2>
        <input
          ref="file"
          type="file"
          accept=".json,application/json"
          aria-label="Site file"
          @change="importFile"
        />
      </section>
      <section>
        <h2>The demo</h2>
        <p class="demo">
          <span class="dim"
            >Saltmarrow Ferry Terminal, an invented site of 24 cameras. This brings a fresh one beside
            whatever you have changed.</span
          >{{ ' ' }}<button type="button" class="btn" @click="openOrSay(api.demoSite())">A fresh demo</button
          ><button type="button" class="btn" @click="takeTour">A tour in seven steps</button>
        </p>
      </section>
    </template>
    <EraseDialog v-if="erasing" :site="erasing" @leave="erasing = null" @erase="erase(erasing)" />
    <div v-if="refused.length > 0" class="caution" role="alert">
      <p v-for="line in refused" :key="line">{{ line }}</p>
    </div>
  </div>
</template>

<style scoped>
.sites {
  max-width: 720px;
  height: 100%;
  overflow: auto;
  margin: 0 auto;
  padding: 48px 20px;
  display: grid;
  align-content: start;
  gap: 26px;
}
h1 {
  font-size: 28px;
}
.lead {
  margin-top: -20px;
  font-size: 15px;
}
h2 {
  padding-bottom: 6px;
  border-bottom: 1px solid var(--rule-strong);
}
.who {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 4px 8px;
  padding-top: 8px;
}
.who .btn {
  align-self: center;
}
.who :deep(input) {
  padding-block: 5px;
}
.kept {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: baseline;
  padding: 8px 0;
  border-bottom: 1px solid var(--rule);
  font-size: 15px;
}
.more {
  padding: 8px 16px 8px 0;
  text-decoration: underline;
  text-underline-offset: 2px;
}
.new {
  display: grid;
  grid-template-columns: 1fr 1fr auto;
  gap: 8px;
  padding-top: 10px;
}
.template {
  grid-column: 1 / -1;
}
.demo {
  display: flex;
  gap: 12px;
  align-items: center;
  padding-top: 8px;
}
input[type='file'] {
  margin-top: 10px;
}
.new :deep(input) {
  padding-block: 5px;
}
@media (max-width: 600px) {
  .new {
    grid-template-columns: 1fr;
  }
  .demo {
    flex-wrap: wrap;
  }
}
</style>
