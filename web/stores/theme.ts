import { useColorMode } from '@vueuse/core';

/** Light paper, or dark for roof spaces. Follows the device until a person says otherwise. */
export function useTheme() {
  const mode = useColorMode({
    attribute: 'data-theme',
    storageKey: 'neotrope-theme',
    disableTransition: true,
  });
  const toggle = () => {
    mode.value = mode.value === 'dark' ? 'light' : 'dark';
  };
  return { mode, toggle };
}
