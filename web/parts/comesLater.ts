import { defineAsyncComponent, type Component } from 'vue';
import { fetchAhead } from '../offline/fetchAhead';
import { whenPageIsIdle } from '../offline/whenIdle';

/**
 * A component that nobody sees before they ask for it. Its program is fetched once the page has nothing better to do, or
 * when it is put on the page if that comes first or the fetching failed.
 */
export function comesLater<T extends Component>(load: () => Promise<{ default: T }>): T {
  // What is typed at once after it is called for is meant for it: it has to be there as soon as the site is.
  fetchAhead(load, whenPageIsIdle);
  return defineAsyncComponent(load);
}
