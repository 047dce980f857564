<script setup lang="ts">
import InputText from 'primevue/inputtext';
import { onMounted, useAttrs, useTemplateRef } from 'vue';

/** A field of a form about an account, as browsers and password managers know it by its `autocomplete`. */
defineOptions({ inheritAttrs: false });
defineProps<{ label: string; autocomplete: string; type?: 'text' | 'password' }>();
const value = defineModel<string>({ required: true });
const field = useTemplateRef('field');
const attrs = useAttrs();
// Browsers heed the attribute while a page loads, not where a field comes later.
onMounted(() => 'autofocus' in attrs && field.value?.querySelector('input')?.focus());
</script>

<template>
  <label ref="field" class="account-field">
    {{ label
    }}<InputText
      v-bind="$attrs"
      v-model="value"
      :type="type ?? 'text'"
      :autocomplete="autocomplete"
      size="small"
      required
    />
  </label>
</template>

<style scoped>
.account-field {
  display: grid;
  gap: 3px;
  font-size: 12px;
}
</style>
