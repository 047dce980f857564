import { defineAsyncComponent, type Component } from 'vue';

/**
 * A component that nobody sees before they ask for it. Its program is fetched beside what is shown first, not before it,
 * and once more when it is put on the page if that failed.
 */
export function comesLater<T extends Component>(load: () => Promise<{ default: T }>): T {
  load().catch(() => undefined);
  return defineAsyncComponent(load);
}
