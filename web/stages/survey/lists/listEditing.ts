import type { InjectionKey, Ref } from 'vue';
import type { ShownColumn } from '#core/survey/lists';

/** Where the hand goes once a cell is taken. */
export type Then = 'stay' | 'down' | 'right';

/** A column and where it begins, in pixels from the left of the table. */
export interface LaidColumn {
  column: ShownColumn;
  x: number;
  isFrozen: boolean;
}

/** How cells are changed in place, known to each row without the table between having a part in it. */
export interface ListEditing {
  editing: Ref<{ rowId: string; key: string } | null>;
  begin: (rowId: string, column: ShownColumn) => void;
  take: (rowId: string, key: string, text: string, then: Then) => void;
  leave: (rowId: string, key: string) => void;
  onKey: (event: KeyboardEvent, rowId: string, column: ShownColumn) => void;
}

export const listEditing: InjectionKey<ListEditing> = Symbol('list editing');
