<script setup lang="ts">
import { computed, defineAsyncComponent, ref, useTemplateRef, watch } from 'vue';
import { useRoute } from 'vue-router';
import { aboutOf } from '#core/model/site';
import { holdKeys, useKeyListener, useKeys } from '../keys/keys';
import { useFocusBack } from '../keys/useFocusBack';
import type { StageName } from './stageName';
import { useEvaluation } from '../stores/evaluation';
import { useLive } from '../stores/live';
import { useSelection } from '../stores/selection';
import { useSite } from '../stores/site';
import { useSetAside } from '../stores/setAside';
import { useTheme } from '../stores/theme';
import { useWaitingPhotos } from '../stores/waitingPhotos';
import { useWhyPanel } from '../stores/whyPanel';
import { sayInPassing } from '../parts/sayInPassing';
import type { HelpPart } from './HelpDialog.vue';
import {
  findDialogFetched,
  ownDialogFetched,
  FindDialog,
  OwnDialog,
  SetAsideDialog,
  UndoOffer,
  WaitingDialog,
  WhyPanel,
} from './later';
import RunList from './RunList.vue';
import SavedLine from './SavedLine.vue';
import SiteNotices from './SiteNotices.vue';
import { papers, progressOf, stages } from './stages';
import StageTape from './StageTape.vue';

/** With its pages, which nobody needs to see a site. */
const HelpDialog = defineAsyncComponent(() => import('./HelpDialog.vue'));

/** Needed only where people have accounts. */
const SitePeopleDialog = defineAsyncComponent(() => import('../accounts/SitePeopleDialog.vue'));

const route = useRoute();
const store = useSite();
const live = useLive();
const evaluation = useEvaluation();
const selection = useSelection();
const why = useWhyPanel();
useFocusBack(() => why.subject !== null);
const theme = useTheme();
const waitingPhotos = useWaitingPhotos();
const helpShown = ref(false);
const helpPart = ref<HelpPart>('view');
/** Its code is fetched when somebody first asks for it. */
const helpAsked = ref(false);
function help(part: HelpPart): void {
  [helpAsked.value, helpPart.value, helpShown.value] = [true, part, true];
}
const ownShown = ref(false);
const peopleShown = ref(false);
const aside = useSetAside();
const asideShown = ref(false);
const waitingShown = ref(false);
const runsShown = ref(false);
const runList = useTemplateRef('runList');
const work = useTemplateRef('work');
const toWork = () => work.value?.focus();
const finding = ref(false);

watch(
  () => route.params['siteId'],
  (id) => {
    if (typeof id === 'string') void store.open(id);
  },
  { immediate: true },
);
watch(
  () => selection.runId,
  () => {
    runsShown.value = false;
    why.close();
  },
);
watch(
  () => selection.stage,
  () => why.close(),
);

const name = computed(() => (store.site ? aboutOf(store.site).name : ''));
watch(name, (text) => {
  document.title = text ? `${text} · Neotrope` : 'Neotrope';
});
/** Survey shows before verdicts and options are in. */
const needsNoDetails = computed(() => selection.stage === 'survey');
const progress = computed(() =>
  evaluation.result && store.site ? progressOf(evaluation.result, store.site) : null,
);

watch(
  () => store.dropped,
  (lost) => {
    aside.add(lost);
    for (const { entry, why: reason } of lost)
      sayInPassing({
        severity: 'warn',
        summary: 'Set aside',
        detail: `${entry.label}: ${reason}. Everything else was kept; it waits under “Set aside”.`,
        life: 12_000,
      });
  },
);

watch(
  () => store.beyondRole,
  (beyond) => {
    if (beyond)
      sayInPassing({
        severity: 'warn',
        summary: 'Not changed',
        detail: `${beyond.label}: your role here is ${beyond.role}, which does not change this. An owner of the site can give you another.`,
        life: 8000,
      });
  },
);

function undo(): void {
  const label = store.undo();
  sayInPassing(
    label
      ? { severity: 'secondary', summary: 'Undone', detail: label, life: 2500 }
      : { severity: 'secondary', summary: 'Nothing to undo', life: 2000 },
  );
}
function redo(): void {
  const label = store.redo();
  sayInPassing(
    label
      ? { severity: 'secondary', summary: 'Redone', detail: label, life: 2500 }
      : { severity: 'secondary', summary: 'Nothing to do again', life: 2000 },
  );
}
const stageLabel = computed(
  () => [...stages, papers].find(({ name: one }) => one === selection.stage)?.label ?? '',
);
const goTo = (stage: StageName) => void selection.go({ stage });

useKeyListener();
useKeys([
  ...[...stages, papers].map(({ name: stage, label, key }) => ({
    keys: [key],
    label,
    group: 'Stages',
    run: () => goTo(stage),
  })),
  { keys: ['j', 'ArrowDown'], label: 'next run', group: 'Runs', run: () => selection.step(1) },
  { keys: ['k', 'ArrowUp'], label: 'run before', group: 'Runs', run: () => selection.step(-1) },
  { keys: ['/'], label: 'find a run', group: 'Runs', run: () => runList.value?.focusFind() },
  {
    keys: ['Ctrl+k'],
    label: 'find anything: a run, a view, something to do',
    group: 'Everywhere',
    run: () => {
      finding.value = true;
      holdKeys(findDialogFetched());
    },
  },
  { keys: ['u', 'Ctrl+z'], label: 'undo', group: 'Everywhere', run: undo },
  { keys: ['U', 'Ctrl+Z', 'Ctrl+Shift+z'], label: 'redo', group: 'Everywhere', run: redo },
  {
    keys: ['m'],
    label: 'your name, metres or feet, whose site it is',
    group: 'Everywhere',
    run: () => {
      ownShown.value = true;
      holdKeys(ownDialogFetched());
    },
  },
  { keys: ['t'], label: 'light or dark', group: 'Everywhere', run: theme.toggle },
  {
    keys: ['?'],
    label: 'this sheet',
    group: 'Everywhere',
    run: () => help('keys'),
  },
  { keys: ['F1'], label: 'what this view is for', group: 'Everywhere', run: () => help('view') },
  { keys: ['Escape'], label: 'close the panel', group: 'Everywhere', run: why.close },
]);
</script>

<template>
  <div class="frame">
    <a class="skip" href="#work" @click.prevent="toWork">Skip to the work</a>
    <header>
      <div class="site">
        <RouterLink to="/" class="site-name" :title="`${name}: to all sites`">{{
          name || 'Neotrope'
        }}</RouterLink>
        <SavedLine />
      </div>
      <StageTape :now="selection.stage" :progress="progress" @go="goTo" />
      <div class="tools">
        <button
          v-if="aside.here.length > 0"
          type="button"
          class="plain aside-button"
          @click="asideShown = true"
        >
          {{ aside.here.length }} set aside
        </button>
        <button
          v-if="store.saving === 'waiting' || store.knownAt !== null || waitingPhotos.photos.length > 0"
          type="button"
          class="plain aside-button"
          @click="waitingShown = true"
        >
          {{ store.waiting + waitingPhotos.photos.length }} waiting
        </button>
        <button type="button" class="plain runs-button" @click="runsShown = !runsShown">Runs</button>
        <button
          type="button"
          class="plain"
          :disabled="store.history.undoable.length === 0"
          :title="store.history.undoable.at(-1)?.label"
          @click="undo"
        >
          Undo <kbd>u</kbd>
        </button>
        <button
          type="button"
          class="plain redo"
          :disabled="store.history.redoable.length === 0"
          :title="store.history.redoable.at(-1)?.label"
          @click="redo"
        >
          Redo <kbd>U</kbd>
        </button>
        <button
          type="button"
          class="plain"
          :aria-current="selection.stage === 'papers' ? 'page' : undefined"
          @click="goTo('papers')"
        >
          Papers <kbd>8</kbd>
        </button>
        <button type="button" class="plain" @click="finding = true">Find <kbd>Ctrl K</kbd></button>
        <button type="button" class="plain" @click="theme.toggle">
          {{ theme.mode.value === 'dark' ? 'Light' : 'Dark' }} <kbd>t</kbd>
        </button>
        <button type="button" class="plain" @click="ownShown = true">You <kbd>m</kbd></button>
        <button type="button" class="plain" @click="help('view')">Help <kbd>?</kbd></button>
      </div>
    </header>
    <SiteNotices class="notices" />
    <main
      :class="{ 'with-why': why.subject, outdated: evaluation.problem !== null }"
      :data-outdated="evaluation.problem !== null"
    >
      <RunList
        ref="runList"
        class="runs-column"
        :class="{ shown: runsShown }"
        :groups="selection.groups"
        :run-id="selection.runId"
        :filter="selection.filter"
        :found="selection.found"
        :at-run="live.atRun"
        @select="selection.select"
        @filter="(text) => (selection.filter = text)"
      />
      <section id="work" ref="work" class="stage" tabindex="-1" aria-label="The work">
        <RouterView
          v-if="store.opened === 'open' && evaluation.result && (evaluation.isWhole || needsNoDetails)"
        />
        <div v-else-if="store.opened === 'missing'" class="empty">
          <strong>There is no such site here.</strong>It may have been in another data folder.
          <RouterLink to="/">All sites</RouterLink>
        </div>
        <div v-else-if="store.opened === 'not-allowed'" class="empty">
          <strong>Your role does not open this site.</strong>What you may have of it is in the list of sites.
          <RouterLink to="/">All sites</RouterLink>
        </div>
        <p v-else-if="store.opened === 'signed-out'" class="empty">Sign in to open this site.</p>
        <div v-else-if="store.opened === 'unreachable'" class="empty">
          <strong>The server does not answer.</strong>Start it again, then
          <button type="button" class="plain" style="text-decoration: underline" @click="store.refresh()">
            try again</button
          >. Nothing that was saved is lost.
        </div>
        <p v-else class="empty" aria-busy="true">Opening the site…</p>
      </section>
      <WhyPanel v-if="why.subject" :derivation="why.derivation" @close="why.close" />
    </main>
    <UndoOffer @undo="undo" />
    <OwnDialog
      v-model:visible="ownShown"
      @people="
        ownShown = false;
        peopleShown = true;
      "
    />
    <SitePeopleDialog v-if="store.role === 'owner'" v-model:visible="peopleShown" :site-id="store.id" />
    <WaitingDialog v-model:visible="waitingShown" />
    <SetAsideDialog v-model:visible="asideShown" />
    <FindDialog v-model:visible="finding" />
    <HelpDialog
      v-if="helpAsked"
      v-model:visible="helpShown"
      v-model:part="helpPart"
      :stage="selection.stage"
      :view="route.query['view']"
      :title="stageLabel"
    />
  </div>
</template>

<style scoped>
.frame {
  display: grid;
  grid-template-rows: 64px auto 1fr;
  height: 100%;
}
.frame > main {
  grid-row: 3;
}
.notices {
  grid-row: 2;
}
.skip {
  position: absolute;
  z-index: 30;
  left: 8px;
  top: -60px;
  padding: 8px 14px;
  background: var(--ink);
  color: var(--paper);
}
.skip:focus {
  top: 8px;
}
.stage:focus {
  outline: none;
}
.stage:focus-visible {
  outline: 2px solid var(--copper);
  outline-offset: -2px;
}
.aside-button {
  color: var(--copper);
  font-weight: 600;
}
/* What stands there is from before the last edit: nobody takes it for the figures of now. */
.outdated .stage {
  opacity: 0.55;
  filter: grayscale(1);
}
header {
  display: grid;
  grid-template-columns: 250px 1fr auto;
  align-items: stretch;
  background: var(--sheet);
  border-bottom: 1px solid var(--rule-strong);
}
.site {
  padding: 11px 16px;
  border-right: 1px solid var(--rule);
  min-width: 0;
}
.site-name {
  display: block;
  font-size: 15px;
  font-weight: 600;
  font-variation-settings: 'wdth' 110;
  text-decoration: none;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.tools {
  display: flex;
  gap: 14px;
  align-items: center;
  padding: 0 18px;
  color: var(--ink-2);
  font-size: 12px;
}
.tools button:disabled {
  color: var(--rule-strong);
  cursor: default;
}
.tools button:disabled kbd {
  color: inherit;
  border-color: var(--rule);
}
.runs-button {
  display: none;
}
main {
  display: grid;
  grid-template-columns: 250px minmax(0, 1fr);
  min-height: 0;
}
main.with-why {
  grid-template-columns: 250px minmax(0, 1fr) 296px;
}
.stage {
  position: relative;
  min-height: 0;
  overflow: hidden;
  padding: 14px 18px;
}
@media (max-width: 1000px) {
  main,
  main.with-why {
    grid-template-columns: minmax(0, 1fr);
  }
  main.with-why > :last-child {
    position: fixed;
    inset: auto 0 0;
    max-height: 70vh;
    z-index: 20;
    border: 0;
    border-top: 2px solid var(--ink);
  }
  .runs-column {
    display: none;
  }
  .runs-column.shown {
    display: flex;
    position: fixed;
    z-index: 15;
    inset: 88px 0 auto;
    border-bottom: 2px solid var(--ink);
  }
  .runs-button {
    display: inline;
  }
}
@media (max-width: 700px) {
  .frame {
    grid-template-rows: auto auto 1fr;
    height: 100%;
  }
  header {
    grid-template-columns: 1fr auto;
  }
  header > :nth-child(2) {
    grid-column: 1 / -1;
    grid-row: 2;
  }
  .site {
    padding: 5px 10px;
    border: 0;
  }
  /* What is not saved is read whole, whatever else stands beside it. */
  header:has(.aside-button) {
    grid-template-columns: minmax(0, 1fr);
  }
  header:has(.aside-button) > * {
    grid-column: 1;
    grid-row: auto;
  }
  header:has(.aside-button) .saved {
    white-space: normal;
  }
  .tools {
    padding: 0 10px;
    gap: 12px;
  }
  .tools kbd {
    display: none;
  }
  .tools button {
    padding: 10px 2px;
  }
  .stage {
    padding: 10px;
    overflow: auto;
  }
}
/* What is taken back on a phone is seldom done again; Find leads to it there. */
@media (max-width: 460px) {
  .redo {
    display: none;
  }
}
@media (max-width: 360px) {
  .tools {
    gap: 8px;
    font-size: 11px;
  }
}
</style>
