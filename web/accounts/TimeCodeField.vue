<script setup lang="ts">
import AccountField from './AccountField.vue';

/** The six digits of an app that shows time codes. */
defineProps<{ label: string }>();
const value = defineModel<string>({ required: true });
</script>

<template>
  <AccountField
    v-model="value"
    :label="label"
    autocomplete="one-time-code"
    inputmode="numeric"
    maxlength="6"
  />
</template>
