import { computed, ref } from 'vue';
import type { Block, ShownColumn, ShownRow } from '#core/survey/lists';

export interface CellAt {
  rowId: string;
  key: string;
}

/** The cell in hand and the block that reaches from it, over the rows and columns as they stand now. */
export function useCellRange(rows: () => readonly ShownRow[], columns: () => readonly ShownColumn[]) {
  const inHand = ref<CellAt | null>(null);
  /** Where the block began; without one it is the one cell in hand. */
  const began = ref<CellAt | null>(null);
  const rowAt = computed(() => new Map(rows().map(({ id }, at) => [id, at])));
  const columnAt = computed(() => new Map(columns().map(({ key }, at) => [key, at])));

  const spot = (cell: CellAt | null): { row: number; column: number } | null => {
    const row = cell && rowAt.value.get(cell.rowId);
    const column = cell && columnAt.value.get(cell.key);
    return typeof row === 'number' && typeof column === 'number' ? { row, column } : null;
  };
  const span = computed(() => {
    const to = spot(inHand.value);
    const from = spot(began.value) ?? to;
    return from && to
      ? {
          top: Math.min(from.row, to.row),
          bottom: Math.max(from.row, to.row),
          left: Math.min(from.column, to.column),
          right: Math.max(from.column, to.column),
        }
      : null;
  });
  const block = computed<Block>(() => {
    const at = span.value;
    return at
      ? { rows: rows().slice(at.top, at.bottom + 1), columns: columns().slice(at.left, at.right + 1) }
      : { rows: [], columns: [] };
  });
  const isSeveral = computed(() => block.value.rows.length * block.value.columns.length > 1);
  /** The same set while the same columns are in the block, so that only rows at its edge are drawn anew. */
  const keys = computed<ReadonlySet<string>>(() => new Set(block.value.columns.map(({ key }) => key)));
  const none: ReadonlySet<string> = new Set();
  function keysIn(rowId: string): ReadonlySet<string> {
    const row = rowAt.value.get(rowId);
    const at = span.value;
    return isSeveral.value && at && row !== undefined && row >= at.top && row <= at.bottom
      ? keys.value
      : none;
  }

  /** Takes a cell in hand; `extend` keeps where the block began. */
  function take(cell: CellAt, extend: boolean): void {
    began.value = extend ? (began.value ?? inHand.value) : null;
    inHand.value = cell;
  }

  /** The cell that a key leads to from the one in hand, also where it is not drawn. */
  function towards({ key, ctrlKey, metaKey }: KeyboardEvent, rowsAPage: number): CellAt | null {
    const at = spot(inHand.value);
    if (!at) return null;
    const [lastRow, lastColumn] = [rows().length - 1, columns().length - 1];
    const whole = ctrlKey || metaKey;
    const steps: Record<string, [number, number]> = {
      ArrowDown: [whole ? lastRow : at.row + 1, at.column],
      ArrowUp: [whole ? 0 : at.row - 1, at.column],
      ArrowRight: [at.row, whole ? lastColumn : at.column + 1],
      ArrowLeft: [at.row, whole ? 0 : at.column - 1],
      Home: [whole ? 0 : at.row, 0],
      End: [whole ? lastRow : at.row, lastColumn],
      PageDown: [at.row + rowsAPage, at.column],
      PageUp: [at.row - rowsAPage, at.column],
    };
    const step = steps[key];
    if (!step) return null;
    const row = rows()[Math.min(lastRow, Math.max(0, step[0]))];
    const column = columns()[Math.min(lastColumn, Math.max(0, step[1]))];
    return row && column ? { rowId: row.id, key: column.key } : null;
  }

  return { inHand, block, isSeveral, keysIn, take, towards, spot };
}
