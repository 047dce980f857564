<script setup lang="ts">
import { computed } from 'vue';
import { formulas, type Figure, type Derivation } from '#core/shared/derivation';
import { useMeasures } from '../stores/measures';

/** A short calculation on paper: each step with its figures and where they come from, then the limit and what follows. */
const { derivation } = defineProps<{ derivation: Derivation }>();

const sourceWords: Record<Figure['from'], string> = {
  measured: 'measured',
  'data-sheet': 'data sheet',
  typical: 'typical',
  noted: 'noted on site',
  policy: 'policy',
  standard: 'standard',
  computed: 'computed',
};
const { quantity } = useMeasures();
const show = ({ value, unit }: Figure) => quantity(value, unit);
const limitWords = computed(() =>
  derivation.limit
    ? `${derivation.limit.sense === 'at-most' ? 'at most' : 'at least'} ${show(derivation.limit.figure)}`
    : '',
);
</script>

<template>
  <article class="derivation">
    <h2>{{ derivation.title.replace(/ (?=\S+$)/, '\u00a0') }}</h2>
    <section v-for="(step, index) in derivation.steps" :key="index" class="step">
      <h3>{{ step.message }}</h3>
      <p class="mono formula">{{ formulas[step.formula].writes }}</p>
      <dl>
        <div v-for="(input, k) in step.inputs" :key="k">
          <dt>
            {{ input.name }} <span class="from">{{ sourceWords[input.from] }}</span>
          </dt>
          <dd class="mono">{{ show(input) }}</dd>
        </div>
        <div class="result">
          <dt>
            {{ step.result.name }} <span class="from">{{ sourceWords[step.result.from] }}</span>
          </dt>
          <dd class="mono">{{ show(step.result) }}</dd>
        </div>
      </dl>
      <p class="source">{{ formulas[step.formula].source }}</p>
    </section>
    <section v-if="derivation.limit" class="step">
      <h3>Held against</h3>
      <dl>
        <div class="result">
          <dt>
            {{ derivation.limit.figure.name }}
            <span class="from">{{ sourceWords[derivation.limit.figure.from] }}</span>
          </dt>
          <dd class="mono">{{ limitWords }}</dd>
        </div>
      </dl>
    </section>
    <p class="step conclusion">{{ derivation.conclusion }}</p>
  </article>
</template>

<style scoped>
h2 {
  margin-bottom: 8px;
  padding-right: 70px;
}
.step {
  border-top: 1px solid var(--rule);
  padding: 6px 0 7px;
  font-size: 12px;
}
.step h3 {
  font-weight: 500;
}
.formula {
  margin: 2px 0;
  font-size: 11px;
  color: var(--ink-2);
}
dl > div {
  display: flex;
  justify-content: space-between;
  gap: 10px;
}
dt {
  color: var(--ink-2);
}
dd {
  white-space: nowrap;
}
.result dt,
.result dd {
  color: var(--ink);
  font-weight: 500;
}
.from {
  font-size: 10px;
  font-weight: 400;
  color: var(--ink-2);
  border-bottom: 1px dotted var(--rule-strong);
}
.source {
  font-size: 11px;
  color: var(--ink-2);
}
.conclusion {
  font-size: 13px;
}
</style>
