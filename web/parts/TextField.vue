<script setup lang="ts">
import InputText from 'primevue/inputtext';
import { ref, watch } from 'vue';
import { useMeasures } from '../stores/measures';
import { useControlId } from './rowLabel';

/** A line of text that is taken when it is left or Enter is pressed, and stays as typed where it is refused. */
const {
  value,
  label,
  refuse = () => undefined,
  placeholder = '',
} = defineProps<{
  value: string;
  label: string;
  refuse?: (text: string) => string | undefined;
  placeholder?: string;
  autofocus?: boolean;
}>();
const emit = defineEmits<{ take: [text: string]; typed: [text: string] }>();

const id = useControlId();
const own = useMeasures();
const text = ref(value);
const why = ref<string>();
/** For what must outlive a reload in the middle of a word. */
watch(text, (now) => emit('typed', now));
watch(
  () => value,
  (next) => {
    if (!why.value) text.value = next;
  },
);

function take(): void {
  why.value = refuse(text.value.trim());
  if (why.value === undefined && text.value.trim() !== value) emit('take', text.value.trim());
}

/** Escape leaves the field as it was; what was refused stays to be put right, and so does everything in a dialog that is left. */
function drop(event: KeyboardEvent): void {
  if (why.value === undefined && !(event.target as HTMLElement).closest('[role="dialog"]'))
    text.value = value;
}
</script>

<template>
  <span class="text-field">
    <InputText
      :id="id"
      v-model="text"
      size="small"
      :aria-label="label"
      :aria-describedby="why === undefined ? undefined : `${id}-why`"
      :invalid="why !== undefined"
      :autofocus="autofocus"
      :placeholder="placeholder"
      autocomplete="off"
      @change="take"
      @keydown.escape="drop"
    />
    <span v-if="why" :id="`${id}-why`" class="why" role="alert">{{ own.words(why) }}</span>
  </span>
</template>

<style scoped>
.text-field {
  display: block;
  width: 100%;
}
.text-field :deep(input) {
  width: 100%;
}
.why {
  display: block;
  padding: 2px 6px;
  background: var(--madder-2);
  font-size: 11px;
}
</style>
