<script setup lang="ts">
import PlanPaper from './PlanPaper.vue';
</script>

<template>
  <PlanPaper />
</template>
