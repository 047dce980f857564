import { shallowRef, watch } from 'vue';
import type { Diagnosis } from '#core/findings';
import { useEvaluation } from '../../stores/evaluation';
import { useSelection } from '../../stores/selection';

/** The diagnosis of the run in hand, worked out in the worker and following its readings. */
export function useDiagnosis() {
  const evaluation = useEvaluation();
  const selection = useSelection();
  const diagnosis = shallowRef<Diagnosis | null>(null);
  watch(() => selection.current, async (current) => {
    if (!current) {
      diagnosis.value = null;
      return;
    }
    const found = await evaluation.diagnosis(current.run.id);
    if (selection.current === current) diagnosis.value = found;
  }, { immediate: true });
  return diagnosis;
}
