import { shallowRef, watch } from 'vue';
import type { RunDiagnostics } from '#core/evaluate';
import { useEvaluation } from '../../stores/evaluation';
import { useSelection } from '../../stores/selection';

/** A close look at the run in hand, worked out in the worker and following its readings. */
export function useRunDiagnostics() {
  const evaluation = useEvaluation();
  const selection = useSelection();
  const diagnostics = shallowRef<RunDiagnostics | null>(null);
  watch(
    () => selection.current,
    async (current) => {
      if (!current) {
        diagnostics.value = null;
        return;
      }
      const found = await evaluation.diagnostics(current.run.id);
      if (selection.current === current) diagnostics.value = found;
    },
    { immediate: true },
  );
  return diagnostics;
}
