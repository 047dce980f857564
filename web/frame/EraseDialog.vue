<script setup lang="ts">
import Dialog from 'primevue/dialog';
import InputText from 'primevue/inputtext';
import { computed, ref } from 'vue';
import type { SiteListing } from '#contract';
import DialogFoot from '../parts/DialogFoot.vue';

/** Asks once more before a site goes for good: nobody types a whole name by mistake. */
const props = defineProps<{ site: SiteListing }>();
const emit = defineEmits<{ erase: []; leave: [] }>();
const typed = ref('');
const isSame = computed(() => typed.value.trim() === props.site.name);
</script>

<template>
  <Dialog visible modal header="Delete for good" :style="{ width: '420px' }" @update:visible="emit('leave')">
    <form @submit.prevent="isSame && emit('erase')">
      <p>
        <b>{{ site.name }}</b> goes with its log and pictures. Only a backup or a site file brings it back.
      </p>
      <label class="field"
        ><span>Type the name of the site to delete it</span>
        <InputText v-model="typed" size="small" autocomplete="off" autofocus
      /></label>
      <DialogFoot :problems="[]" go="Delete for good" :held="!isSame" @leave="emit('leave')" />
    </form>
  </Dialog>
</template>

<style scoped>
.field {
  display: grid;
  gap: 4px;
  padding-top: 12px;
}
</style>
