<script setup lang="ts">
import InputText from 'primevue/inputtext';
import { computed, ref, watch } from 'vue';
import { fieldFigure, fieldText, type Unit } from '#core/shared/units';
import { useMeasures } from '../stores/measures';
import { useControlId } from './rowLabel';

/**
 * A figure with its unit. Takes other spellings of the unit, says in words what it cannot read, and keeps
 * typed text until it is understood. `entered` reports Enter, so that a list of fields can move on.
 */
const {
  value,
  unit,
  label,
  digits,
  allowed = () => undefined,
  clearAfter = false,
  again = false,
  clearable = false,
  disabled = false,
  size = 'small',
  placeholder = '',
} = defineProps<{
  value: number | null;
  unit: Unit;
  label: string;
  digits?: number;
  /** Why a figure that could be read is not taken after all; `undefined` where it is. */
  allowed?: (value: number) => string | undefined;
  /** For taking readings: the field empties once its figure is taken. */
  clearAfter?: boolean;
  /** The same figure typed again is taken again: it was read again. */
  again?: boolean;
  /** Emptying the field takes the figure away. */
  clearable?: boolean;
  disabled?: boolean;
  size?: 'small' | 'large';
  placeholder?: string;
  /** A dialog that opens gives it the keys. */
  autofocus?: boolean;
}>();
const emit = defineEmits<{ take: [value: number]; clear: []; entered: [] }>();

const id = useControlId();
const own = useMeasures();
const shown = () => (value === null ? '' : fieldText(value, unit, own.measures, digits));
const text = ref(shown());
const why = ref<string>();
const touched = ref(false);

watch([() => value, () => own.measures], () => {
  if (!why.value) text.value = shown();
});

function take(): boolean {
  if (!touched.value) return true;
  if (text.value.trim() === '' && (clearAfter || clearable)) {
    why.value = undefined;
    if (clearable && value !== null) emit('clear');
    return true;
  }
  const parsed = fieldFigure(text.value, unit, value, own.measures, digits);
  why.value = parsed.kind === 'refused' ? parsed.why : allowed(parsed.value);
  if (why.value !== undefined || parsed.kind === 'refused') return false;
  touched.value = false;
  if (clearAfter || again || parsed.value !== value) emit('take', parsed.value);
  text.value = clearAfter ? '' : shown();
  return true;
}

function onEnter(): void {
  if (take()) emit('entered');
}

/** Escape leaves the field as it was; what was refused stays to be put right, and so does everything in a dialog that is left. */
function drop(event: KeyboardEvent): void {
  if (why.value !== undefined || (event.target as HTMLElement).closest('[role="dialog"]')) return;
  [text.value, touched.value] = [shown(), false];
}

const describedBy = computed(() => (why.value ? `${id}-why` : undefined));
</script>

<template>
  <span class="quantity" :class="size">
    <InputText
      :id="id"
      v-model="text"
      :aria-label="label"
      :aria-describedby="describedBy"
      :invalid="why !== undefined"
      :disabled="disabled"
      :autofocus="autofocus"
      :placeholder="placeholder"
      inputmode="decimal"
      autocomplete="off"
      @input="touched = true"
      @change="take"
      @keydown.enter.prevent="onEnter"
      @keydown.escape="drop"
    />
    <span class="unit">{{ own.unitWord(unit) }}</span>
    <span v-if="why" :id="`${id}-why`" class="why" role="alert">{{ own.words(why) }}</span>
  </span>
</template>

<style scoped>
.quantity {
  position: relative;
  display: inline-flex;
  align-items: center;
  gap: 4px;
}
.quantity :deep(input) {
  width: 100%;
  min-width: 0;
  text-align: right;
  font-family: var(--mono);
}
.quantity.large :deep(input) {
  font-size: 15px;
  padding-block: 2px;
}
.unit {
  flex: none;
  min-width: 22px;
  color: var(--ink-2);
  font-size: 11px;
}
.why {
  position: absolute;
  z-index: 3;
  top: 100%;
  right: 0;
  width: max-content;
  max-width: 240px;
  padding: 3px 7px;
  background: var(--madder-2);
  color: var(--ink);
  font-size: 11px;
}
</style>
