<script setup lang="ts">
import { proofWords, type PlanTotals } from '#core/decide/plan';
import type { Proof } from '#core/model/site';
import { formatQuantity } from '#core/shared/units';
import { useMeasures } from '../../../stores/measures';

/** What a plan comes to, in a line, and how sure it is that nothing is better. */
defineProps<{ totals: PlanTotals; proof: Proof; currency: string; years: number }>();
const own = useMeasures();
</script>

<template>
  <p class="totals">
    <b class="proof" :class="proof.kind" :data-plan-weighed="totals.weighed">{{
      proofWords(proof, totals)
    }}</b>
    <span
      ><span class="tiny dim">{{ currency }}</span>
      <b class="mono" data-plan-cost>{{ formatQuantity(totals.cost, 'money') }}</b></span
    >
    <span
      ><span class="tiny dim">due in {{ years }} years</span>
      <b class="mono">{{ formatQuantity(totals.renewCost, 'money') }}</b></span
    >
    <span
      ><span class="tiny dim">labour</span> <b class="mono">{{ formatQuantity(totals.hours, 'h') }}</b></span
    >
    <span
      ><span class="tiny dim">downtime</span>
      <b class="mono">{{ formatQuantity(totals.darkHours, 'h') }}</b></span
    >
    <span
      ><span class="tiny dim">on IP</span>
      <b class="mono">{{ totals.ipCameras }} of {{ totals.cameras }}</b></span
    >
    <span
      ><span class="tiny dim">new cable</span>
      <b class="mono">{{ own.quantity(totals.newCableM, 'm') }}</b></span
    >
    <span
      ><span class="tiny dim">smallest margin</span>
      <b class="mono">{{ formatQuantity(totals.sparePercent, '%') }}</b></span
    >
  </p>
</template>

<style scoped>
.totals {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: baseline;
}
.totals > span {
  display: inline-flex;
  gap: 4px;
  align-items: baseline;
}
.totals b {
  font-weight: 500;
}
.proof {
  border-bottom: 2px solid var(--ochre);
  font-weight: 600 !important;
}
.proof.proven {
  border-color: var(--verdigris);
}
</style>
