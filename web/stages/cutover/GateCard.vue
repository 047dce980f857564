<script setup lang="ts">
import InputText from 'primevue/inputtext';
import { computed, ref } from 'vue';
import { gateDefinitions, gateStateOf } from '#core/cutover/gates';
import { answerGate, checkGate, type GateName } from '#core/model/site';
import { counted } from '#core/shared/labels';
import { useOpenSite } from '../../stores/openSite';
import { useSite } from '../../stores/site';
import ProofRow from './ProofRow.vue';

/** A gate of a night: what has to be so, and who says whether it goes on. */
const {
  night,
  gate,
  isFolded = false,
  notTicked = [],
} = defineProps<{
  night: string;
  gate: GateName;
  isFolded?: boolean;
  /** What has to be done before it and is not ticked, in words. */
  notTicked?: string[];
}>();
const store = useSite();
const openSite = useOpenSite();
const definition = computed(() => gateDefinitions[gate]);
/** As the site stands, not as it was last evaluated: a thumb ticks and says go faster than that. */
const state = computed(() => gateStateOf(openSite.value, night, gate));
const said = computed(() => state.value.record?.said ?? null);
const why = ref('');
const isReady = computed(() => state.value.open.length === 0);
const problem = ref('');
const clock = (at: string): string =>
  new Date(at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });

function check(id: string, isSo: boolean): void {
  problem.value = '';
  store.change(`${definition.value.label}: ${isSo ? 'so' : 'not so'}`, [
    checkGate(openSite.value, night, gate, id, isSo),
  ]);
}
function say(go: boolean): void {
  if ((!isReady.value || !go) && !why.value.trim()) {
    problem.value = go
      ? 'Something is not so. Say why it goes on all the same; it stands under your name.'
      : 'Say why not; whoever plans the rest reads it.';
    return;
  }
  problem.value = '';
  const doing = { at: new Date().toISOString(), by: store.signedBy('Surveyor') };
  store.change(`${definition.value.label}: ${go ? 'go' : 'no go'}`, [
    answerGate(openSite.value, night, gate, { go, why: why.value }, doing),
  ]);
}
</script>

<template>
  <details class="gate" :open="!said && !isFolded" :data-gate="gate">
    <summary>
      <b>{{ definition.label }}</b>
      <span v-if="said" :class="said.go ? 'go' : 'no'"
        >{{ said.go ? 'go' : 'no go' }}, {{ said.by }} {{ clock(said.at)
        }}{{ said.why ? `: ${said.why}` : '' }}</span
      >
      <span v-else class="dim"
        >{{ definition.checks.length - state.open.length }} of {{ definition.checks.length }} so</span
      >
    </summary>
    <div v-if="notTicked.length > 0" class="caution" data-not-ticked>
      <p>
        {{ counted(notTicked.length, 'task') }} before this night
        {{ notTicked.length === 1 ? 'is' : 'are' }} not ticked:
      </p>
      <ul>
        <li v-for="title in notTicked" :key="title">{{ title }}</li>
      </ul>
    </div>
    <ProofRow
      v-for="one in definition.checks"
      :key="one.id"
      :says="one.says"
      :is-so="!state.open.includes(one.id)"
      @turn="(isSo) => check(one.id, isSo)"
    />
    <p class="dim otherwise">{{ definition.otherwise }}</p>
    <InputText
      v-model="why"
      class="why"
      :aria-label="`${definition.label}: why, where something is not so`"
      placeholder="Why, where something is not so"
      maxlength="2000"
    />
    <p v-if="problem" class="caution" role="alert">{{ problem }}</p>
    <div class="row acts">
      <button type="button" class="btn go big" @click="say(true)">Go</button>
      <button type="button" class="btn big" @click="say(false)">No go</button>
    </div>
  </details>
</template>

<style scoped>
.gate {
  border: 1px solid var(--rule-strong);
  background: var(--sheet);
  padding: 0 10px;
}
summary {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
  min-height: 46px;
  cursor: pointer;
}
.go:not(.btn) {
  color: var(--verdigris);
}
.no {
  color: var(--madder);
}
.otherwise {
  padding: 6px 0;
  font-size: 13px;
}
.why {
  width: 100%;
  min-height: 44px;
}
.acts {
  padding: 8px 0 10px;
}
.big {
  flex: 1;
  min-height: 52px;
  justify-content: center;
  align-items: center;
  font-size: 16px;
}
</style>
