<script setup lang="ts">
import Toast from 'primevue/toast';
import { useToast } from 'primevue/usetoast';
import { onMounted } from 'vue';
import { passingWordsShownBy } from '../parts/sayInPassing';

const toast = useToast();
onMounted(() => passingWordsShownBy((words) => toast.add(words)));
</script>

<template>
  <Toast position="bottom-right" />
</template>
