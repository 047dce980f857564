<script setup lang="ts">
import Toast from 'primevue/toast';
import { useTheme } from './stores/theme';

useTheme();
</script>

<template>
  <RouterView />
  <Toast position="bottom-right" />
</template>
