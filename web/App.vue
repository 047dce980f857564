<script setup lang="ts">
import Toast from 'primevue/toast';
import { defineAsyncComponent, onMounted } from 'vue';
import { useAccount } from './stores/account';
import { useTheme } from './stores/theme';

/** Needed only where people have accounts. */
const SignInDialog = defineAsyncComponent(() => import('./accounts/SignInDialog.vue'));

useTheme();
const account = useAccount();
onMounted(() => void account.load());
</script>

<template>
  <RouterView />
  <SignInDialog v-if="account.isSignedOut" />
  <Toast position="bottom-right" />
</template>
