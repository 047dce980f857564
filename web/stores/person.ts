import { useLocalStorage } from '@vueuse/core';

/** Who works here, as it stands beside readings and decisions. */
export function usePerson() {
  return useLocalStorage('neotrope-person', 'Surveyor');
}
