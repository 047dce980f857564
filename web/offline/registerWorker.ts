/// <reference types="vite-plugin-pwa/client" />
import { ref } from 'vue';
import { registerSW } from 'virtual:pwa-register';
import { whenIdle } from './whenIdle';

/** Whether a newer version of the pages is ready, and waits until somebody has a moment for it. */
export const isNewVersionReady = ref(false);
let takeNewVersion = (): Promise<void> => Promise.resolve();

/** Has the browser keep the pages, once what was opened is there. */
export function registerWorker(): void {
  if (!('serviceWorker' in navigator) || import.meta.env.DEV) return;
  const register = (): void => {
    takeNewVersion = registerSW({
      onNeedRefresh: () => {
        isNewVersionReady.value = true;
      },
      // Without a trusted certificate there is none: everything works, with a network.
      onRegisterError: () => undefined,
    });
  };
  whenIdle(register);
}

/** Opens the pages anew in their newer version; what waits to be saved waits in the browser meanwhile. */
export const openNewVersion = (): Promise<void> => takeNewVersion();
