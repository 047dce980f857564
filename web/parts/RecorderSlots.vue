<script setup lang="ts">
import type { Slot } from '#core/allocate/recorder';

/** Every slot of a recorder on a morning, with who is on it; inputs that are turned and stand empty say so too. */
const { slots, ipInputs } = defineProps<{ slots: readonly Slot[]; ipInputs: readonly number[] }>();
const isIp = ({ slot, carries }: Slot): boolean => carries === 'ip' || ipInputs.includes(slot);
</script>

<template>
  <div class="slots">
    <span
      v-for="slot in slots"
      :key="slot.slot"
      class="slot mono"
      :class="isIp(slot) ? 'ip' : slot.carries"
      :title="`${slot.label}${isIp(slot) ? ', IP' : ''}`"
      ><span class="no">{{ slot.slot }}</span>
      {{ slot.occupants.map(({ need }) => need.number).join(' ') || '·'
      }}<span v-if="isIp(slot)" class="ip-mark">ip</span></span
    >
  </div>
</template>

<style scoped>
.slots {
  display: grid;
  grid-template-columns: repeat(8, minmax(0, 1fr));
  gap: 2px;
}
.slot {
  border: 1px solid var(--rule);
  padding: 1px 4px;
  font-size: 12px;
  white-space: nowrap;
}
.slot.ip {
  background: var(--verdigris-3);
}
.no {
  font-size: 9px;
  color: var(--ink-3);
}
.ip-mark {
  font-size: 9px;
  color: var(--verdigris);
  padding-left: 3px;
}
</style>
