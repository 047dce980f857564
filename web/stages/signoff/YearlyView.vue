<script setup lang="ts">
import { computed, ref } from 'vue';
import type { SignOff } from '#core/evaluate';
import type { Drift } from '#core/signoff/yearly';
import { foundInWords, thingKey, type CheckState } from '#core/signoff/acceptance';
import { acceptanceCheckOf, type AcceptanceFound } from '#core/model/site';
import QuantityField from '../../parts/QuantityField.vue';
import TextField from '../../parts/TextField.vue';
import { thingLabel, useSignOff } from '../../stores/signOff';
import SoakEntry from './SoakEntry.vue';

/** Everything that was accepted, read again: the reading it was accepted by, the one now, how far it went, and what to do. */
const { now } = defineProps<{ now: SignOff }>();
const signOff = useSignOff();
const problem = ref('');
const isWithDrift = ref(false);

const stateWords: Record<Drift['state'], string> = {
  'to-read': 'to read',
  'as-accepted': 'as accepted',
  drifts: 'drifts',
  fails: 'does not hold',
};
const checkOf = ({ of, check }: Drift): CheckState | undefined =>
  signOff.byKey.get(thingKey(of))?.checks.find((one) => one.check === check);
const words = (drift: Drift, found: AcceptanceFound): string => {
  const check = checkOf(drift);
  return check ? foundInWords(found, check.limit) : '';
};
const rows = computed(() =>
  now.yearly.filter(({ state }) => !isWithDrift.value || state === 'drifts' || state === 'fails'),
);
function take(drift: Drift, found: AcceptanceFound): void {
  const thing = signOff.byKey.get(thingKey(drift.of));
  if (thing) problem.value = signOff.read(thing, drift.check, found, { occasion: 'yearly' });
}
const labelOf = ({ of }: Drift): string => {
  const thing = signOff.byKey.get(thingKey(of));
  return thing ? thingLabel(thing) : of.id;
};
const unitOf = ({ check }: Drift) => {
  const { asks } = acceptanceCheckOf(check);
  return asks.kind === 'figure' ? asks.unit : null;
};
</script>

<template>
  <div class="yearly" tabindex="0" role="region" aria-label="Yearly check">
    <p v-if="problem" class="stop" role="alert">{{ problem }}</p>
    <p v-if="now.yearly.length === 0" class="empty">
      <strong>Nothing is accepted yet.</strong>Once it is, the readings it was accepted by are what is read
      again every year.
    </p>
    <template v-else>
      <label class="only"
        ><input v-model="isWithDrift" type="checkbox" /> Only what drifts or does not hold</label
      >
      <table>
        <thead>
          <tr>
            <th>What</th>
            <th>Check</th>
            <th class="num">Accepted by</th>
            <th class="num">Now</th>
            <th class="num">Drift</th>
            <th>State</th>
            <th>What to do</th>
            <th>Read again</th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="drift in rows"
            :key="thingKey(drift.of) + drift.check"
            :data-drift="`${thingKey(drift.of)}/${drift.check}`"
            :class="drift.state"
          >
            <td>{{ labelOf(drift) }}</td>
            <td>{{ acceptanceCheckOf(drift.check).label }}</td>
            <td class="num mono">
              {{ words(drift, drift.baseline.found) }}
              <span class="dim tiny">{{ drift.baseline.at.slice(0, 10) }}</span>
            </td>
            <td class="num mono">{{ drift.now ? words(drift, drift.now.found) : '' }}</td>
            <td class="num mono">
              {{
                drift.percent === null
                  ? ''
                  : `${drift.percent > 0 ? '+' : '−'}${Math.abs(drift.percent).toFixed(0)} %`
              }}
            </td>
            <td class="state">{{ stateWords[drift.state] }}</td>
            <td class="dim">{{ drift.todo }}</td>
            <td>
              <QuantityField
                v-if="unitOf(drift) !== null"
                :value="null"
                :unit="unitOf(drift)!"
                :label="`${acceptanceCheckOf(drift.check).label} of ${labelOf(drift)}, this year`"
                clear-after
                @take="(value) => take(drift, { kind: 'figure', value })"
              />
              <template v-else-if="acceptanceCheckOf(drift.check).asks.kind === 'seen'">
                <button type="button" class="btn small" @click="take(drift, { kind: 'seen', isSo: true })">
                  Yes
                </button>
                <button type="button" class="btn small" @click="take(drift, { kind: 'seen', isSo: false })">
                  No
                </button>
              </template>
              <TextField
                v-else-if="acceptanceCheckOf(drift.check).asks.kind === 'words'"
                value=""
                :label="`${acceptanceCheckOf(drift.check).label} of ${labelOf(drift)}, this year`"
                @take="(said) => take(drift, { kind: 'words', words: said })"
              />
              <SoakEntry v-else @take="(found) => take(drift, found)" />
            </td>
          </tr>
        </tbody>
      </table>
    </template>
  </div>
</template>

<style scoped>
.yearly {
  overflow: auto;
  scrollbar-width: thin;
}
.only {
  display: inline-flex;
  gap: 6px;
  align-items: center;
  min-height: 26px;
}
table {
  width: 100%;
  border-collapse: collapse;
}
th {
  padding: 2px 6px;
  color: var(--ink-2);
  font-size: 11px;
  font-weight: 500;
  text-align: left;
}
td {
  padding: 3px 6px;
  border-top: 1px solid var(--rule);
  font-size: 12px;
}
.num {
  text-align: right;
  white-space: nowrap;
}
.drifts .state {
  color: var(--ochre);
  font-weight: 600;
}
.fails .state {
  color: var(--madder);
  font-weight: 600;
}
.btn.small {
  min-height: 24px;
}
td :deep(.quantity) {
  width: 110px;
}
</style>
