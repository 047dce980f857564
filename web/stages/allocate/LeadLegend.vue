<script setup lang="ts">
/** What the lines between today’s inputs and the slots mean, with a sample of each. */
const whole = 'M1 4 H25';
const drawn = {
  stays: whole,
  undecided: whole,
  repatched: whole,
  network: whole,
  ends: 'M1 4 H18 m-3 -3 l6 6 m0 -6 l-6 6',
};
const leads = [
  { kind: 'stays', label: 'stays' },
  { kind: 'undecided', label: 'not decided yet' },
  { kind: 'repatched', label: 're-patched' },
  { kind: 'network', label: 'by the network' },
  { kind: 'ends', label: 'ends' },
] as const;
</script>

<template>
  <span class="legend"
    >Leads:
    <span v-for="{ kind, label } in leads" :key="kind" class="entry"
      ><svg width="26" height="8" aria-hidden="true"><path :d="drawn[kind]" :class="kind" /></svg
      >{{ label }}</span
    ></span
  >
</template>

<style scoped>
.legend,
.entry {
  display: inline-flex;
  gap: 4px;
  align-items: center;
}
.legend {
  gap: 12px;
  margin-right: 12px;
  flex-wrap: wrap;
}
path {
  fill: none;
  stroke: var(--copper);
  stroke-width: 1.4;
}
path.undecided {
  stroke-dasharray: 2 3;
}
path.repatched {
  stroke-width: 2.6;
}
path.network {
  stroke: var(--verdigris);
  stroke-dasharray: 6 3;
}
path.ends {
  stroke: var(--madder);
}
</style>
