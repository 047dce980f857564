import { shallowRef, watch, type ShallowRef } from 'vue';
import type { NetworkMoment, RoomPicture } from '#core/evaluate';
import { useEvaluation } from '../../stores/evaluation';

/** Watts, racks and what is freed at a moment, worked out anew whenever the site changes. */
export function useRooms(moment: () => NetworkMoment): Readonly<ShallowRef<RoomPicture | null>> {
  const evaluation = useEvaluation();
  const rooms = shallowRef<RoomPicture | null>(null);
  watch(
    [() => evaluation.result, moment],
    async () => {
      const asked = moment();
      const answer = await evaluation.rooms(asked);
      // An answer to what is not asked any more is late.
      if (asked === moment()) rooms.value = answer;
    },
    { immediate: true },
  );
  return rooms;
}
