<script setup lang="ts">
import { computed } from 'vue';
import {
  withRoutes,
  lengthClaims,
  lengthDisputes,
  routeLengthM,
  withLengthBy,
  type LengthClaim,
} from '#core/survey/drawing';
import { fieldKey } from '#core/survey/gaps';
import { withMeasured, type FactUpdate, type Run, type Segment } from '#core/model/site';
import { choices } from '#core/model/labels';
import FieldRow from '../../parts/FieldRow.vue';
import PickField from '../../parts/PickField.vue';
import PicksField from '../../parts/PicksField.vue';
import QuantityField from '../../parts/QuantityField.vue';
import { fitting } from '../../parts/within';
import { useMeasures } from '../../stores/measures';
import { useOpenSite } from '../../stores/openSite';

/** All the ways in which a segment's length is known, which of them counts, and where they contradict each other. */
const { index, segment } = defineProps<{ index: number; segment: Segment }>();
const emit = defineEmits<{ change: [what: string, next: FactUpdate<Run>] }>();
const openSite = useOpenSite();
const own = useMeasures();

const claims = computed(() => lengthClaims(openSite.value, segment));
const disputes = computed(() => lengthDisputes(openSite.value, { segments: [segment] }));
const routes = computed(() =>
  Object.values(openSite.value.route).map((route) => {
    const lengthM = routeLengthM(route, openSite.value.drawing[route.drawingId]!);
    return {
      value: route.id,
      label:
        lengthM === null ? `${route.name}, no scale yet` : `${route.name}, ${own.quantity(lengthM, 'm')}`,
    };
  }),
);
const words = ({ by, lengthM, spreadM }: LengthClaim) =>
  `${choices.lengthFrom.find(({ value }) => value === by)?.label} ${own.quantity(lengthM, 'm')} ± ${own.quantity(spreadM, 'm')}`;

function follow(routeIds: string[]): void {
  emit('change', 'Route', (now) => withRoutes(openSite.value, now, index, routeIds));
}
</script>

<template>
  <FieldRow label="Length by" :field="fieldKey('length', index)"
    ><PickField
      :value="segment.lengthFrom"
      :choices="choices.lengthFrom"
      :label="`Length of segment ${index + 1} by`"
      @take="(by) => emit('change', 'Length source', (now) => withLengthBy(openSite, now, index, by))"
  /></FieldRow>
  <FieldRow v-if="routes.length > 0" label="Drawn along" :field="fieldKey('length', index)"
    ><PicksField
      :values="segment.routeIds ?? []"
      :choices="routes"
      :label="`Routes of segment ${index + 1}`"
      placeholder="No route"
      @take="follow"
  /></FieldRow>
  <FieldRow label="Reflectometer" :field="fieldKey('length', index)"
    ><QuantityField
      :value="segment.measured?.lengthM ?? null"
      unit="m"
      :label="`Reflectometer length of segment ${index + 1}`"
      placeholder="not measured"
      :allowed="fitting('run', 'segments.measured.lengthM', 'm')"
      @take="(lengthM) => emit('change', 'Reflectometer', (now) => withMeasured(now, index, lengthM))"
  /></FieldRow>
  <p v-if="claims.length > 1 && disputes.length === 0" class="known tiny dim">
    {{ claims.map(words).join('; ') }}: they agree.
  </p>
  <FieldRow v-if="disputes.length > 0" label="They contradict" :field="fieldKey('dispute', index)">
    <span class="dispute" role="status"
      ><span v-for="dispute in disputes" :key="dispute.a.by + dispute.b.by"
        >{{ words(dispute.a) }} and {{ words(dispute.b) }} are {{ own.quantity(dispute.apartM, 'm') }} apart,
        more than the {{ own.quantity(dispute.allowedM, 'm') }} that their uncertainty allows. Look again at
        the marks, the drawing’s scale, rises and slack, or the velocity factor.</span
      ></span
    >
  </FieldRow>
</template>

<style scoped>
.known {
  margin: 1px 0 3px 112px;
}
.dispute {
  display: grid;
  gap: 4px;
  border-left: 3px solid var(--ochre);
  padding: 3px 8px;
  font-size: 12px;
}
</style>
