<script setup lang="ts">
import { computed, defineAsyncComponent, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { counted } from '#core/shared/labels';
import { useKeys } from '../../keys/keys';
import NextStep from '../../parts/NextStep.vue';
import ViewTabs from '../../parts/ViewTabs.vue';
import { useEvaluation } from '../../stores/evaluation';
import { useSignOff } from '../../stores/signOff';
import AcceptanceView from './AcceptanceView.vue';
import { isSignoffView, signoffViews, type SignoffView } from './views';

const PicturesView = defineAsyncComponent(() => import('./PicturesView.vue'));
const PunchView = defineAsyncComponent(() => import('./PunchView.vue'));
const SignView = defineAsyncComponent(() => import('./SignView.vue'));
const YearlyView = defineAsyncComponent(() => import('./YearlyView.vue'));
const PolicyView = defineAsyncComponent(() => import('./PolicyView.vue'));

/** The end of the work: what was read of everything, against what is wanted and what was predicted, and who accepts it. */
const route = useRoute();
const router = useRouter();
const signOff = useSignOff();
const evaluation = useEvaluation();
const view = computed<SignoffView>(() =>
  isSignoffView(route.query['view']) ? route.query['view'] : 'acceptance',
);
/** What is in hand stays so in every view. */
function show(next: SignoffView): void {
  const { of } = route.query;
  const query = { ...(of === undefined ? {} : { of }), ...(next === 'acceptance' ? {} : { view: next }) };
  void router.push({ ...route, query });
}

watch(() => evaluation.result, signOff.look, { immediate: true });

const sums = computed(() => {
  const { now } = signOff;
  if (!now) return '';
  const { totals, agreement } = now;
  return [
    `${totals.accepted} of ${totals.things} accepted`,
    ...(totals.unread > 0 ? [`${totals.unread} checks to make`] : []),
    ...(totals.fails > 0 ? [`${totals.fails} ${totals.fails === 1 ? 'does' : 'do'} not hold`] : []),
    ...(totals.punch > 0 ? [`${counted(totals.punch, 'item')} on the punch list`] : []),
    ...(agreement.of > 0 ? [`${agreement.inside} of ${agreement.of} inside the 90 % interval`] : []),
  ].join(', ');
});
const unsafe = computed(() => signOff.now?.totals.unsafe ?? 0);

useKeys(
  signoffViews.map(({ id, label, key }) => ({
    keys: [key],
    label: label.toLowerCase(),
    group: 'Sign off',
    run: () => show(id),
  })),
);
</script>

<template>
  <div class="signoff">
    <div class="row head no-print">
      <h1>Sign off</h1>
      <ViewTabs :views="signoffViews" :view="view" label="Views of the sign-off" @show="show" />
      <span class="push" />
      <span class="dim sums" role="status" data-sums>{{ sums }}</span>
    </div>
    <p v-if="unsafe > 0" class="stop" role="alert">
      {{ counted(unsafe, 'item') }} on the punch list {{ unsafe === 1 ? 'is' : 'are' }} unsafe. Keep people
      away, isolate it, and have it mended before anything else.
    </p>
    <p v-if="!signOff.now" class="empty" aria-busy="true">What is asked for is worked out…</p>
    <div v-else-if="signOff.now.things.length === 0 && view !== 'policy'" class="empty">
      <strong>There is nothing to accept yet.</strong>What has to be read follows from what is decided for
      each camera.<br />
      <NextStep stage="decide" :keys="['3']" label="Decide" />
    </div>
    <template v-else>
      <AcceptanceView v-if="view === 'acceptance'" class="view" :now="signOff.now" />
      <PicturesView v-else-if="view === 'pictures'" class="view" :now="signOff.now" />
      <PunchView v-else-if="view === 'punch'" class="view" :now="signOff.now" />
      <SignView v-else-if="view === 'sign'" class="view" :now="signOff.now" />
      <YearlyView v-else-if="view === 'yearly'" class="view" :now="signOff.now" />
      <PolicyView v-else class="view" />
    </template>
  </div>
</template>

<style scoped>
.signoff {
  display: flex;
  flex-direction: column;
  height: 100%;
  min-height: 0;
}
.head {
  gap: 4px 18px;
  flex-wrap: wrap;
  padding-bottom: 8px;
}
.view {
  flex: 1;
  min-height: 0;
}
@media (max-width: 1000px) {
  .signoff {
    height: auto;
  }
}
</style>
