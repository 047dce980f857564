import { computed, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { thingKey, type ThingState } from '#core/signoff/acceptance';
import { useOpenSite } from '../../stores/openSite';
import { useSelection } from '../../stores/selection';

/** What is in hand of all that is accepted: what was picked here, or the camera of the run in hand. */
export function useThingInHand(things: () => readonly ThingState[]) {
  const route = useRoute();
  const router = useRouter();
  const selection = useSelection();
  const openSite = useOpenSite();

  const thing = computed(() => {
    const { of } = route.query;
    const found = things().find((one) => thingKey(one.of) === of);
    if (found) return found;
    const cameraId = selection.current?.camera.id;
    return things().find((one) => one.of.kind === 'camera' && one.of.id === cameraId) ?? null;
  });
  const withoutOf = () => {
    const { of: _of, ...query } = route.query;
    return query;
  };
  function pick({ of }: ThingState): void {
    const run =
      of.kind === 'camera' ? Object.values(openSite.value.run).find((one) => one.cameraId === of.id) : null;
    void router.push({
      name: 'signoff',
      params: { ...route.params, ...(run ? { runId: run.id } : {}) },
      query: run ? withoutOf() : { ...withoutOf(), of: thingKey(of) },
    });
  }
  // A run that is taken in hand elsewhere goes before what was picked here.
  watch(
    () => selection.runId,
    () => {
      if (route.query['of'] !== undefined) void router.replace({ ...route, query: withoutOf() });
    },
  );
  return { thing, pick };
}
