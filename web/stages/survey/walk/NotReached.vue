<script setup lang="ts">
import { ref } from 'vue';
import TextField from '../../../parts/TextField.vue';

/** Why somebody who came to note it could not. */
const emit = defineEmits<{ why: [text: string] }>();
const asking = ref(false);
const usual = ['Locked', 'No ladder or lift', 'In use', 'Not safe'];
</script>

<template>
  <div class="not-reached">
    <button v-if="!asking" type="button" class="btn" @click="asking = true">Could not reach it</button>
    <template v-else>
      <p>Why?</p>
      <div class="usual">
        <button v-for="one in usual" :key="one" type="button" class="btn" @click="emit('why', one)">
          {{ one }}
        </button>
      </div>
      <TextField
        value=""
        label="Why it could not be reached"
        placeholder="Or in your own words"
        :refuse="(text) => (text.length <= 200 ? undefined : 'up to 200 characters')"
        @take="(text) => text && emit('why', text)"
      />
    </template>
  </div>
</template>

<style scoped>
.not-reached {
  display: grid;
  gap: 8px;
}
.btn {
  min-height: 44px;
  align-items: center;
  justify-content: center;
}
.usual {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
}
</style>
