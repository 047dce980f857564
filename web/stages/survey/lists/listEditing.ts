import type { InjectionKey, Ref } from 'vue';
import type { ShownColumn, ShownRow } from '#core/lists';

/** Where the hand goes once a cell is taken. */
export type Then = 'stay' | 'down' | 'right';

/** How cells are changed in place, known to each cell without the table between having a part in it. */
export interface ListEditing {
  editing: Ref<{ rowId: string; key: string } | null>;
  begin: (rowId: string, column: ShownColumn) => void;
  take: (rowId: string, key: string, text: string, then: Then) => void;
  leave: (rowId: string, key: string) => void;
  onKey: (event: KeyboardEvent, row: ShownRow, column: ShownColumn) => void;
}

export const listEditing: InjectionKey<ListEditing> = Symbol('list editing');
