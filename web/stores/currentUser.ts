import { useLocalStorage } from '@vueuse/core';
import type { Ref } from 'vue';

/** What somebody is called in the record who has not given a name: by the work that they do at that moment. */
export type Role = 'Planner' | 'Surveyor';

/** The name that whoever sits at this machine signs with. */
export function useCurrentUser(): Ref<string> {
  return useLocalStorage('neotrope-person', 'Surveyor');
}

/** Whether whoever sits here was asked for a name once; it can be changed at any time. */
export const useNameAsked = (): Ref<boolean> => useLocalStorage('neotrope-person-asked', false);

/** The name as it goes into the record. */
export const signedAs = (name: string, role: Role): string => name.trim() || role;

/** The name of the account that is signed in on this device, also where nobody answers; empty where there are no accounts. */
export const useSignedInAs = (): Ref<string> => useLocalStorage('neotrope-signed-in-as', '');

/** The same by the id of the account. */
export const useSignedInId = (): Ref<string> => useLocalStorage('neotrope-signed-in-id', '');

/** Whether what waits here is of whoever works here now: under an account only what he noted goes out under his name. */
export const isMine = (signedInAs: string, by: string): boolean => signedInAs === '' || by === signedInAs;
