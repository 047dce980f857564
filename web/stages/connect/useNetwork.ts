import { computed, shallowRef, watch, type ComputedRef } from 'vue';
import type { TopologyLink } from '#core/connect/topology';
import type { NetworkMoment, NetworkThen } from '#core/evaluate';
import { useEvaluation } from '../../stores/evaluation';

/** The network at a moment, worked out anew whenever the site changes. */
export function useNetwork(moment: ComputedRef<NetworkMoment>): ComputedRef<NetworkThen | null> {
  const evaluation = useEvaluation();
  const network = shallowRef<NetworkThen | null>(null);
  watch(
    [() => evaluation.result, moment],
    async () => {
      const asked = moment.value;
      const answer = await evaluation.network(asked);
      // An answer to what is not asked any more is late.
      if (asked === moment.value) network.value = answer;
    },
    { immediate: true },
  );
  return computed(() => network.value);
}

/** What a link is, in a line. */
export const linkInWords = ({ lengthM, standing }: TopologyLink, label: string): string =>
  [label, lengthM > 0 ? `${lengthM} m` : '', standing === 'planned' ? 'planned' : '']
    .filter(Boolean)
    .join(', ');
