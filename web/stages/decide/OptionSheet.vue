<script setup lang="ts">
import { optionRow, aboutOf, hasOwnCamera, noteCamera } from '#core/model/site';
import { computed, ref, watch } from 'vue';
import type { OptionSummary, RunSummary } from '#core/evaluate';
import { catalogueOf, eachOf } from '#core/model/catalogue';
import { portKinds, sharingLines, type MarginKind, type Part } from '#core/decide/options';
import { formatQuantity } from '#core/shared/units';
import type { Derivation } from '#core/shared/derivation';
import RunLine from '../../line/RunLine.vue';
import MarginBar from '../../parts/MarginBar.vue';
import DerivationSheet from '../../parts/DerivationSheet.vue';
import RadioPathFields from './RadioPathFields.vue';
import SharedViewFields from './SharedViewFields.vue';
import type { Learned } from '../../workers/questions';
import { useEvaluation } from '../../stores/evaluation';
import { useOpenSite } from '../../stores/openSite';
import { useMeasures } from '../../stores/measures';
import { useSite } from '../../stores/site';

/** What one option brings to one camera: how it holds, what it takes, what it costs, and why. */
const { evaluation, option } = defineProps<{
  evaluation: RunSummary;
  option: OptionSummary;
  refused: string;
}>();
const emit = defineEmits<{ take: []; giveUp: []; lock: [] }>();
const store = useSite();
const openSite = useOpenSite();
const own = useMeasures();
const core = useEvaluation();
const opened = ref<number | null>(null);
const derivation = ref<Derivation | null>(null);

function agree(): void {
  const { camera } = evaluation;
  const label = `Camera ${camera.number}: its view ${camera.mayGo ? 'has to stay' : 'may be lost'}`;
  store.update(label, 'camera', camera.id, (now) => noteCamera(now, { mayGo: now.mayGo ? undefined : true }));
}

const isChosen = computed(() => evaluation.chosen === option.kind);
const untested = computed(() => evaluation.findings.missing.length > 0);
/** Margins that say what arrives, for the end of the line. */
const arriving = new Set<MarginKind>([
  'picture-loss',
  'night-volts',
  'watts',
  'link-rate',
  'light-loss',
  'radio-rate',
]);
/** What it shares with other cameras, each with its reason. */
const shares = computed(() =>
  option.state === 'no' ? [] : sharingLines(catalogueOf(openSite.value), option.sharing),
);
/** What stands at the head end, and what arrives at the camera, for the ends of the line. */
const ends = computed(() => ({
  headEnd: optionRow(option.kind).headEnd,
  arrives:
    option.state === 'no'
      ? ''
      : option.margins
          .filter(({ kind }) => arriving.has(kind))
          .map(({ value, unit }) => formatQuantity(value, unit))
          .join(', '),
}));
const basisWords = { measured: 'measured', 'data-sheet': 'data sheet', typical: 'typical' } as const;

watch(
  () => [evaluation.run.id, option.kind],
  () => {
    opened.value = null;
  },
);
/** Drawn beside the page, for the option that is looked at. */
const chance = ref<number | null>(null);
watch(
  () => [evaluation.run.id, option.kind, core.result] as const,
  async ([runId, kind]) => {
    chance.value = null;
    const found = option.state === 'no' ? null : await core.chance(runId, kind);
    if (evaluation.run.id === runId && option.kind === kind) chance.value = found;
  },
  { immediate: true },
);
/** What other runs that were read say of it. */
const learned = ref<readonly Learned[]>([]);
watch(
  () => [evaluation.run.id, option.kind, core.result] as const,
  async ([runId, kind]) => {
    const told = (await core.learned(runId, kind)) ?? [];
    if (evaluation.run.id === runId && option.kind === kind) learned.value = told;
  },
  { immediate: true },
);
const percent = (share: number) => (share > 0 && share < 0.005 ? '< 1 %' : formatQuantity(share * 100, '%'));
const catalogue = computed(() => catalogueOf(openSite.value));
const partLine = ({ item, count }: Part) => {
  const product = catalogue.value.products.get(item);
  const each = product ? eachOf(product) : null;
  return {
    name: product?.name ?? item,
    price: each === null ? 'no price' : formatQuantity(each * count, 'money'),
  };
};
const isLocked = computed(() => openSite.value.choice[evaluation.camera.id]?.locked === true);
watch([opened, () => core.result], async ([index]) => {
  derivation.value =
    index === null
      ? null
      : await core.why({ kind: 'margin', runId: evaluation.run.id, option: option.kind, index });
});
</script>

<template>
  <aside aria-label="The option in hand">
    <p class="dim tiny">{{ evaluation.camera.number }} {{ evaluation.camera.name }}</p>
    <h2>{{ optionRow(option.kind).label }}</h2>
    <template v-if="option.state === 'no'">
      <p class="caution">Cannot be done. {{ option.why }}</p>
      <p class="message">What would make it possible: {{ option.remedy }}.</p>
    </template>
    <template v-else>
      <p class="message">{{ option.message }}</p>
      <RunLine :evaluation="evaluation" :head-end="ends.headEnd" :camera-end="ends.arrives" />
      <p v-if="isChosen && evaluation.choiceBroken" class="stop">
        Chosen, but it does not hold any more: {{ evaluation.choiceBroken }}
      </p>
      <ul class="margins">
        <li v-for="(margin, index) in option.margins" :key="margin.label">
          <button
            type="button"
            class="plain margin"
            :aria-expanded="opened === index"
            @click="opened = opened === index ? null : index"
          >
            <span>{{ margin.label }} <span class="ask">why</span></span>
            <span class="mono value">{{ own.quantity(margin.value, margin.unit) }}</span>
            <MarginBar
              :utilisation="margin.utilisation"
              :state="margin.status"
              :width="150"
              :hatched="untested"
            />
            <span class="tiny dim">{{ basisWords[margin.basis] }}</span>
          </button>
          <DerivationSheet
            v-if="opened === index && derivation"
            :derivation="derivation"
            class="derivation"
          />
        </li>
      </ul>
      <p
        v-for="{ words, isSure } in learned"
        :key="words"
        :class="isSure ? 'message' : 'caution'"
        data-learned
      >
        {{ words }}
      </p>
      <p v-if="option.broken" class="caution">
        Does not hold. What would make it possible: {{ option.broken.remedy }}.
      </p>
      <dl>
        <div
          v-for="part in option.parts"
          :key="part.item"
          :class="{ unpriced: option.unpriced.includes(part.item) }"
        >
          <dt>{{ part.count }} × {{ partLine(part).name }}</dt>
          <dd class="mono">{{ partLine(part).price }}</dd>
        </div>
        <div v-if="option.shared">
          <dt>
            One port of a full {{ portKinds[option.shared.of].one }} at
            {{ openSite.place[option.shared.placeId]?.name }}
          </dt>
          <dd class="mono">{{ formatQuantity(option.portCost, 'money') }}</dd>
        </div>
        <div v-else-if="option.portCost > 0">
          <dt>Its part of the switch port that all of them share</dt>
          <dd class="mono">{{ formatQuantity(option.portCost, 'money') }}</dd>
        </div>
        <div v-for="line in shares" :key="line.key">
          <dt>{{ line.reason }}</dt>
          <dd class="mono">{{ formatQuantity(line.cost, 'money') }}</dd>
        </div>
        <div>
          <dt>
            Labour, {{ formatQuantity(option.ownHours, 'h')
            }}{{ option.darkHours > 0 ? `, ${formatQuantity(option.darkHours, 'h')} of it by night` : '' }}
          </dt>
          <dd class="mono">{{ formatQuantity(option.labourCost, 'money') }}</dd>
        </div>
        <div>
          <dt>Camera downtime</dt>
          <dd class="mono">{{ formatQuantity(option.darkHours, 'h') }}</dd>
        </div>
        <div>
          <dt>Replacement due after</dt>
          <dd class="mono">
            {{
              !hasOwnCamera(option.kind)
                ? 'never'
                : `${option.lifeYears} years, ${formatQuantity(option.renewCost, 'money')}`
            }}
          </dd>
        </div>
        <div v-if="option.margins.length > 0">
          <dt>Chance that it does not hold as built</dt>
          <dd class="mono" data-chance>{{ chance === null ? '…' : percent(chance) }}</dd>
        </div>
        <div class="sum">
          <dt>Cost, {{ aboutOf(openSite).currency }}</dt>
          <dd class="mono">{{ formatQuantity(option.cost, 'money') }}</dd>
        </div>
      </dl>
    </template>
    <RadioPathFields
      v-if="option.kind === 'wireless' && openSite.place[evaluation.camera.placeId]?.mains"
      :place-id="evaluation.camera.placeId"
      :head-end-id="evaluation.run.headEndId"
    />
    <SharedViewFields v-if="option.kind === 'shared-view'" :camera="evaluation.camera" />
    <label v-if="option.kind === 'retire'" class="row"
      ><input type="checkbox" :checked="evaluation.camera.mayGo === true" @change="agree" /> The customer
      agrees that this view may be lost</label
    >
    <p v-if="refused" class="stop" role="alert">{{ refused }}</p>
    <div class="row">
      <button
        v-if="!isChosen"
        type="button"
        class="btn go"
        :disabled="option.state === 'no' || option.state === 'fails'"
        @click="emit('take')"
      >
        Choose <kbd>Enter</kbd>
      </button>
      <button v-else type="button" class="btn" @click="emit('giveUp')">Take it back <kbd>x</kbd></button>
      <button v-if="isChosen" type="button" class="btn" :aria-pressed="isLocked" @click="emit('lock')">
        {{ isLocked ? 'Unlock' : 'Lock' }} <kbd>l</kbd>
      </button>
      <span v-if="isChosen" class="dim tiny">by {{ openSite.choice[evaluation.camera.id]?.by }}</span>
    </div>
    <ul v-if="option.state !== 'no' && option.cautions.length > 0" class="cautions">
      <li v-for="caution in option.cautions" :key="caution" class="caution">{{ caution }}</li>
    </ul>
  </aside>
</template>

<style scoped>
[data-learned]::first-letter {
  text-transform: uppercase;
}
aside > * {
  margin-bottom: 8px;
}
h2 {
  margin-bottom: 4px;
}
.label {
  font-size: 12px;
  color: var(--ink-2);
}
.margins li {
  border-top: 1px solid var(--rule);
}
.margin {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 2px 8px;
  width: 100%;
  padding: 6px 0;
  align-items: center;
}
.value {
  text-align: right;
  font-size: 14px;
}
.margin .tiny {
  text-align: right;
}
.ask {
  text-decoration: underline;
  text-underline-offset: 2px;
  font-size: 11px;
  color: var(--copper);
}
.derivation {
  padding: 4px 0 8px 8px;
  border-left: 2px solid var(--copper-2);
  padding-left: 10px;
}
dl > div {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  padding: 3px 0;
  border-top: 1px solid var(--rule);
  font-size: 12px;
}
dd {
  white-space: nowrap;
}
.sum {
  font-weight: 600;
  border-top-color: var(--ink) !important;
}
.cautions {
  display: grid;
  gap: 4px;
}
.cautions .caution {
  border-left-width: 2px;
  padding: 1px 8px;
  background: none;
  color: var(--ink-2);
  font-size: 11px;
}
.row {
  align-items: center;
  flex-wrap: wrap;
  gap: 6px 8px;
}
.unpriced dd {
  color: var(--madder);
}
</style>
