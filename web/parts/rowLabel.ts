import { inject, useId, type InjectionKey } from 'vue';

/** What a row of a form gives the control in it: ids that tie the two together, for the first control that asks. */
export interface RowLabel {
  controlId: string;
  claim: () => boolean;
}
export const rowLabel: InjectionKey<RowLabel> = Symbol('row label');

/** A row with a label and the ids that tie a control to it. */
export function newRowLabel(): RowLabel {
  const id = useId();
  let isClaimed = false;
  return {
    controlId: `${id}-control`,
    claim: () => !isClaimed && (isClaimed = true),
  };
}

/** The id that a control goes by: its row's, so that the row's label leads to it, where it is the first one there. */
export function useControlId(): string {
  const own = useId();
  const row = inject(rowLabel, null);
  return row?.claim() ? row.controlId : own;
}
