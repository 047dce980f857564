<script setup lang="ts">
import { computed, ref, useTemplateRef, watch } from 'vue';
import type { CustomerThing } from '#core/documents';
import type { AcceptedThing, Signature } from '#core/model/site';
import { thingKey } from '#core/signoff/acceptance';
import SignaturePad from '../stages/signoff/SignaturePad.vue';

/** What can be accepted today, by which exceptions, with a name and a signature. */
const { things, maySign, person } = defineProps<{
  things: readonly CustomerThing[];
  maySign: boolean;
  person: string;
}>();
const emit = defineEmits<{
  sign: [
    signed: { things: { of: AcceptedThing; restsOn: string }[]; signedBy: string; signature: Signature },
  ];
}>();
const ready = computed(() => things.filter(({ why, isAccepted }) => why.length === 0 && !isAccepted));
const waiting = computed(() => things.filter(({ why, isAccepted }) => why.length > 0 && !isAccepted));
const accepted = computed(() => things.filter(({ isAccepted }) => isAccepted));
const picked = ref(new Set<string>());
const name = ref(person);
const strokes = ref<Signature>([]);
const problems = ref<string[]>([]);
const pad = useTemplateRef('pad');
watch(
  ready,
  (now) => {
    picked.value = new Set(now.map(({ of }) => thingKey(of)));
    pad.value?.clear();
  },
  { immediate: true },
);
watch([picked, name, strokes], () => (problems.value = []));

function turn(key: string, isPicked: boolean): void {
  const next = new Set(picked.value);
  if (isPicked) next.add(key);
  else next.delete(key);
  picked.value = next;
}
function sign(): void {
  const chosen = ready.value.filter(({ of }) => picked.value.has(thingKey(of)));
  problems.value = [
    ...(chosen.length > 0 ? [] : ['Pick what you accept.']),
    ...(name.value.trim() ? [] : ['Enter your name.']),
    ...(strokes.value.length > 0 ? [] : ['Sign in the box.']),
  ];
  if (problems.value.length > 0) return;
  emit('sign', {
    things: chosen.map(({ of, restsOn }) => ({ of: { ...of }, restsOn })),
    signedBy: name.value.trim(),
    signature: strokes.value.map((stroke) => [...stroke]),
  });
}
</script>

<template>
  <section aria-label="Acceptance">
    <h2>Acceptance</h2>
    <p class="dim">{{ accepted.length }} of {{ things.length }} accepted.</p>
    <p v-if="ready.length === 0">Nothing waits for your name today.</p>
    <template v-else>
      <ul class="ready">
        <li v-for="one in ready" :key="thingKey(one.of)">
          <label>
            <input
              type="checkbox"
              :checked="picked.has(thingKey(one.of))"
              :disabled="!maySign"
              @change="turn(thingKey(one.of), ($event.target as HTMLInputElement).checked)"
            />
            {{ one.name }}
          </label>
          <p v-for="exception in one.exceptions" :key="exception" class="caution tiny">
            In spite of: {{ exception }}
          </p>
        </li>
      </ul>
      <template v-if="maySign">
        <label class="name"
          >Name <input v-model="name" maxlength="80" aria-label="Name of whoever signs"
        /></label>
        <SignaturePad ref="pad" @drawn="(next) => (strokes = next)" />
        <div v-if="problems.length > 0" class="stop" role="alert">
          <p v-for="one in problems" :key="one">{{ one }}</p>
        </div>
        <button type="button" class="btn go accept" @click="sign">Accept</button>
        <p class="dim tiny">
          What you accept stays as it was read. Local codes and a licensed person decide on what is safe.
        </p>
      </template>
    </template>
    <details v-if="waiting.length > 0">
      <summary>{{ waiting.length }} not ready yet</summary>
      <ul>
        <li v-for="one in waiting" :key="thingKey(one.of)" class="tiny">
          <b>{{ one.name }}</b> {{ one.status }}
        </li>
      </ul>
    </details>
  </section>
</template>

<style scoped>
ul {
  padding: 4px 0;
  list-style: none;
}
.ready label {
  display: flex;
  gap: 6px;
  align-items: center;
  min-height: 28px;
}
.name {
  display: grid;
  gap: 3px;
  padding: 6px 0;
}
.name input {
  min-height: 30px;
  padding: 3px 7px;
  border: 1px solid var(--rule-strong);
  border-radius: 4px;
  background: var(--sheet);
  color: var(--ink);
  font: inherit;
}
.accept {
  display: inline-flex;
  align-items: center;
  justify-content: center;
  min-height: 40px;
  margin: 10px 0;
}
summary {
  min-height: 28px;
  padding-top: 6px;
}
@media (max-width: 700px) {
  .ready label {
    min-height: 44px;
  }
  .accept {
    width: 100%;
    min-height: 52px;
  }
}
</style>
