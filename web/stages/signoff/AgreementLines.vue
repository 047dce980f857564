<script setup lang="ts">
import type { Agreement, SharedDifference } from '#core/signoff/agreement';
import { acceptanceCheckOf } from '#core/model/site';
import { formatQuantity, type Unit } from '#core/shared/units';
import { listed } from '#core/shared/labels';

/** What readings say together: figures that are off to one side, why, and what that makes of runs still to come. */
defineProps<{ agreement: Agreement }>();

const kinWords: Record<SharedDifference['kin']['by'], string> = {
  reel: 'from the reel',
  print: 'with the print',
  installer: 'put in by',
  supply: 'on',
  place: 'at',
  cable: 'of',
};
const unitOf = ({ check }: SharedDifference): Unit => {
  const { asks } = acceptanceCheckOf(check);
  return asks.kind === 'figure' ? asks.unit : '';
};
const meetsWords = { surely: 'holds', maybe: 'holds by the middle of it', hardly: 'does not hold by it' };
/** Runs still to come that are expected elsewhere than before. */
const moved = ({ toCome }: SharedDifference) =>
  toCome.filter(({ before, now }) => Math.abs(now.value - before.value) > 0.01 * Math.abs(before.value));
const asBefore = (one: SharedDifference) => {
  const others = new Set(moved(one));
  return one.toCome.filter((next) => !others.has(next)).map(({ number }) => String(number));
};
</script>

<template>
  <div v-for="one in agreement.differences" :key="one.check + one.kin.name" class="caution" data-difference>
    <p>
      <b
        >{{ acceptanceCheckOf(one.check).label }}: cameras {{ listed(one.numbers.map(String)) }}
        {{ kinWords[one.kin.by] }} {{ one.kin.name }} read {{ Math.abs(one.percent).toFixed(0) }} %
        {{ one.percent < 0 ? 'below' : 'above' }} what was predicted.</b
      >
      {{ one.reason }}
    </p>
    <p v-for="next in moved(one)" :key="next.cameraId" class="tiny">
      {{ next.number }} is now expected at {{ formatQuantity(next.now.value, unitOf(one)) }} ({{
        formatQuantity(next.now.low, unitOf(one))
      }}
      to {{ formatQuantity(next.now.high, unitOf(one)) }}), before
      {{ formatQuantity(next.before.value, unitOf(one)) }}: {{ meetsWords[next.meets] }}.
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
