<script setup lang="ts">
import { ref } from 'vue';
import { newNetworkGear, type NewNetworkGear } from '#core/connect/gear';
import { idMark } from '../../stores/idMark';
import { useOpenSite } from '../../stores/openSite';
import { useSite } from '../../stores/site';

/** What is bought and noted nowhere: nothing of it can be signed off before it is gear of the site. */
const { unnoted } = defineProps<{ unnoted: readonly NewNetworkGear[] }>();
const store = useSite();
const openSite = useOpenSite();
const problem = ref('');

function note(one: NewNetworkGear): void {
  problem.value = store
    .change(`Note ${one.name}`, newNetworkGear(openSite.value, one, idMark))
    .map(({ allowed }) => allowed)
    .join('; ');
}
</script>

<template>
  <div v-if="unnoted.length > 0" class="caution unnoted">
    <p v-if="problem" class="stop" role="alert">{{ problem }}</p>
    <p>
      Bought with what was chosen and not noted as gear yet, so nothing of it can be accepted:
      <button v-for="one in unnoted" :key="one.name" type="button" class="btn small" @click="note(one)">
        Note {{ one.name }}
      </button>
    </p>
  </div>
</template>

<style scoped>
.unnoted {
  margin-top: 8px;
}
.btn.small {
  min-height: 24px;
  margin: 2px 6px 2px 0;
}
</style>
