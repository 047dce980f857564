<script setup lang="ts">
import Dialog from 'primevue/dialog';
import { computed } from 'vue';
import { useRoute } from 'vue-router';
import { useAccount } from '../stores/account';
import SignInForm from './SignInForm.vue';

/** Stands before everything while the server knows nobody here; what was being done stays where it is. */
const account = useAccount();
const route = useRoute();
const isShown = computed(() => account.isSignedOut && route.name !== 'join');
</script>

<template>
  <Dialog
    :visible="isShown"
    modal
    :closable="false"
    :close-on-escape="false"
    header="Sign in"
    :style="{ width: '340px' }"
  >
    <SignInForm @in="account.cameIn" />
    <p class="dim tiny kept">What you noted and was not saved yet is kept in this browser.</p>
  </Dialog>
</template>

<style scoped>
.kept {
  padding-top: 8px;
}
</style>
