import { defineStore } from 'pinia';
import { computed, ref } from 'vue';
import type { VisitorSaid } from '#contract';
import { forgetSites } from '../offline/keptSites';
import { api, whenSignedOut } from './api';
import { useCurrentUser, useNameAsked, useSignedInAs } from './currentUser';

/** Who is signed in here, where the server asks that of anybody. */
export const useAccount = defineStore('account', () => {
  const visitor = ref<VisitorSaid | null>(null);
  /** The server answered that it knows nobody here: nothing goes on until somebody has signed in. */
  const isSignedOut = ref(false);
  /** Counts who has come in: whatever was refused before is asked again. */
  const signIns = ref(0);
  const name = useCurrentUser();
  const nameAsked = useNameAsked();
  const signedInAs = useSignedInAs();
  /** The page is opened anew for another person; what waits of the one before stays where it is. */
  let isChangingHands = false;

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
    if (answer.value.kind === 'without-accounts') signedInAs.value = '';
    if (answer.value.kind !== 'person') return;
    const before = signedInAs.value;
    signedInAs.value = answer.value.person.name;
    // What was kept for somebody else is not for whoever comes after him.
    if (before !== '' && before !== signedInAs.value) {
      await forgetSites();
      isChangingHands = true;
    }
    // What somebody notes stands under the name of his account.
    name.value = answer.value.person.name;
    nameAsked.value = true;
  }
  /** Somebody has come in. */
  async function cameIn(): Promise<void> {
    await load();
    if (isChangingHands) window.location.reload();
    else signIns.value += 1;
  }
  async function leave(): Promise<void> {
    await api.signOut();
    // What waits to be saved stays; what was only kept to be looked at goes.
    await forgetSites();
    visitor.value = { kind: 'stranger' };
    isSignedOut.value = true;
  }
  return {
    visitor,
    person,
    isAdmin,
    isSignedOut,
    signIns,
    isChangingHands: () => isChangingHands,
    load,
    cameIn,
    leave,
  };
});
