import { shallowRef, watch } from 'vue';
import type { RunDiagnostics } from '#core/evaluate';
import { useEvaluation } from '../../stores/evaluation';
import { useSelection } from '../../stores/selection';

/** A close look at the run in hand, worked out in the worker and following its readings. */
export function useRunDiagnostics() {
  const evaluation = useEvaluation();
  const selection = useSelection();
  const insight = shallowRef<RunDiagnostics | null>(null);
  watch(
    () => selection.current,
    async (current) => {
      if (!current) {
        insight.value = null;
        return;
      }
      const found = await evaluation.insight(current.run.id);
      if (selection.current === current) insight.value = found;
    },
    { immediate: true },
  );
  return insight;
}
