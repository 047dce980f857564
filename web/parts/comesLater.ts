import { defineAsyncComponent, type Component } from 'vue';
import { fetchAhead } from '../offline/fetchAhead';

/**
 * A component that nobody sees before they ask for it. Its program is fetched once the page has nothing better to do, or
 * when it is put on the page if that comes first or the fetching failed.
 */
export function comesLater<T extends Component>(load: () => Promise<{ default: T }>): T {
  fetchAhead(load);
  return defineAsyncComponent(load);
}
