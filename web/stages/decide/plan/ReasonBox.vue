<script setup lang="ts">
import { optionRow } from '#core/model/site';
import type { BreakEven, Reason } from '#core/decide/plan';

/** Why the plan has this for a camera, what the next best would come to, and what would change it. */
defineProps<{
  title: string;
  reason: Reason | null;
  turns: readonly BreakEven[];
  busy: boolean;
  isLeftOut: boolean;
}>();
</script>

<template>
  <section class="reason" aria-label="Why this">
    <h2>Why this for {{ title }}?</h2>
    <template v-if="reason">
      <p>{{ reason.message }}</p>
      <p v-if="reason.next" data-next>{{ reason.next.message }}</p>
      <div class="two">
        <div>
          <h3>What would change it?</h3>
          <ul class="turns">
            <li v-for="turn in turns" :key="turn.of">{{ turn.message }}</li>
            <li v-if="busy" class="dim" aria-busy="true">trying prices and lengths…</li>
          </ul>
        </div>
        <div>
          <h3>Everything else</h3>
          <ul>
            <li v-for="other in reason.others" :key="other.option">
              <b>{{ optionRow(other.option).label }}:</b> <span class="dim">{{ other.message }}</span>
            </li>
          </ul>
        </div>
      </div>
    </template>
    <p v-else-if="busy" class="dim" aria-busy="true">Planning the site without it…</p>
    <p v-else-if="isLeftOut" class="dim">The plan leaves this camera out.</p>
  </section>
</template>

<style scoped>
.reason {
  border-top: 1px solid var(--rule-strong);
  padding-top: 6px;
  overflow: hidden auto;
  scrollbar-width: thin;
  font-size: 12px;
}
.reason p {
  padding: 2px 0;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 18px;
  padding-top: 4px;
}
li {
  padding: 1px 0;
  line-height: 1.3;
}
li b {
  font-weight: 500;
}
</style>
