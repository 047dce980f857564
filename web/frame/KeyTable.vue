<script setup lang="ts">
import { computed } from 'vue';
import { keyActions, keyNames, useLetterKeys } from '../keys/keys';

/** Every key that does something here, by what it belongs to. */
const way = useLetterKeys();
const groups = computed(() => {
  const byGroup = new Map<string, typeof keyActions.value>();
  for (const action of keyActions.value)
    byGroup.set(action.group, [...(byGroup.get(action.group) ?? []), action]);
  return [...byGroup];
});
const whileTyping = [
  { key: 'Enter', label: 'take it and move on' },
  { key: 'Tab', label: 'take it, next field' },
  { key: 'Esc', label: 'leave the field as it was' },
];
</script>

<template>
  <p v-if="way !== 'alone'" class="caution">
    {{
      way === 'off'
        ? 'Keys of one letter are off. Turn them on under You.'
        : 'Keys of one letter are pressed with Alt. Change it under You.'
    }}
  </p>
  <div class="sheet">
    <section v-for="[group, actions] in groups" :key="group">
      <h2 class="minor">{{ group }}</h2>
      <div v-for="action in actions" :key="action.label" class="line">
        <span class="keys"
          ><kbd v-for="key in keyNames(action.keys)" :key="key">{{ key }}</kbd></span
        >
        <span>{{ action.label }}</span>
      </div>
    </section>
    <section>
      <h2 class="minor">While typing</h2>
      <div v-for="{ key, label } in whileTyping" :key="key" class="line">
        <span class="keys"
          ><kbd>{{ key }}</kbd></span
        ><span>{{ label }}</span>
      </div>
    </section>
  </div>
</template>

<style scoped>
.sheet {
  columns: 2;
  column-gap: 28px;
}
@media (max-width: 700px) {
  .sheet {
    columns: 1;
  }
}
section {
  break-inside: avoid;
  padding-bottom: 14px;
}
.minor {
  padding-bottom: 4px;
  color: var(--ink-2);
  font-weight: 500;
}
.line {
  display: grid;
  grid-template-columns: 128px 1fr;
  gap: 8px;
  padding: 2px 0;
  align-items: baseline;
}
.keys {
  display: flex;
  gap: 4px;
  flex-wrap: wrap;
}
</style>
