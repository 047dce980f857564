import { shallowRef, watch, type ShallowRef } from 'vue';
import type { SiteRound } from '#core/evaluate';
import { useEvaluation } from '../../stores/evaluation';

/** The best round in so many minutes, planned anew after every reading. */
export function useRound(minutesMost: () => number): Readonly<ShallowRef<SiteRound | null>> {
  const evaluation = useEvaluation();
  const round = shallowRef<SiteRound | null>(null);
  watch(
    [() => evaluation.result, minutesMost],
    async () => {
      const asked = minutesMost();
      const answer = await evaluation.round(asked);
      // An answer to what is not asked any more is late.
      if (asked === minutesMost()) round.value = answer;
    },
    { immediate: true },
  );
  return round;
}
