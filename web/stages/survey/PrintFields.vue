<script setup lang="ts">
import { computed, inject, ref } from 'vue';
import {
  parseMarks,
  proposalFrom,
  readJacketPrint,
  saysInWords,
  signalCable,
  powerCable,
} from '#core/physics/cable';
import { fieldKey } from '#core/survey/gaps';
import {
  withMarks,
  withPrint,
  withSegment,
  withSegmentWords,
  type FactUpdate,
  type Run,
  type Segment,
} from '#core/model/site';
import { onlyField } from '../../parts/onlyField';
import FieldRow from '../../parts/FieldRow.vue';
import TextField from '../../parts/TextField.vue';

/** What stands on the jacket: the print, which tells the construction, and two marks, which tell the length. */
const { run, index, segment } = defineProps<{ run: Run; index: number; segment: Segment }>();
const emit = defineEmits<{ change: [what: string, next: FactUpdate<Run>] }>();

const only = inject(onlyField, null);
const isAskedFor = computed(() => !only?.value || only.value === fieldKey('print', index));

const read = computed(() => (segment.print ? readJacketPrint(segment.print) : null));
const proposal = computed(() => (read.value ? proposalFrom(read.value) : null));
const offered = computed(() => {
  const leg = segment.leg.kind === 'cores' ? segment.leg.cable : null;
  const { cable = null, powerCable: power = null } = proposal.value ?? {};
  return [
    cable && cable !== segment.cable ? signalCable(cable).label : '',
    power && power !== leg ? powerCable(power).label : '',
  ].filter(Boolean);
});
const marksText = computed(() =>
  segment.marks
    ? `${segment.marks.head} ${segment.marks.unit}, ${segment.marks.far} ${segment.marks.unit}`
    : '',
);
const unclear = ref('');

const setPrint = (print: string) =>
  emit('change', 'Jacket print', (now) => withSegment(now, index, { print }));

const setWords = (what: string, key: 'reel' | 'installedBy', words: string) =>
  emit('change', what, (now) => withSegmentWords(now, index, key, words));

function takeMarks(text: string): void {
  const typed = parseMarks(text);
  if (typed.kind === 'refused') {
    unclear.value = typed.why;
    return;
  }
  const marked = withMarks(run, index, typed.head, typed.far);
  unclear.value = marked.kind === 'unclear' ? `No length from these: ${marked.why}.` : '';
  if (marked.kind === 'unclear') return;
  emit('change', 'Length marks', (now) => {
    const again = withMarks(now, index, typed.head, typed.far);
    return again.kind === 'sound' ? again.run : now;
  });
}
</script>

<template>
  <FieldRow label="Jacket print" :field="fieldKey('print', index)">
    <TextField
      :value="segment.print ?? ''"
      :label="`Jacket print of segment ${index + 1}`"
      placeholder="As it reads, e.g. RG59 20AWG BC + 18/2"
      :refuse="(text) => (text.length <= 200 ? undefined : 'up to 200 characters')"
      @take="setPrint"
    />
  </FieldRow>
  <p v-if="segment.print === undefined && isAskedFor" class="read">
    <button type="button" class="plain none" @click="setPrint('')">There is no print on it</button>
  </p>
  <p v-else-if="segment.print === '' && isAskedFor" class="caution">
    No print on it. Take its construction as unknown until its loop resistance is read; a ready-made lead
    without a print is often thin, or steel.
  </p>
  <div v-else-if="read && isAskedFor" class="read" :data-print="index">
    <p>
      {{ saysInWords(read) || 'Nothing on it was understood.'
      }}<span v-if="read.unread.length > 0" class="dim"> Not understood: {{ read.unread.join(', ') }}.</span>
    </p>
    <p v-for="doubt in proposal?.doubts" :key="doubt" class="dim">{{ doubt }}</p>
    <button
      v-if="offered.length > 0"
      type="button"
      class="btn small"
      @click="
        emit('change', 'Construction from the print', (now) => withPrint(now, index, segment.print ?? ''))
      "
    >
      Use {{ offered.join(' and ') }}
    </button>
  </div>
  <template v-if="!only">
    <FieldRow label="Reel">
      <TextField
        :value="segment.reel ?? ''"
        :label="`Reel of segment ${index + 1}`"
        :refuse="(text) => (text.length <= 60 ? undefined : 'up to 60 characters')"
        @take="(text) => setWords('Reel', 'reel', text)"
      />
    </FieldRow>
    <FieldRow label="Put in by">
      <TextField
        :value="segment.installedBy ?? ''"
        :label="`Who put segment ${index + 1} in`"
        :refuse="(text) => (text.length <= 80 ? undefined : 'up to 80 characters')"
        @take="(text) => setWords('Who put it in', 'installedBy', text)"
      />
    </FieldRow>
  </template>
  <FieldRow label="Length marks" :field="fieldKey('length', index)"
    ><TextField
      :value="marksText"
      :label="`Length marks of segment ${index + 1}`"
      placeholder="Head end, far end, e.g. 1234 ft, 560 ft"
      @take="takeMarks"
  /></FieldRow>
  <p v-if="unclear" class="caution" role="alert">{{ unclear }}</p>
</template>

<style scoped>
.read {
  margin: 2px 0 4px 112px;
  font-size: 11px;
  display: grid;
  gap: 3px;
  justify-items: start;
}
.read .btn {
  white-space: normal;
  text-align: left;
}
.none {
  text-decoration: underline;
  text-underline-offset: 2px;
  color: var(--ink-2);
}
</style>
