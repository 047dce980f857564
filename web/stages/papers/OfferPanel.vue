<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue';
import { acceptOffer, giveOffer, type Offer } from '#core/decide/offer';
import {
  limitsOf,
  marginClasses,
  offerSettingsId,
  offerSettingsOf,
  type GivenOffer,
  type OfferSettings,
} from '#core/model/site';
import { formatQuantity, type Unit } from '#core/shared/units';
import FieldRow from '../../parts/FieldRow.vue';
import LineRows from './LineRows.vue';
import PicksField from '../../parts/PicksField.vue';
import PickField from '../../parts/PickField.vue';
import QuantityField from '../../parts/QuantityField.vue';
import { useEvaluation } from '../../stores/evaluation';
import { idMark } from '../../stores/idMark';
import { useOpenSite } from '../../stores/openSite';
import { useSite } from '../../stores/site';
import { today } from '../../papers/today';

/** What the price is made by, and giving it: who prepared it, whether it is final, who said yes. */
const store = useSite();
const openSite = useOpenSite();
const evaluation = useEvaluation();
const settings = computed(() => offerSettingsOf(openSite.value));
const offer = shallowRef<Offer | null>(null);
watch(
  () => evaluation.result,
  async () => {
    offer.value = await evaluation.offer(today());
  },
  { immediate: true },
);

const set = (what: string, fields: Partial<OfferSettings>) =>
  store.change(`Offer: ${what}`, [
    {
      kind: 'offerSettings',
      id: offerSettingsId,
      set: { ...settings.value, ...fields, id: offerSettingsId },
    },
  ]);

const classLabels: Record<(typeof marginClasses)[number], string> = {
  cameras: 'Margin on cameras',
  gear: 'Margin on converters and switches',
  recorders: 'Margin on recorders',
  material: 'Margin on cable and small parts',
  hire: 'Margin on hire',
  labour: 'Margin on labour',
};
type Figure =
  | 'heightPercent'
  | 'accessPercent'
  | 'engineeringHours'
  | 'commissioningHoursEach'
  | 'documentHours'
  | 'trainingHours'
  | 'managementPercent'
  | 'taxPercent'
  | 'validDays'
  | 'warrantyMonths';
const figures: { id: Figure; label: string; unit: Unit; whole?: true }[] = [
  { id: 'heightPercent', label: 'Extra at height', unit: '%' },
  { id: 'accessPercent', label: 'Extra at places with conditions', unit: '%' },
  { id: 'engineeringHours', label: 'Engineering', unit: 'h' },
  { id: 'commissioningHoursEach', label: 'Commissioning, each camera', unit: 'h' },
  { id: 'documentHours', label: 'Documents', unit: 'h' },
  { id: 'trainingHours', label: 'Training', unit: 'h' },
  { id: 'managementPercent', label: 'Project management', unit: '%' },
  { id: 'taxPercent', label: 'Tax', unit: '%' },
  { id: 'validDays', label: 'Valid for', unit: 'd', whole: true },
  { id: 'warrantyMonths', label: 'Warranty, months', unit: '', whole: true },
];
const allowed = (path: string, unit: Unit) => (value: number) => {
  const { least, most } = limitsOf('offerSettings', path);
  return value < least || value > most
    ? `From ${formatQuantity(least, unit)} to ${formatQuantity(most, unit)}.`
    : undefined;
};
const plans = computed(() =>
  Object.values(openSite.value.savedPlan)
    .filter(({ pinned }) => pinned)
    .map(({ id, name }) => ({ value: id, label: name })),
);
const lines = (text: string): string[] =>
  text
    .split('\n')
    .map((one) => one.trim().slice(0, 200))
    .filter(Boolean)
    .slice(0, 40);

const preparedBy = ref('');
const isFinal = ref(false);
const saying = ref('');
const problems = ref<string[]>([]);
/** What is put on record is worked out at that moment, not what stood here before the last edit. */
async function give(): Promise<void> {
  const now = await evaluation.offer(today());
  if (!now) return;
  const at = new Date().toISOString();
  const given = giveOffer(openSite.value, now, {
    preparedBy: preparedBy.value,
    isFinal: isFinal.value,
    saying: saying.value,
    at,
    by: store.signedBy('Planner'),
    mark: idMark,
  });
  problems.value = given.ok
    ? store.change('Give an offer', [given.change]).map(({ allowed: why }) => why)
    : given.problems;
}
const given = computed(() =>
  Object.values(openSite.value.givenOffer)
    .filter(({ withdrawn }) => !withdrawn)
    .sort((a, b) => b.number - a.number),
);
const acceptedBy = ref('');
const alternate = ref('');
const alternatesOf = ({ alternates }: GivenOffer) => [
  { value: '', label: 'As it stands' },
  ...alternates.map(({ name }) => ({ value: name, label: `Alternate ${name}` })),
];
function say(one: GivenOffer): void {
  if (!acceptedBy.value.trim()) {
    problems.value = ['Enter the name of whoever says yes.'];
    return;
  }
  problems.value = store
    .change(`Offer ${one.number} accepted`, [
      acceptOffer(one, {
        name: acceptedBy.value.trim(),
        ...(alternate.value ? { alternate: alternate.value } : {}),
        at: new Date().toISOString(),
        by: store.signedBy('Planner'),
      }),
    ])
    .map(({ allowed: why }) => why);
}
</script>

<template>
  <aside aria-label="The offer">
    <section class="give">
      <h2>Give it</h2>
      <FieldRow label="Prepared by">
        <input v-model="preparedBy" class="field" aria-label="Prepared by" maxlength="80" />
      </FieldRow>
      <label class="final"><input v-model="isFinal" type="checkbox" /> It is final</label>
      <FieldRow v-if="isFinal && (offer?.premises.length ?? 0) > 0" label="What is said of what it rests on">
        <input v-model="saying" class="field" aria-label="What is said of what it rests on" maxlength="500" />
      </FieldRow>
      <div v-if="problems.length > 0" class="stop" role="alert">
        <p v-for="one in problems" :key="one">{{ one }}</p>
      </div>
      <button type="button" class="btn" :disabled="!offer" @click="give">Put on record</button>
    </section>
    <section v-if="given.length > 0" class="given">
      <h2>Given</h2>
      <div v-for="(one, index) in given" :key="one.id" :data-offer="one.number">
        <p>
          <b>Offer {{ one.number }}</b> {{ formatQuantity(one.net, 'money') }} {{ one.currency }} net,
          {{ one.preparedBy }}, {{ one.at.slice(0, 10) }}, {{ one.isFinal ? 'final' : 'not final' }}
        </p>
        <p v-if="one.accepted" class="dim">
          accepted by {{ one.accepted.name }}, {{ one.accepted.at.slice(0, 10)
          }}{{ one.accepted.alternate ? `, alternate ${one.accepted.alternate}` : '' }}
        </p>
        <div v-else-if="index === 0" class="row yes">
          <input
            v-model="acceptedBy"
            class="field"
            aria-label="Accepted by"
            placeholder="who says yes"
            maxlength="80"
          />
          <PickField
            v-if="one.alternates.length > 0"
            :value="alternate"
            :choices="alternatesOf(one)"
            label="Which of them"
            placeholder="As it stands"
            @take="(next) => (alternate = next)"
          />
          <button type="button" class="btn small" @click="say(one)">Accepted</button>
        </div>
      </div>
    </section>
    <section>
      <h2>What it is made by</h2>
      <FieldRow v-for="id in marginClasses" :key="id" :label="classLabels[id]">
        <QuantityField
          :value="settings.margins[id]"
          unit="%"
          :label="classLabels[id]"
          :allowed="allowed(`margins.${id}`, '%')"
          @take="(value) => set(classLabels[id], { margins: { ...settings.margins, [id]: value } })"
        />
      </FieldRow>
      <FieldRow v-for="one in figures" :key="one.id" :label="one.label">
        <QuantityField
          :value="settings[one.id]"
          :unit="one.unit"
          :label="one.label"
          :allowed="allowed(one.id, one.unit)"
          @take="(value) => set(one.label, { [one.id]: one.whole ? Math.round(value) : value })"
        />
      </FieldRow>
      <FieldRow label="Visits">
        <QuantityField
          :value="settings.travel.visits"
          unit=""
          label="Visits"
          :allowed="allowed('travel.visits', '')"
          @take="(value) => set('Visits', { travel: { ...settings.travel, visits: Math.round(value) } })"
        />
      </FieldRow>
      <FieldRow label="Each visit costs">
        <QuantityField
          :value="settings.travel.each"
          unit="money"
          label="Each visit costs"
          :allowed="allowed('travel.each', 'money')"
          @take="(each) => set('Each visit', { travel: { ...settings.travel, each } })"
        />
      </FieldRow>
      <FieldRow v-if="plans.length > 0" label="Alternates">
        <PicksField
          :values="settings.alternateIds"
          :choices="plans"
          label="Alternates"
          @take="(alternateIds) => set('Alternates', { alternateIds: alternateIds.slice(0, 6) })"
        />
      </FieldRow>
      <LineRows
        :rows="settings.provisional.map(({ what, sum }) => ({ words: what, figure: sum }))"
        label="Provisional sums"
        unit="money"
        :most="20"
        :allowed="allowed('provisional.sum', 'money')"
        @take="
          (rows) =>
            set('Provisional sums', {
              provisional: rows.map(({ words, figure }) => ({ what: words, sum: figure })),
            })
        "
      />
      <LineRows
        :rows="settings.payments.map(({ when, percent }) => ({ words: when, figure: percent }))"
        label="Payments, together 100 %"
        unit="%"
        :most="10"
        :allowed="allowed('payments.percent', '%')"
        @take="
          (rows) =>
            set('Payments', { payments: rows.map(({ words, figure }) => ({ when: words, percent: figure })) })
        "
      />
      <label class="words"
        >Not in this price, a line each
        <textarea
          :value="settings.exclusions.join('\n')"
          rows="4"
          @change="
            (event) => set('Not in it', { exclusions: lines((event.target as HTMLTextAreaElement).value) })
          "
        />
      </label>
      <label class="words"
        >What the customer does, a line each
        <textarea
          :value="settings.customerDoes.join('\n')"
          rows="4"
          @change="
            (event) =>
              set('What the customer does', {
                customerDoes: lines((event.target as HTMLTextAreaElement).value),
              })
          "
        />
      </label>
    </section>
  </aside>
</template>

<style scoped>
aside {
  border-left: 1px solid var(--rule-strong);
  background: var(--sheet);
  padding: 8px 12px;
}
section {
  padding-bottom: 12px;
}
h2 {
  font-size: 14px;
  padding-bottom: 4px;
}
.field,
textarea {
  width: 100%;
  min-height: 26px;
  border: 1px solid var(--rule-strong);
  border-radius: 4px;
  background: var(--sheet);
  color: var(--ink);
  font: inherit;
}
.final {
  display: flex;
  gap: 6px;
  align-items: center;
  min-height: 28px;
}
.yes {
  flex-wrap: wrap;
  gap: 6px;
}
.given p {
  font-size: 12px;
}
.words {
  display: block;
  padding-top: 8px;
  color: var(--ink-2);
  font-size: 11px;
}
textarea {
  font-size: 12px;
}
</style>
