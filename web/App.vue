<script setup lang="ts">
import { defineAsyncComponent, onMounted } from 'vue';
import { comesLater } from './parts/comesLater';
import { useAccount } from './stores/account';
import { useTheme } from './stores/theme';

const PassingWords = comesLater(() => import('./frame/PassingWords.vue'));
/** Needed only where people have accounts. */
const SignInDialog = defineAsyncComponent(() => import('./accounts/SignInDialog.vue'));

useTheme();
const account = useAccount();
onMounted(() => void account.load());
</script>

<template>
  <RouterView />
  <SignInDialog v-if="account.isSignedOut" />
  <PassingWords />
</template>
