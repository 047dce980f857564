<script setup lang="ts">
import Dialog from 'primevue/dialog';
import { computed, nextTick, ref, useId, watch } from 'vue';
import { useRouter } from 'vue-router';
import { counted } from '#core/shared/labels';
import { keyActions, keyNames } from '../keys/keys';
import { allocateViews } from '../stages/allocate/views';
import { connectViews } from '../stages/connect/views';
import { cutoverViews } from '../stages/cutover/views';
import { decideViews } from '../stages/decide/views';
import { papersViews } from '../stages/papers/views';
import { signoffViews } from '../stages/signoff/views';
import { surveyViews } from '../stages/survey/views';
import { testViews } from '../stages/test/views';
import { useEvaluation } from '../stores/evaluation';
import { useSelection } from '../stores/selection';
import { useSite } from '../stores/site';
import { foundEntries, type FindEntry } from './findEntries';
import { papers, stages } from './stages';

/** One place to find everything: a run by whatever is known of it, a view, something to do. */
const visible = defineModel<boolean>('visible', { required: true });
const router = useRouter();
const store = useSite();
const selection = useSelection();
const evaluation = useEvaluation();
const typed = ref('');
const at = ref(0);
const id = useId();
watch(visible, (isOpen) => {
  if (isOpen) [typed.value, at.value] = ['', 0];
});
watch(typed, () => (at.value = 0));

const views = {
  survey: surveyViews,
  test: testViews,
  decide: decideViews,
  allocate: allocateViews,
  connect: connectViews,
  cutover: cutoverViews,
  signoff: signoffViews,
  papers: papersViews,
} as const;
const runEntries = computed(() =>
  (evaluation.result?.runs ?? []).map((run): FindEntry => {
    const runId = run.run.id;
    const place = store.site?.place[run.camera.placeId]?.name ?? '';
    return {
      id: `run-${runId}`,
      label: `${run.camera.number} ${run.camera.name}`,
      kind: 'run',
      hint: place,
      texts: selection.index?.get(runId) ?? [],
      go: () => void selection.select(runId),
    };
  }),
);
const viewEntries = [...stages, papers].flatMap(({ name, label: stage }): FindEntry[] =>
  views[name].map((view) => ({
    id: `view-${name}-${view.id}`,
    label: view.label,
    kind: 'view',
    hint: stage,
    texts: [stage],
    go: () =>
      void router.push({
        name,
        params: { siteId: store.id, runId: selection.runId ?? '' },
        query: { view: view.id },
      }),
  })),
);
/** Everything that has a key just now can be done from here too. */
const actionEntries = computed(() =>
  keyActions.value.map((action): FindEntry => ({
    id: `action-${action.group}-${action.label}`.replace(/\W+/g, '-'),
    label: action.label[0]!.toUpperCase() + action.label.slice(1),
    kind: 'action',
    hint: keyNames(action.keys).join(' or '),
    texts: [action.group],
    go: action.run,
  })),
);
const entries = computed(() => [...runEntries.value, ...viewEntries, ...actionEntries.value]);
const found = computed(() => (visible.value ? foundEntries(entries.value, typed.value) : []));
const kindWords = { run: 'run', view: 'view', action: 'do' } as const;
const optionId = (index: number): string => `${id}-${index}`;

function move(by: number): void {
  const count = found.value.length;
  if (count > 0) at.value = (at.value + by + count) % count;
}
async function go(entry: FindEntry | undefined): Promise<void> {
  if (!entry) return;
  visible.value = false;
  await nextTick();
  entry.go();
}
</script>

<template>
  <Dialog
    v-model:visible="visible"
    modal
    header="Find"
    :style="{ width: '520px' }"
    position="top"
    dismissable-mask
  >
    <input
      v-model="typed"
      class="typed"
      type="text"
      role="combobox"
      aria-label="Find a run, a view or something to do"
      aria-expanded="true"
      aria-autocomplete="list"
      :aria-controls="`${id}-list`"
      :aria-activedescendant="found.length > 0 ? optionId(at) : undefined"
      placeholder="RG-59, quay, 13, 8.9 V, risk, undo"
      autocomplete="off"
      autofocus
      @keydown.down.prevent="move(1)"
      @keydown.up.prevent="move(-1)"
      @keydown.enter.prevent="go(found[at])"
    />
    <p class="out-of-sight" role="status">{{ counted(found.length, 'thing') }} found</p>
    <ul :id="`${id}-list`" role="listbox" aria-label="What was found">
      <li
        v-for="(entry, index) in found"
        :id="optionId(index)"
        :key="entry.id"
        role="option"
        :aria-selected="index === at"
        :class="{ here: index === at }"
        @mousemove="at = index"
        @click="go(entry)"
      >
        <span class="kind">{{ kindWords[entry.kind] }}</span>
        <span>{{ entry.label }}</span>
        <span class="dim hint">{{ entry.hint }}</span>
      </li>
    </ul>
    <p v-if="found.length === 0" class="dim">Nothing is called that. A part of a word is enough.</p>
  </Dialog>
</template>

<style scoped>
.typed {
  width: calc(100% - 8px);
  margin: 4px;
  border: 1px solid var(--rule-strong);
  border-radius: 4px;
  padding: 7px 10px;
  background: var(--paper);
  color: var(--ink);
  font: inherit;
  font-size: 14px;
}
.typed::placeholder {
  color: var(--ink-2);
}
ul {
  padding-top: 8px;
}
li {
  display: grid;
  grid-template-columns: 44px minmax(0, 1fr) auto;
  gap: 8px;
  align-items: baseline;
  min-height: 28px;
  padding: 4px 8px;
  cursor: pointer;
}
li.here {
  background: var(--copper-3);
  box-shadow: inset 3px 0 var(--copper);
}
.kind,
.hint {
  font-size: 11px;
}
.kind {
  color: var(--ink-2);
}
@media (max-width: 700px) {
  li {
    min-height: 44px;
    align-items: center;
  }
}
</style>
