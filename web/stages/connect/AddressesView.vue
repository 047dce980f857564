<script setup lang="ts">
import { computed } from 'vue';
import { addressReport } from '#core/connect/addresses';
import { allGivenAddresses } from '#core/allocate/device';
import { rangesText } from '#core/shared/network';
import { useOpenEvaluation, useOpenSite } from '../../stores/openSite';
import { useSite } from '../../stores/site';
import ListsView from '../survey/lists/ListsView.vue';

/** Every device of the camera network with its address: what clashes, what to heed, and the table, in and out. */
const openSite = useOpenSite();
const evaluation = useOpenEvaluation();
const store = useSite();
/** Addresses for cameras on a recorder whose network is noted. */
const given = computed(() => allGivenAddresses(openSite.value, evaluation.value.allocation.recorders));
const give = () => store.change('Give out addresses', given.value);
const report = computed(() => addressReport(openSite.value));
</script>

<template>
  <div class="addresses">
    <p v-for="line in report.conflicts" :key="line" class="caution" role="alert">{{ line }}</p>
    <p v-for="range in report.networks" :key="range.cidr" class="range">
      <b class="mono">{{ range.cidr }}</b> {{ range.recorders.join(', ') }};
      <span class="dim"
        >{{ range.taken }} of {{ range.hosts }} taken, gateway {{ range.gateway ?? 'none noted' }}, time from
        {{ range.timeSource ?? 'nowhere yet'
        }}{{ range.kept.length > 0 ? `, kept free: ${rangesText(range.kept)}` : '' }}</span
      >
    </p>
    <p v-if="given.length > 0">
      <button type="button" class="btn" @click="give">
        Give {{ given.length === 1 ? 'the camera' : `${given.length} cameras` }} without an address the next
        free
        {{ given.length === 1 ? 'one' : 'ones' }}
      </button>
    </p>
    <div class="table"><ListsView only="address" /></div>
    <ul class="tiny">
      <li v-for="line in report.statements" :key="line">{{ line }}</li>
    </ul>
  </div>
</template>

<style scoped>
.addresses {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.table {
  flex: 1;
  min-height: 260px;
}
ul {
  list-style: disc;
  padding-left: 18px;
  color: var(--ink-2);
}
</style>
