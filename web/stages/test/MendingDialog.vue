<script setup lang="ts">
import Dialog from 'primevue/dialog';
import { computed, reactive, ref } from 'vue';
import { mostTroublesFound, type Mending, type Trouble } from '#core/model/site';
import { causeWords } from '#core/test/diagnosis';
import DialogFoot from '../../parts/DialogFoot.vue';
import FieldRow from '../../parts/FieldRow.vue';
import PicksField from '../../parts/PicksField.vue';
import TextField from '../../parts/TextField.vue';
import YesNoField from '../../parts/YesNoField.vue';

/** What a run was found to have when somebody opened it up, and whether the line is another since. */
const visible = defineModel<boolean>('visible', { required: true });
const { possible } = defineProps<{
  /** Troubles that the run can have, the likeliest first. */
  possible: readonly Trouble[];
}>();
const emit = defineEmits<{ noted: [of: Pick<Mending, 'found' | 'did' | 'changedLine'>] }>();

const typed = reactive<{ found: Trouble[]; isSound: boolean; did: string; changedLine: boolean | null }>({
  found: [],
  isSound: false,
  did: '',
  changedLine: null,
});
const why = ref('');
const choices = computed(() => possible.map((value) => ({ value, label: causeWords[value].label })));
/** Whoever mended something changed the line, unless he says otherwise. */
const changedLine = computed(() => typed.changedLine ?? typed.found.length > 0);
const mostWords = 200;
const fits = (text: string) => (text.length <= mostWords ? undefined : `up to ${mostWords} characters`);

function note(): void {
  if (typed.found.length === 0 && !typed.isSound) {
    why.value = 'Pick what it was, or say that nothing was wrong.';
    return;
  }
  if (typed.found.length > mostTroublesFound) {
    why.value = `Up to ${mostTroublesFound} at once; note the others as found later.`;
    return;
  }
  emit('noted', { found: [...typed.found], did: typed.did.trim(), changedLine: changedLine.value });
  Object.assign(typed, { found: [], isSound: false, did: '', changedLine: null });
  why.value = '';
  visible.value = false;
}
function pick(found: Trouble[]): void {
  typed.found = found;
  why.value = '';
  if (found.length > 0) typed.isSound = false;
}
</script>

<template>
  <Dialog v-model:visible="visible" modal header="What it was" :style="{ width: '420px' }" dismissable-mask>
    <form class="fields" @submit.prevent="note">
      <FieldRow label="Found"
        ><PicksField
          :values="typed.found"
          :choices="choices"
          label="Found"
          placeholder="pick what it was"
          @take="pick"
      /></FieldRow>
      <label class="sound"
        ><input v-model="typed.isSound" type="checkbox" :disabled="typed.found.length > 0" /> Nothing was
        wrong</label
      >
      <FieldRow label="Done"
        ><TextField
          :value="typed.did"
          label="Done"
          placeholder="remade the joint at 97 m"
          :refuse="fits"
          @take="(text) => (typed.did = text)"
      /></FieldRow>
      <FieldRow label="Line changed"
        ><YesNoField :value="changedLine" label="Line changed" @take="(is) => (typed.changedLine = is)"
      /></FieldRow>
      <p class="dim tiny">
        {{
          changedLine
            ? 'Readings from before this no longer count: they stay in the log, and the run is read again.'
            : 'Readings keep counting.'
        }}
      </p>
      <DialogFoot :problems="why ? [why] : []" go="Note it" @leave="visible = false" />
    </form>
  </Dialog>
</template>

<style scoped>
.fields {
  display: grid;
  gap: 8px;
}
.sound {
  display: flex;
  gap: 8px;
  align-items: center;
}
</style>
