<script setup lang="ts">
import { computed } from 'vue';
import { demand, policies, withPolicy, type PolicyCost } from '#core/decide/plan';
import { aboutOf, withFields, type Demands, type PolicyId } from '#core/model/site';
import { formatQuantity } from '#core/shared/units';
import FieldRow from '../../../parts/FieldRow.vue';
import PickField from '../../../parts/PickField.vue';
import QuantityField from '../../../parts/QuantityField.vue';
import { fitting } from '../../../parts/within';
import { useSite } from '../../../stores/site';
import { useOpenSite } from '../../../stores/openSite';

/** What a plan has to heed: the goal, the figures it may rest on, caps, and a way of each policy with whom it suits. */
const { demands, costs } = defineProps<{ demands: Demands; costs: readonly PolicyCost[] }>();
const store = useSite();
const openSite = useOpenSite();

const goals: { value: Demands['goal']; label: string }[] = [
  { value: 'ip', label: 'Every camera to IP that can' },
  { value: 'view', label: 'Give each view what it needs' },
  { value: 'mend', label: 'Mend what does not hold' },
];
const figures: { value: Demands['figures']; label: string }[] = [
  { value: 'as-known', label: 'Best available' },
  { value: 'pessimistic', label: 'Unmeasured figures at their worst' },
  { value: 'measured-only', label: 'Measured figures only' },
];

function set(what: string, next: Demands): void {
  store.change(`Demand: ${what}`, [demand(next)]);
}
const cap = (name: keyof Demands['caps'], what: string, value: number | undefined) =>
  set(what, { ...demands, caps: withFields(demands.caps, { [name]: value }) });
const options = computed(() =>
  policies.map((policy) => {
    const now = policy.options.find(({ id }) => id === demands.policies[policy.id])!;
    return {
      ...policy,
      now,
      choices: policy.options.map(({ id, label }) => ({ value: id, label })),
      others: costs.filter((cost) => cost.policy === policy.id && !cost.chosen),
    };
  }),
);
const labelOf = (policy: PolicyId, option: string) =>
  policies.find(({ id }) => id === policy)!.options.find(({ id }) => id === option)!.label;
const signed = (value: number) => `${value < 0 ? '' : '+'}${formatQuantity(value, 'money')}`;
function costWords({ policy, option, moreCost, changed, moreIp }: PolicyCost): string {
  if (moreCost === null) return `${labelOf(policy, option)}: nothing can be planned so`;
  return `${labelOf(policy, option)}: ${signed(moreCost)}${changed ? `, ${changed} camera${changed === 1 ? '' : 's'} change` : ', no camera changes'}${moreIp ? `, ${moreIp > 0 ? '+' : '−'}${Math.abs(moreIp)} on IP` : ''}`;
}
</script>

<template>
  <section class="demands" aria-label="What is demanded">
    <FieldRow label="Goal"
      ><PickField
        :value="demands.goal"
        :choices="goals"
        label="Goal"
        @take="(goal) => set('goal', { ...demands, goal })"
    /></FieldRow>
    <FieldRow label="Data basis"
      ><PickField
        :value="demands.figures"
        :choices="figures"
        label="Figures to rest on"
        @take="(next) => set('figures', { ...demands, figures: next })"
    /></FieldRow>
    <FieldRow label="Costs at most"
      ><QuantityField
        :value="demands.caps.cost ?? null"
        unit=""
        label="Cap on cost"
        :allowed="fitting('demands', 'caps.cost')"
        clearable
        placeholder="no cap"
        @take="(value) => cap('cost', 'cap on cost', value)"
        @clear="cap('cost', 'no cap on cost', undefined)"
      /><span class="dim tiny">{{ aboutOf(openSite).currency }}</span></FieldRow
    >
    <FieldRow label="Downtime at most"
      ><QuantityField
        :value="demands.caps.darkHours ?? null"
        unit="h"
        label="Cap on dark hours"
        :allowed="fitting('demands', 'caps.darkHours', 'h')"
        clearable
        placeholder="no cap"
        @take="(value) => cap('darkHours', 'cap on dark hours', value)"
        @clear="cap('darkHours', 'no cap on dark hours', undefined)"
    /></FieldRow>
    <FieldRow label="Labour at most"
      ><QuantityField
        :value="demands.caps.hours ?? null"
        unit="h"
        label="Cap on labour"
        :allowed="fitting('demands', 'caps.hours', 'h')"
        clearable
        placeholder="no cap"
        @take="(value) => cap('hours', 'cap on labour', value)"
        @clear="cap('hours', 'no cap on labour', undefined)"
    /></FieldRow>
    <FieldRow label="Safety margin"
      ><QuantityField
        :value="demands.sparePercent"
        unit="%"
        label="Share of every limit left to spare"
        :allowed="fitting('demands', 'sparePercent', '%')"
        @take="(sparePercent) => set('left to spare', { ...demands, sparePercent })"
    /></FieldRow>
    <FieldRow label="Spare slots"
      ><QuantityField
        :value="demands.spareSlots"
        unit=""
        label="Recorder slots left free"
        :allowed="fitting('demands', 'spareSlots')"
        @take="(spareSlots) => set('spare slots', { ...demands, spareSlots })"
    /></FieldRow>
    <FieldRow label="Over years"
      ><QuantityField
        :value="demands.years"
        unit=""
        label="Years that are looked at"
        :allowed="fitting('demands', 'years')"
        @take="(years) => set('years', { ...demands, years })"
    /></FieldRow>
    <h2 class="minor">Design preferences</h2>
    <div v-for="policy in options" :key="policy.id" class="policy" :data-policy="policy.id">
      <FieldRow :label="policy.label"
        ><PickField
          :value="policy.now.id"
          :choices="policy.choices"
          :label="policy.label"
          @take="(option) => set(policy.label.toLowerCase(), withPolicy(demands, policy.id, option))"
      /></FieldRow>
      <p class="tiny dim">Suits {{ policy.now.suits }}; {{ policy.now.does }}.</p>
      <p v-for="cost in policy.others" :key="cost.option" class="tiny cost mono">{{ costWords(cost) }}</p>
    </div>
  </section>
</template>

<style scoped>
.demands {
  overflow: hidden auto;
  scrollbar-width: thin;
  padding-right: 8px;
  display: grid;
  gap: 2px;
  align-content: start;
}
.minor {
  padding: 8px 0 2px;
  border-top: 1px solid var(--rule);
  margin-top: 6px;
}
.policy {
  padding-bottom: 5px;
}
.policy .tiny {
  padding-left: 112px;
  line-height: 1.25;
}
.cost {
  color: var(--copper);
  font-size: 10px;
}
</style>
