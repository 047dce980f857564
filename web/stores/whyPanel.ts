import { defineStore } from 'pinia';
import { shallowRef, watch } from 'vue';
import type { Subject } from '#core/evaluate';
import type { Derivation } from '#core/shared/derivation';
import { useEvaluation } from './evaluation';

/** The panel that shows how a figure was reached. It follows the figure as readings move it. */
export const useWhyPanel = defineStore('why', () => {
  const evaluation = useEvaluation();
  const subject = shallowRef<Subject | null>(null);
  const derivation = shallowRef<Derivation | null>(null);

  watch([subject, () => evaluation.result], async ([asked]) => {
    if (!asked) {
      derivation.value = null;
      return;
    }
    const found = await evaluation.why(asked);
    if (subject.value === asked) derivation.value = found;
  });

  function ask(next: Subject): void {
    subject.value = next;
  }
  function close(): void {
    subject.value = null;
  }
  return { subject, derivation, ask, close };
});
