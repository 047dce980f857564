<script setup lang="ts">
import {
  differenceInWords,
  expectedInWords,
  isMoved,
  type Agreement,
  type SharedDifference,
} from '#core/signoff/agreement';
import { acceptanceCheckOf } from '#core/model/site';
import type { Unit } from '#core/shared/units';
import { listed } from '#core/shared/labels';

/** What readings say together: figures that are off to one side, why, and what that makes of runs still to come. */
defineProps<{ agreement: Agreement }>();

const unitOf = ({ check }: SharedDifference): Unit => {
  const { asks } = acceptanceCheckOf(check);
  return asks.kind === 'figure' ? asks.unit : '';
};
/** Runs still to come that are expected elsewhere than before. */
const moved = ({ toCome }: SharedDifference) => toCome.filter(isMoved);
const asBefore = (one: SharedDifference) => {
  const others = new Set(moved(one));
  return one.toCome.filter((next) => !others.has(next)).map(({ number }) => String(number));
};
</script>

<template>
  <div v-for="one in agreement.differences" :key="one.check + one.kin.name" class="caution" data-difference>
    <p>
      <b>{{ acceptanceCheckOf(one.check).label }}: {{ differenceInWords(one) }}.</b>
      {{ one.reason }}
    </p>
    <p v-for="next in moved(one)" :key="next.cameraId" class="tiny">
      {{ next.number }} {{ expectedInWords(next, unitOf(one)) }}.
    </p>
    <p v-if="asBefore(one).length > 0" class="tiny">
      {{ listed(asBefore(one)) }}, still to be read, {{ asBefore(one).length === 1 ? 'is' : 'are' }} expected
      as before.
    </p>
  </div>
</template>

<style scoped>
.caution {
  margin-bottom: 8px;
}
</style>
