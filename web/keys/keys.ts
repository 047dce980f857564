import { createSharedComposable, useEventListener, useLocalStorage } from '@vueuse/core';
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

/** How keys of one letter are pressed: alone, with Alt, or not at all. Who speaks to the machine would set them off by chance. */
export const letterKeyWays = ['alone', 'with-alt', 'off'] as const;
export type LetterKeys = (typeof letterKeyWays)[number];
export const useLetterKeys = createSharedComposable(() =>
  useLocalStorage<LetterKeys>('neotrope-letter-keys', 'alone'),
);

/** The letter or figure of a key, whatever Alt makes of it. */
const plainKey = ({ code, key, shiftKey }: KeyboardEvent): string => {
  const letter = /^(?:Key([A-Z])|Digit(\d))$/.exec(code);
  if (!letter) return key;
  return letter[2] ?? (shiftKey ? letter[1]! : letter[1]!.toLowerCase());
};

/** Whether a key of one letter is meant as one. */
function isMeant(event: KeyboardEvent, way: LetterKeys): boolean {
  const isLetter = event.key.length === 1 && event.key !== ' ' && !event.ctrlKey && !event.metaKey;
  if (!isLetter) return !event.altKey;
  return way === 'alone' ? !event.altKey : way === 'with-alt' && event.altKey;
}

/** How much has been asked for that is still being fetched. */
let coming = 0;

/** Keys do nothing until what was asked for is there: whoever goes on typing means that, and no other view. */
export function holdKeys(until: Promise<unknown>): void {
  coming += 1;
  const release = (): void => {
    coming -= 1;
  };
  until.then(release, release);
}

/**
 * Listens once for the whole page. Keys with Ctrl and Meta stay the browser's, but for undo, redo and the search. Escape leaves a field:
 * what is pressed then is a key again.
 */
export function useKeyListener(): void {
  const way = useLetterKeys();
  useEventListener(window, 'keydown', (event) => {
    if (event.defaultPrevented || document.querySelector('[role="dialog"]')) return;
    const isSearch = (event.ctrlKey || event.metaKey) && event.key === 'k';
    if (isTyping(event.target) && !isSearch) {
      if (event.key === 'Escape') (event.target as HTMLElement).blur();
      return;
    }
    if (!isMeant(event, way.value) || pressesIt(event)) return;
    const chord =
      (event.ctrlKey || event.metaKey ? 'Ctrl+' : '') +
      (event.shiftKey && event.key.length > 1 ? 'Shift+' : '') +
      (event.altKey ? plainKey(event) : event.key);
    const action = [...actions].reverse().find(({ keys }) => keys.includes(chord));
    if (!action) return;
    event.preventDefault();
    if (coming === 0) action.run();
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
  'Ctrl+k': 'Ctrl K',
  Escape: 'Esc',
  ' ': 'space',
};

/** The spellings of an action as a person knows them, each once. */
export const keyNames = (keys: readonly string[]): string[] => [
  ...new Set(keys.map((key) => names[key] ?? key)),
];
