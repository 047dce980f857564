<script setup lang="ts">
import type { Paper, PaperStyle } from '#core/documents';
import { pictureAddress } from '../../stores/api';
import PaperBlock from './PaperBlock.vue';

/** A paper on the screen, as it prints. */
defineProps<{ paper: Paper; style: PaperStyle }>();
</script>

<template>
  <article class="paper" tabindex="0" :aria-label="`${paper.title} as it prints`">
    <header>
      <div v-if="paper.firm" class="firm">
        <img
          v-if="paper.firm.logo"
          :src="pictureAddress(paper.firm.logo.fileId)"
          :alt="`Mark of ${paper.firm.name}`"
        />
        <p>
          <b>{{ paper.firm.name }}</b>
        </p>
        <p class="dim">{{ paper.firm.address }}</p>
      </div>
      <p class="title">{{ paper.title }}</p>
      <p>{{ paper.site }}</p>
      <p class="dim">
        {{ [paper.address, paper.customer ? `for ${paper.customer}` : ''].filter(Boolean).join(', ') }}
      </p>
      <p>Rests on {{ paper.restsOn }}.</p>
    </header>
    <section v-if="paper.open.length > 0" class="caution">
      <p><b>Still open</b></p>
      <p v-for="line in paper.open" :key="line">{{ line }}</p>
    </section>
    <PaperBlock
      v-for="(block, index) in paper.blocks"
      :key="`${paper.id}-${index}`"
      :block="block"
      :currency="paper.currency"
      :style="style"
    />
  </article>
</template>

<style scoped>
.paper {
  background: var(--sheet);
  border: 1px solid var(--rule);
  padding: 18px 22px;
}
header {
  padding-bottom: 8px;
}
.title {
  font-size: 20px;
  font-weight: 650;
}
.firm {
  float: right;
  max-width: 220px;
  text-align: right;
}
.firm img {
  max-width: 160px;
  max-height: 48px;
}
@media (max-width: 1000px) {
  .paper {
    padding: 12px;
  }
}
@media print {
  .paper {
    border: 0;
    padding: 0;
  }
}
</style>
