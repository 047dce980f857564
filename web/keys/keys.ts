import { useEventListener } from '@vueuse/core';
import { computed, onScopeDispose, shallowReactive } from 'vue';

/** A key and what it does, as the sheet under `?` lists it. */
export interface KeyAction {
  /** As `KeyboardEvent.key` says it: `j`, `ArrowDown`, `?`. Several spellings of one action share a line. */
  keys: string[];
  label: string;
  group: string;
  run: () => void;
}

const actions = shallowReactive<Set<KeyAction>>(new Set());

export const keyActions = computed(() => [...actions]);

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable ||
    target.matches('input, textarea, select, [role="combobox"], [role="listbox"], [role="option"]'));

/** A focused button or link is pressed by Enter and space. What is in hand already, a run in the list or a tag that is carried, lets Enter past. */
const pressesIt = ({ key, target }: KeyboardEvent): boolean =>
  (key === 'Enter' || key === ' ') &&
  target instanceof HTMLElement &&
  target.matches('button:not(.run, [aria-pressed="true"]), a, summary');

/** Adds keys for as long as the component that asks for them is there. The last one to ask for a key gets it. */
export function useKeys(added: KeyAction[]): void {
  for (const action of added) actions.add(action);
  onScopeDispose(() => added.forEach((action) => actions.delete(action)));
}

/** Listens once for the whole page. Keys with Ctrl, Alt or Meta stay the browser's, but for undo and redo. */
export function useKeyListener(): void {
  useEventListener(window, 'keydown', (event) => {
    if (event.defaultPrevented || isTyping(event.target) || document.querySelector('[role="dialog"]')) return;
    if (event.altKey || pressesIt(event)) return;
    const chord =
      (event.ctrlKey || event.metaKey ? 'Ctrl+' : '') +
      (event.shiftKey && event.key.length > 1 ? 'Shift+' : '') +
      event.key;
    const action = [...actions].reverse().find(({ keys }) => keys.includes(chord));
    if (!action) return;
    event.preventDefault();
    action.run();
  });
}

const names: Record<string, string> = {
  ArrowDown: '↓',
  ArrowUp: '↑',
  ArrowLeft: '←',
  ArrowRight: '→',
  'Ctrl+z': 'Ctrl Z',
  'Ctrl+Z': 'Ctrl Shift Z',
  'Ctrl+Shift+z': 'Ctrl Shift Z',
  'Ctrl+y': 'Ctrl Y',
  Escape: 'Esc',
  ' ': 'space',
};

/** The spellings of an action as a person knows them, each once. */
export const keyNames = (keys: readonly string[]): string[] => [
  ...new Set(keys.map((key) => names[key] ?? key)),
];
