<script setup lang="ts">
import { onMounted, ref, useTemplateRef } from 'vue';

/** Asks for a number by key: what is numbered on the screen is then one or two keys away. Enter takes it, Escape leaves all as it was. */
const { most, label } = defineProps<{ label: string; most: number }>();
const emit = defineEmits<{ take: [number: number]; leave: [] }>();
const field = useTemplateRef('field');
const text = ref('');
const why = ref('');
let before: Element | null = null;

onMounted(() => {
  before = document.activeElement;
  field.value?.focus();
});
function leave(): void {
  if (before instanceof HTMLElement) before.focus();
  emit('leave');
}
function take(): void {
  const number = Number(text.value);
  if (!/^\d+$/.test(text.value) || number < 1 || number > most) {
    why.value = `a whole number from 1 to ${most}`;
    return;
  }
  emit('take', number);
  leave();
}
</script>

<template>
  <form class="prompt" @submit.prevent="take" @keydown.escape.stop="leave">
    <label
      >{{ label }}, 1 to {{ most }}
      <input
        ref="field"
        v-model.trim="text"
        inputmode="numeric"
        autocomplete="off"
        size="3"
        @blur="emit('leave')"
      />
    </label>
    <span v-if="why" role="alert" class="why">{{ why }}</span>
  </form>
</template>

<style scoped>
.prompt {
  position: fixed;
  z-index: 18;
  left: 50%;
  bottom: 14px;
  padding: 8px 14px;
  transform: translateX(-50%);
  background: var(--sheet);
  border: 1px solid var(--rule-strong);
  border-left: 3px solid var(--copper);
  box-shadow: 0 2px 8px rgb(0 0 0 / 18%);
}
input {
  margin-left: 8px;
  padding: 4px 6px;
  background: var(--paper);
  border: 1px solid var(--rule-strong);
  color: var(--ink);
  font: 13px var(--mono);
}
.why {
  margin-left: 8px;
  font-size: 12px;
  color: var(--madder);
}
</style>
