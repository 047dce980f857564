import { defineStore } from 'pinia';
import { computed, ref } from 'vue';
import type { VisitorSaid } from '#contract';
import { forgetSites } from '../offline/keptSites';
import { api, whenSignedOut } from './api';
import { useCurrentUser, useNameAsked } from './currentUser';

/** Who is signed in here, where the server asks that of anybody. */
export const useAccount = defineStore('account', () => {
  const visitor = ref<VisitorSaid | null>(null);
  /** The server answered that it knows nobody here: nothing goes on until somebody has signed in. */
  const isSignedOut = ref(false);
  /** Counts who has come in: whatever was refused before is asked again. */
  const signIns = ref(0);
  const name = useCurrentUser();
  const nameAsked = useNameAsked();

  whenSignedOut(() => {
    isSignedOut.value = true;
  });
  const person = computed(() => (visitor.value?.kind === 'person' ? visitor.value.person : null));
  const isAdmin = computed(() => person.value?.role === 'admin');

  async function load(): Promise<void> {
    const answer = await api.visitor();
    if (answer.kind !== 'answer') return;
    visitor.value = answer.value;
    isSignedOut.value = answer.value.kind === 'stranger';
    if (answer.value.kind !== 'person') return;
    // What somebody notes stands under the name of his account.
    name.value = answer.value.person.name;
    nameAsked.value = true;
  }
  /** Somebody has come in. */
  async function cameIn(): Promise<void> {
    await load();
    signIns.value += 1;
  }
  async function leave(): Promise<void> {
    await api.signOut();
    // What waits to be saved stays; what was only kept to be looked at goes.
    await forgetSites();
    visitor.value = { kind: 'stranger' };
    isSignedOut.value = true;
  }
  return { visitor, person, isAdmin, isSignedOut, signIns, load, cameIn, leave };
});
