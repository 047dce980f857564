import { shallowRef, watch, type ShallowRef } from 'vue';
import type { RoundAim, SiteRound } from '#core/evaluate';
import { useEvaluation } from '../../stores/evaluation';

/** The best round in so many minutes, planned anew after every reading. */
export function useRound(
  minutesMost: () => number,
  aim: () => RoundAim,
): Readonly<ShallowRef<SiteRound | null>> {
  const evaluation = useEvaluation();
  const round = shallowRef<SiteRound | null>(null);
  watch(
    [() => evaluation.result, minutesMost, aim],
    async () => {
      const [minutes, wanted] = [minutesMost(), aim()];
      const answer = await evaluation.round(minutes, wanted);
      // An answer to what is not asked any more is late.
      if (minutes === minutesMost() && wanted === aim()) round.value = answer;
    },
    { immediate: true },
  );
  return round;
}
