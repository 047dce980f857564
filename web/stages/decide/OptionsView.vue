<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import type { OptionSummary } from '#core/evaluate';
import { choose, lockChoice, optionKinds, takeBackChoice, type OptionKind } from '#core/model/site';
import { useKeys } from '../../keys/keys';
import { useSelection } from '../../stores/selection';
import { useSite } from '../../stores/site';
import { useOpenSite } from '../../stores/openSite';
import NumberPrompt from '../../parts/NumberPrompt.vue';
import DecideTable from './DecideTable.vue';
import OptionSheet from './OptionSheet.vue';
import { inOrder, tableOrders, type TableOrder } from './tableOrder';

const store = useSite();
const openSite = useOpenSite();
const selection = useSelection();
const kind = ref<OptionKind>('keep');
const refused = ref('');
let clicked: OptionKind | null = null;

watch(
  () => selection.runId,
  () => {
    refused.value = '';
    // Whoever clicked an option of another run wants to see that one, not what is chosen there.
    kind.value = clicked ?? selection.current?.chosen ?? kind.value;
    clicked = null;
  },
  { immediate: true },
);

const option = computed<OptionSummary | undefined>(() =>
  selection.current?.options.find((one) => one.kind === kind.value),
);

function pick(runId: string, picked: OptionKind): void {
  kind.value = picked;
  refused.value = '';
  if (runId !== selection.runId) clicked = picked;
  void selection.select(runId);
}
/** Shows what a kind of option would ask for, of the run in hand or the first. */
const show = (kind: OptionKind): void => {
  const runId = selection.runId ?? shown.value[0]?.runs[0]?.run.id;
  if (runId !== undefined) pick(runId, kind);
};
/** Whether an option of the run in hand can be chosen; without a run there is nothing to pass over. */
const canChoose = (one: OptionKind): boolean => {
  const found = selection.current?.options.find((option) => option.kind === one);
  return !found || (found.state !== 'no' && found.state !== 'fails');
};
/** Goes on to the next option that can be chosen, or to the very next one, which then says why it cannot. */
function across(by: 1 | -1, alsoWhatCannot = false): void {
  const at = optionKinds.indexOf(kind.value);
  const ahead = by > 0 ? optionKinds.slice(at + 1) : optionKinds.slice(0, Math.max(0, at)).reverse();
  kind.value = ahead.find((one) => alsoWhatCannot || canChoose(one)) ?? kind.value;
  refused.value = '';
}
const asksNumber = ref(false);
function takeNumber(number: number): void {
  kind.value = optionKinds[number - 1]!;
  take();
}

function take(): void {
  const { current } = selection;
  if (!current || !option.value) return;
  if (option.value.state === 'no')
    refused.value = `Cannot be chosen: ${option.value.why} What would make it possible: ${option.value.remedy}.`;
  else if (option.value.state === 'fails')
    refused.value = `Cannot be chosen: ${option.value.broken?.limit ?? ''} What would make it possible: ${option.value.broken?.remedy ?? ''}.`;
  else {
    const problems = store.change(
      `Choose for ${current.camera.number} ${current.camera.name}`,
      choose(openSite.value, current.camera.id, {
        option: kind.value,
        by: store.signedBy('Planner'),
        at: new Date().toISOString(),
        locked: isLocked.value,
      }),
    );
    refused.value = problems[0] ? `${problems[0].path}: ${problems[0].allowed}` : '';
  }
}
function giveUp(): void {
  const { current } = selection;
  if (current && choice.value)
    store.change(
      `Take back the choice for ${current.camera.number} ${current.camera.name}`,
      takeBackChoice(openSite.value, current.camera.id),
    );
}

/** As it is noted, which a key that follows at once finds; what the core makes of it comes a moment later. */
const choice = computed(() =>
  selection.current ? openSite.value.choice[selection.current.camera.id] : undefined,
);
const isLocked = computed(() => choice.value?.locked === true);
function lock(): void {
  const { current } = selection;
  if (!current || !choice.value) {
    refused.value = 'Choose an option first; then it can be locked against whatever is planned.';
    return;
  }
  store.change(
    `${isLocked.value ? 'Unlock' : 'Lock'} the choice for ${current.camera.number} ${current.camera.name}`,
    lockChoice(openSite.value, current.camera.id, !isLocked.value),
  );
}

const sort = ref<TableOrder>('place');
const shown = computed(() => inOrder(selection.groups, sort.value));
const nextSort = () => {
  sort.value = tableOrders[(tableOrders.indexOf(sort.value) + 1) % tableOrders.length]!;
};

useKeys([
  { keys: ['l'], label: 'lock the choice, or unlock it', group: 'Decide', run: lock },
  { keys: ['s'], label: 'sort by place, trouble or saving', group: 'Decide', run: nextSort },
  {
    keys: ['ArrowRight', 'h'],
    label: 'next option that can be chosen',
    group: 'Decide',
    run: () => across(1),
  },
  {
    keys: ['ArrowLeft', 'g'],
    label: 'option before that can be chosen',
    group: 'Decide',
    run: () => across(-1),
  },
  { keys: ['Shift+ArrowRight'], label: 'very next option', group: 'Decide', run: () => across(1, true) },
  { keys: ['Shift+ArrowLeft'], label: 'option just before', group: 'Decide', run: () => across(-1, true) },
  {
    keys: ['n'],
    label: 'choose an option by its number',
    group: 'Decide',
    run: () => {
      asksNumber.value = selection.current !== null;
    },
  },
  { keys: ['Enter', 'c'], label: 'choose it', group: 'Decide', run: take },
  { keys: ['Backspace', 'x'], label: 'take the choice back', group: 'Decide', run: giveUp },
]);
</script>

<template>
  <div class="options">
    <DecideTable
      class="table"
      :groups="shown"
      :run-id="selection.runId"
      :kind="kind"
      :sort="sort"
      @pick="pick"
      @show="show"
      @sort="nextSort"
    />
    <OptionSheet
      v-if="selection.current && option"
      class="sheet"
      :evaluation="selection.current"
      :option="option"
      :refused="refused"
      @take="take"
      @give-up="giveUp"
      @lock="lock"
    />
    <aside v-else class="sheet hint">
      <p class="dim">
        Pick a cell to see what that option brings, what it costs and why. Arrows move,
        <kbd>Enter</kbd> chooses, <kbd>n</kbd> and its number does both.
      </p>
      <p class="dim">
        Filled bars use up their limit at the tick. Hatched bars rest on a run that nobody has tested.
      </p>
      <p class="dim"><kbd>b</kbd> finds the best plan for all cameras together.</p>
    </aside>
    <NumberPrompt
      v-if="asksNumber"
      label="Choose option number"
      :most="optionKinds.length"
      @take="takeNumber"
      @leave="asksNumber = false"
    />
  </div>
</template>

<style scoped>
.options {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 284px;
  margin: 0 -18px -14px;
  min-height: 0;
}
.table {
  min-height: 0;
  padding-left: 18px;
}
.sheet {
  overflow: hidden auto;
  background: var(--sheet);
  border-left: 1px solid var(--rule-strong);
  border-top: 1px solid var(--rule);
  padding: 12px 16px;
  scrollbar-width: thin;
}
.hint {
  display: grid;
  gap: 10px;
  align-content: start;
  line-height: 1.5;
}
@media (max-width: 1000px) {
  .options {
    display: block;
    margin: 0;
  }
  .table {
    overflow-x: auto;
    padding: 0;
  }
}
</style>
