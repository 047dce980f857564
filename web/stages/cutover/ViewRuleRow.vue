<script setup lang="ts">
import { computed } from 'vue';
import { removing, withFields, type ViewRule } from '#core/model/site';
import PickField from '../../parts/PickField.vue';
import PicksField from '../../parts/PicksField.vue';
import QuantityField from '../../parts/QuantityField.vue';
import TextField from '../../parts/TextField.vue';
import { fitting } from '../../parts/within';
import type { Change } from '#core/model/site';

/** One rule about views: how many of them may be dark, what watches over them meanwhile, and how much their minutes count. */
const { rule, cameras } = defineProps<{
  rule: ViewRule;
  cameras: { value: string; label: string }[];
}>();
const emit = defineEmits<{ take: [label: string, changes: Change[]] }>();
const nobody = 'nobody';
const covers = computed(() => [
  { value: nobody, label: 'Nothing covers them' },
  ...cameras.filter(({ value }) => !rule.cameraIds.includes(value)),
]);
function set(fields: Partial<ViewRule>): void {
  const next = withFields(rule, fields);
  emit('take', `Rule “${rule.name}”`, [{ kind: 'viewRule', id: rule.id, set: next }]);
}
</script>

<template>
  <div class="line rule" :data-rule="rule.id">
    <TextField
      :value="rule.name"
      :label="`Name of rule ${rule.name}`"
      :refuse="(text) => (text ? undefined : 'Enter a name.')"
      @take="(name) => set({ name })"
    />
    <PicksField
      :values="rule.cameraIds"
      :choices="cameras"
      :label="`Cameras of ${rule.name}`"
      @take="(cameraIds) => set({ cameraIds })"
    />
    <span class="most"
      ><span class="dim">dark at most</span
      ><QuantityField
        :value="rule.mostDark"
        unit=""
        :label="`How many of ${rule.name} may be dark`"
        :allowed="fitting('viewRule', 'mostDark')"
        @take="(mostDark) => set({ mostDark })"
    /></span>
    <span class="most"
      ><span class="dim">a minute counts</span
      ><QuantityField
        :value="rule.weight ?? 1"
        unit=""
        :label="`How many times a dark minute of ${rule.name} counts`"
        :allowed="(value) => (value === 1 ? undefined : fitting('viewRule', 'weight')(value))"
        @take="(weight) => set({ weight: weight === 1 ? undefined : weight })"
      /><span class="dim times">times</span></span
    >
    <button
      type="button"
      class="btn small"
      @click="emit('take', `Take away rule “${rule.name}”`, [removing('viewRule', rule.id)])"
    >
      Remove
    </button>
    <span class="cover"
      ><span class="dim">Watched meanwhile by</span
      ><PickField
        :value="rule.coverId ?? nobody"
        :choices="covers"
        :label="`What watches over ${rule.name}`"
        @take="(coverId) => set({ coverId: coverId === nobody ? undefined : coverId })"
      /><label class="except"
        ><input
          type="checkbox"
          :checked="rule.exceptRestarts ?? false"
          @change="set({ exceptRestarts: ($event.target as HTMLInputElement).checked || undefined })"
        />
        but for the minutes of a restart</label
      ></span
    >
  </div>
</template>

<style scoped>
.line {
  display: grid;
  grid-template-columns: 180px minmax(180px, 260px) auto auto auto;
  gap: 6px 10px;
  align-items: center;
  justify-content: start;
  padding-bottom: 8px;
  border-bottom: 1px solid var(--rule);
}
.line > button {
  justify-self: start;
}
.cover {
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  gap: 6px 10px;
  align-items: center;
}
.most {
  display: inline-flex;
  gap: 6px;
  align-items: center;
}
.most :deep(.quantity) {
  width: 56px;
}
.line :deep(.p-multiselect) {
  width: 100%;
  max-width: 100%;
}
.cover :deep(.p-select) {
  min-width: 190px;
}
.times {
  margin-left: -22px;
}
.except {
  display: inline-flex;
  gap: 5px;
  align-items: center;
}
@media (max-width: 900px) {
  .line {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
