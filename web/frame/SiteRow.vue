<script setup lang="ts">
import { roleAllows, type SiteListing } from '#contract';

/** A site in the list of all of them, with what can be done with it. */
defineProps<{ site: SiteListing }>();
const when = (at: string): string => new Date(at).toLocaleString();
</script>

<template>
  <li :class="{ aside: site.archivedAt || site.binnedAt }" :data-site="site.id">
    <span class="which"
      ><span v-if="site.binnedAt" class="name">{{ site.name }}</span
      ><RouterLink
        v-else-if="!roleAllows(site.role, 'read')"
        class="name"
        :to="{ name: 'customer', params: { siteId: site.id } }"
        >{{ site.name }}</RouterLink
      ><RouterLink v-else class="name" :to="{ name: 'survey', params: { siteId: site.id } }">{{
        site.name
      }}</RouterLink>
      <span class="dim tiny"
        >{{ site.version === 0 ? 'as imported' : `${site.version} changes` }}, last {{ when(site.changedAt)
        }}{{ site.binnedAt ? `, deleted ${when(site.binnedAt)}` : site.archivedAt ? ', archived' : '' }}</span
      ></span
    >
    <slot />
  </li>
</template>

<style scoped>
li {
  display: flex;
  gap: 8px;
  align-items: center;
  padding: 7px 0;
  border-bottom: 1px solid var(--rule);
}
.which {
  flex: 1;
  min-width: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 0 12px;
  align-items: baseline;
}
.name {
  font-size: 15px;
}
.aside .name {
  color: var(--ink-2);
}
@media (max-width: 600px) {
  li {
    flex-wrap: wrap;
  }
  .which {
    flex-basis: 100%;
  }
}
</style>
