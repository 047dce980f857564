<script setup lang="ts">
import Select from 'primevue/select';
import { computed, onBeforeUnmount, onMounted, ref, useTemplateRef } from 'vue';
import type { Cell, ShownColumn } from '#core/survey/lists';
import { fieldText } from '#core/shared/units';
import { useMeasures } from '../../../stores/measures';
import { useOpenSite } from '../../../stores/openSite';
import type { Then } from './listEditing';

/** A cell while it is changed: words are picked, all else is typed. Escape leaves it as it was. */
const { column, value } = defineProps<{ column: ShownColumn; value: Cell }>();
const emit = defineEmits<{ take: [text: string, then: Then]; leave: [] }>();
const openSite = useOpenSite();
const own = useMeasures();
const input = useTemplateRef<HTMLInputElement>('input');
const select = useTemplateRef<{ show: (focus?: boolean) => void; $el: HTMLElement }>('select');

const words = computed(() => {
  const { cell } = column;
  if (cell.kind === 'word') return [...cell.words(openSite.value)].map(({ label }) => label);
  return cell.kind === 'yes-no' ? ['yes', 'no'] : null;
});
const isLength = column.cell.kind === 'number' && column.cell.unit === 'm';
const text = ref(
  isLength && typeof value === 'number' ? fieldText(value, 'm', own.measures) : String(value ?? ''),
);
const before = text.value;

/** A field that goes while it has the focus loses it, which is no word from the person. */
let isGoing = false;
onBeforeUnmount(() => {
  isGoing = true;
});

onMounted(() => {
  input.value?.focus();
  input.value?.select();
  select.value?.$el.querySelector<HTMLElement>('[role="combobox"]')?.focus();
  select.value?.show(true);
});
const takeTyped = (then: Then) => (text.value === before ? emit('leave') : emit('take', text.value, then));
</script>

<template>
  <Select
    v-if="words"
    ref="select"
    class="word"
    :model-value="value"
    :options="words"
    size="small"
    :aria-label="column.heading"
    :filter="words.length > 14"
    @update:model-value="(word: string) => emit('take', word, 'stay')"
    @hide="emit('leave')"
  />
  <input
    v-else
    ref="input"
    v-model="text"
    class="typed"
    :class="{ number: column.cell.kind === 'number' }"
    :aria-label="column.heading"
    autocomplete="off"
    @keydown.enter.stop.prevent="takeTyped('down')"
    @keydown.tab.prevent="takeTyped('right')"
    @keydown.escape.stop="emit('leave')"
    @blur="!isGoing && takeTyped('stay')"
  />
</template>

<style scoped>
.typed {
  width: 100%;
  height: 27px;
  padding: 3px 6px;
  border: 2px solid var(--copper);
  background: var(--paper);
  color: var(--ink);
  font: inherit;
}
.typed.number {
  text-align: right;
  font-family: var(--mono);
  font-size: 12px;
}
.word {
  width: 100%;
  height: 27px;
}
</style>
