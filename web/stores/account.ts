import { defineStore } from 'pinia';
import { computed, ref } from 'vue';
import type { Person, VisitorSaid } from '#contract';
import { forgetSites } from '../offline/keptSites';
import { api, askAs, whenSignedOut } from './api';
import { useCurrentUser, useNameAsked, useSignedInAs, useSignedInId } from './currentUser';

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
  const signedInId = useSignedInId();
  /** The page is opened anew for another person; what waits of the one before stays where it is. */
  let isChangingHands = false;
  /** Whose window this is, by the id of his account; it stays his while nobody is signed in. */
  let mine = signedInId.value;
  askAs(mine || null);

  const person = computed(() => (visitor.value?.kind === 'person' ? visitor.value.person : null));
  const isAdmin = computed(() => person.value?.role === 'admin');

  async function load(): Promise<void> {
    const answer = await api.visitor();
    if (answer.kind !== 'answer' || isChangingHands) return;
    const said = answer.value;
    if (said.kind === 'person' && mine !== '' && said.person.id !== mine) return changeHands(said.person);
    visitor.value = said;
    isSignedOut.value = said.kind === 'stranger';
    if (said.kind === 'person') take(said.person);
    else if (said.kind === 'without-accounts') signedInAs.value = '';
  }
  /** Whatever is done at this window is his from now on. */
  function take(person: Person): void {
    mine = person.id;
    askAs(person.id);
    signedInId.value = person.id;
    signedInAs.value = person.name;
    // What somebody notes stands under the name of his account.
    name.value = person.name;
    nameAsked.value = true;
  }
  /** What was kept for somebody else is not for whoever comes after him, nor does what he has yet to save go out as his. */
  async function changeHands(person: Person): Promise<void> {
    isChangingHands = true;
    await forgetSites();
    [signedInId.value, signedInAs.value, name.value] = [person.id, person.name, person.name];
    window.location.reload();
  }
  /** Somebody has come in, here or at another window. */
  async function cameIn(): Promise<void> {
    await load();
    if (!isSignedOut.value && !isChangingHands) signIns.value += 1;
  }
  let isLooking = false;
  whenSignedOut(() => {
    isSignedOut.value = true;
    if (isLooking) return;
    isLooking = true;
    void cameIn().finally(() => (isLooking = false));
  });
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
