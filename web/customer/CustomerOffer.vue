<script setup lang="ts">
import { ref } from 'vue';
import type { CustomerView } from '#core/documents';

/** The offer that is on record, and the name of whoever says yes to it. */
const { offer, maySign, person } = defineProps<{
  offer: NonNullable<CustomerView['offer']>;
  maySign: boolean;
  person: string;
}>();
const emit = defineEmits<{ accept: [by: string] }>();
const name = ref(person);
</script>

<template>
  <section class="offer" aria-label="The offer">
    <h2>Offer {{ offer.number }}</h2>
    <p v-if="offer.accepted">Accepted by {{ offer.accepted }}.</p>
    <p v-else-if="offer.hasMovedOn" class="caution">
      The plan has changed since this offer was given. Ask for a new one before you say yes.
    </p>
    <template v-else>
      <p class="dim">Valid until {{ offer.validUntil }}.</p>
      <form v-if="maySign" @submit.prevent="emit('accept', name.trim())">
        <label>Name of whoever accepts <input v-model="name" maxlength="80" /></label>
        <button type="submit" class="btn" :disabled="!name.trim()">Accept the offer</button>
      </form>
    </template>
  </section>
</template>

<style scoped>
.offer {
  padding-bottom: 18px;
}
form {
  display: grid;
  gap: 8px;
  padding-top: 6px;
}
label {
  display: grid;
  gap: 3px;
}
form .btn {
  justify-self: start;
}
input {
  min-height: 30px;
  padding: 3px 7px;
  border: 1px solid var(--rule-strong);
  border-radius: 4px;
  background: var(--sheet);
  color: var(--ink);
  font: inherit;
}
</style>
