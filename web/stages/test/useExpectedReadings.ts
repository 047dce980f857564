import { ref, watch } from 'vue';
import type { readingsExpected } from '#core/evaluate';
import { useEvaluation } from '../../stores/evaluation';
import { useSelection } from '../../stores/selection';

/** Where the figures of the run in hand are expected, worked out in the worker and following its readings. */
export function useExpectedReadings() {
  const evaluation = useEvaluation();
  const selection = useSelection();
  const expected = ref<ReturnType<typeof readingsExpected>>({});
  watch(
    () => selection.current,
    async (current, before) => {
      if (current?.run.id !== before?.run.id) expected.value = {};
      if (!current) return;
      const found = await evaluation.expected(current.run.id);
      if (selection.current === current) expected.value = found ?? {};
    },
    { immediate: true },
  );
  return expected;
}
