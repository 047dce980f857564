<script setup lang="ts">
import { hoursText, parseHours, type Hours } from '#core/model/site';
import TextField from '../../parts/TextField.vue';

/** Hours of the day in one line; empty where any will do. */
const { hours, label } = defineProps<{ hours: Hours | undefined; label: string; placeholder: string }>();
const emit = defineEmits<{ take: [hours: Hours | undefined] }>();
const areHours = (text: string) =>
  text === '' || parseHours(text) ? undefined : 'Enter two times, e.g. 22:00–04:00.';
</script>

<template>
  <TextField
    :value="hours ? hoursText(hours) : ''"
    :label="label"
    :placeholder="placeholder"
    :refuse="areHours"
    @take="(text) => emit('take', parseHours(text) ?? undefined)"
  />
</template>
