<script setup lang="ts">
import { computed, ref } from 'vue';
import { backupInWords } from '#core/connect/supply';
import type { PowerNode } from '#core/connect/powerPicture';
import type { NetworkMoment } from '#core/evaluate';
import { formatQuantity } from '#core/shared/units';
import { counted } from '#core/shared/labels';
import LoadBar from '../../parts/LoadBar.vue';
import { useOpenSite } from '../../stores/openSite';
import { useWhyPanel } from '../../stores/whyPanel';

/** Something that takes watts and passes them on, with what is below it. */
const { node, most, depth, moment } = defineProps<{
  node: PowerNode;
  most: number;
  depth: number;
  moment: NetworkMoment;
}>();
const why = useWhyPanel();
/** A camera takes what it takes; whatever feeds others has a sum behind it. */
const hasWhy = computed(() => node.children.length > 0 || node.kind === 'gear' || node.kind === 'box');
const openSite = useOpenSite();
/** A box with many cameras starts folded, so that the whole is seen first. */
const isOpen = ref(node.children.length <= 12);
const minutes = computed(() => (node.backup ? backupInWords(node.backup) : ''));
const kinds: Record<PowerNode['kind'], string> = {
  circuit: 'mains circuit',
  ups: 'UPS',
  box: 'supply box',
  gear: '',
  camera: '',
  heater: '',
  unnoted: '',
};
</script>

<template>
  <li
    :data-power="node.id"
    role="treeitem"
    :aria-level="depth"
    :aria-expanded="node.children.length > 0 ? isOpen : undefined"
  >
    <div class="line" :class="node.kind" :style="{ paddingLeft: `${(depth - 1) * 22}px` }">
      <button
        v-if="node.children.length > 0"
        type="button"
        class="plain fold"
        :aria-label="`${isOpen ? 'Fold' : 'Unfold'} ${node.name}`"
        @click="isOpen = !isOpen"
      >
        {{ isOpen ? '−' : '+' }}
      </button>
      <span v-else class="fold" />
      <span class="name"
        >{{ node.name }}
        <span class="dim tiny"
          >{{
            [kinds[node.kind], node.placeId ? openSite.place[node.placeId]?.name : '']
              .filter(Boolean)
              .join(', ')
          }}{{ !isOpen ? `, ${counted(node.children.length, 'load')} below` : '' }}</span
        ></span
      >
      <span class="bar" aria-hidden="true"><i :style="{ width: `${(node.watts / most) * 100}%` }" /></span>
      <button
        v-if="hasWhy"
        type="button"
        class="plain mono watts"
        :aria-label="`Why ${formatQuantity(node.watts, 'W')}: ${node.name}`"
        @click="why.ask({ kind: 'power', at: moment, nodeId: node.id })"
      >
        {{ formatQuantity(node.watts, 'W')
        }}<span v-if="node.isUnread" class="dim" title="Some of its watts are not noted">+</span>
      </button>
      <span v-else class="mono watts">{{ formatQuantity(node.watts, 'W') }}</span>
      <span class="limit"
        ><LoadBar v-if="node.load" :load="node.load" :digits="node.load.unit === 'A' ? 1 : 0"
      /></span>
      <span class="dim tiny">{{ minutes }}</span>
    </div>
    <ul v-if="isOpen && node.children.length > 0" role="group">
      <PowerRow
        v-for="child in node.children"
        :key="child.id"
        :node="child"
        :most="most"
        :depth="depth + 1"
        :moment="moment"
      />
    </ul>
  </li>
</template>

<style scoped>
.line {
  display: grid;
  grid-template-columns: 18px minmax(160px, 1fr) 140px 84px 210px 130px;
  gap: 8px;
  align-items: center;
  min-height: 24px;
  border-bottom: 1px solid var(--rule);
  font-size: 13px;
}
.circuit .name,
.unnoted .name {
  font-weight: 600;
}
.camera {
  border-bottom: 0;
  min-height: 20px;
  font-size: 12px;
}
.fold {
  width: 18px;
  text-align: center;
}
.bar {
  height: 6px;
  background: var(--copper-3);
}
.bar i {
  display: block;
  height: 6px;
  background: var(--copper);
}
.watts {
  text-align: right;
  min-height: 24px;
  line-height: 24px;
}
button.watts {
  text-decoration: underline dotted;
  text-underline-offset: 3px;
}
@media (max-width: 700px) {
  .line {
    grid-template-columns: 18px 1fr 84px;
    padding-block: 6px;
  }
  .bar,
  .limit,
  .line > .tiny {
    display: none;
  }
}
</style>
