<script setup lang="ts">
import { computed } from 'vue';
import { changeRoute, followRoutes, removeRoute, routeLengthM, runsEndingAt } from '#core/survey/drawing';
import type { Change, Route, Run, Site } from '#core/model/site';
import FieldRow from '../../../parts/FieldRow.vue';
import PickField from '../../../parts/PickField.vue';
import QuantityField from '../../../parts/QuantityField.vue';
import TextField from '../../../parts/TextField.vue';
import { fitting } from '../../../parts/within';
import { useMeasures } from '../../../stores/measures';

/** A route in hand: how long it is and why, and which segments follow it. */
const { site, route } = defineProps<{ site: Site; route: Route }>();
const emit = defineEmits<{ change: [label: string, changes: Change[]]; removed: [] }>();
const own = useMeasures();

const drawing = computed(() => site.drawing[route.drawingId]!);
const lengthM = computed(() => routeLengthM(route, drawing.value));
const alongM = computed(() => routeLengthM({ ...route, riseM: 0, slackPercent: 0 }, drawing.value));
const name = (run: Run, index: number) =>
  `${site.camera[run.cameraId]?.number ?? ''} ${site.camera[run.cameraId]?.name ?? ''}${run.segments.length > 1 ? `, segment ${index + 1}` : ''}`;
const numberOf = (run: Run) => site.camera[run.cameraId]?.number ?? 0;
const segments = computed(() =>
  Object.values(site.run)
    .sort((a, b) => numberOf(a) - numberOf(b))
    .flatMap((run) =>
      run.segments.map((segment, index) => ({
        run,
        index,
        follows: segment.routeIds?.includes(route.id) ?? false,
        label: name(run, index),
      })),
    ),
);
const following = computed(() => segments.value.filter(({ follows }) => follows));
/** Links between places that follow it, as they are noted in Connect. */
const links = computed(() =>
  Object.values(site.link).filter(({ routeIds = [] }) => routeIds.includes(route.id)),
);
const others = computed(() =>
  segments.value
    .filter(({ follows }) => !follows)
    .map(({ run, index, label }) => ({ value: `${run.id}/${index}`, label })),
);
/** A run whose camera the route ends at, and that follows nothing yet, most likely follows this. */
const likely = computed(() =>
  runsEndingAt(site, route.points, route.drawingId).filter(
    ({ segments: [first, ...rest] }) => rest.length === 0 && first?.routeIds === undefined,
  ),
);

const set = (what: string, fields: Parameters<typeof changeRoute>[2]) =>
  emit('change', `${what} of ${route.name}`, changeRoute(site, route, fields));
function follow(value: string): void {
  const [runId = '', index = '0'] = value.split('/');
  const run = site.run[runId];
  if (run)
    emit('change', `Run ${numberOf(run)} follows ${route.name}`, [
      followRoutes(site, run, Number(index), [...(run.segments[Number(index)]?.routeIds ?? []), route.id]),
    ]);
}
const leave = (run: Run, index: number) =>
  emit('change', `Run ${numberOf(run)} leaves ${route.name}`, [
    followRoutes(
      site,
      run,
      index,
      run.segments[index]!.routeIds!.filter((id) => id !== route.id),
    ),
  ]);
function remove(): void {
  emit('change', `Remove ${route.name}`, removeRoute(site, route));
  emit('removed');
}
</script>

<template>
  <h2>{{ route.name }}</h2>
  <p v-if="lengthM !== null && alongM !== null" class="sum">
    <b class="mono">{{ own.quantity(lengthM, 'm') }}</b>{{ ' '
    }}<span class="dim"
      >= ({{ own.quantity(alongM, 'm') }} drawn + {{ own.quantity(route.riseM, 'm') }} up and down) +
      {{ route.slackPercent }} % slack</span
    >
  </p>
  <p v-else class="caution">The drawing has no scale yet; press <kbd>s</kbd>.</p>
  <section class="fields">
    <FieldRow label="Name"
      ><TextField
        :value="route.name"
        label="Name of the route"
        :refuse="(text) => (text.length >= 1 && text.length <= 80 ? undefined : 'from 1 to 80 characters')"
        @take="(text) => set('Name', { name: text })"
    /></FieldRow>
    <FieldRow label="Rises and drops"
      ><QuantityField
        :value="route.riseM"
        unit="m"
        label="Rises and drops"
        :allowed="fitting('route', 'riseM', 'm')"
        @take="(riseM) => set('Rises', { riseM })"
    /></FieldRow>
    <FieldRow label="Slack"
      ><QuantityField
        :value="route.slackPercent"
        unit="%"
        label="Slack"
        :allowed="fitting('route', 'slackPercent', '%')"
        @take="(slackPercent) => set('Slack', { slackPercent })"
    /></FieldRow>
  </section>
  <section>
    <h3>What follows it</h3>
    <button v-for="run in likely" :key="run.id" type="button" class="btn" @click="follow(`${run.id}/0`)">
      Run {{ name(run, 0) }} follows it
    </button>
    <p v-for="{ run, index, label } in following" :key="`${run.id}/${index}`" class="follows">
      <span>{{ label }}</span><button
        type="button"
        class="plain"
        :aria-label="`${label} does not follow it`"
        @click="leave(run, index)"
      >
        ×
      </button>
    </p>
    <p v-for="link in links" :key="link.id" class="follows">
      <span>{{ link.name }}, a link</span>
    </p>
    <p v-if="following.length + links.length === 0" class="dim tiny">
      None yet. Segments that follow it share its geometry, and take their length from it unless they are
      marked or measured.
    </p>
    <PickField
      :value="null"
      :choices="others"
      label="Segment that follows it"
      placeholder="A segment more"
      @take="follow"
    />
  </section>
  <button type="button" class="btn small" @click="remove">Remove the route</button>
</template>

<style scoped>
h3 {
  padding-bottom: 3px;
  border-bottom: 1px solid var(--rule-strong);
  margin-bottom: 4px;
}
.fields :deep(.field-row) {
  grid-template-columns: 84px 1fr;
}
.sum b {
  font-size: 16px;
  font-weight: 500;
}
.follows {
  display: flex;
  justify-content: space-between;
  padding: 3px 2px;
  border-bottom: 1px solid var(--rule);
}
section .btn {
  margin: 2px 0 6px;
  white-space: normal;
  text-align: left;
}
section :deep(.p-select) {
  width: 100%;
  margin-top: 6px;
}
.btn.small {
  align-self: start;
}
</style>
