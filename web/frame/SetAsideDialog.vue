<script setup lang="ts">
import Dialog from 'primevue/dialog';
import { ref } from 'vue';
import { optionRow, type OptionKind } from '#core/model/site';
import { useSetAside } from '../stores/setAside';

/** Edits that were set aside, with what each side wanted, to be done again or put away. */
const visible = defineModel<boolean>('visible', { required: true });
const aside = useSetAside();
const problem = ref<string | null>(null);

const mostShown = 120;
function valueInWords(field: string, value: unknown): string {
  if (value === null || value === undefined) return 'nothing';
  if (field === 'option') return optionRow(value as OptionKind).label;
  const text = typeof value === 'string' ? value : JSON.stringify(value);
  return text.length > mostShown ? `${text.slice(0, mostShown)}…` : text;
}
const when = (at: string): string =>
  new Date(at).toLocaleString([], { dateStyle: 'short', timeStyle: 'short' });
</script>

<template>
  <Dialog v-model:visible="visible" modal header="Set aside" :style="{ width: '620px' }" dismissable-mask>
    <p v-if="aside.here.length === 0" class="dim">Nothing is set aside.</p>
    <ul class="aside">
      <li v-for="one in aside.here" :key="one.entry.id" :data-aside="one.entry.id">
        <p>
          <b>{{ one.entry.label }}</b>{{ ' ' }}
          <span class="dim">{{ one.entry.by }}, {{ when(one.entry.at) }}: {{ one.why }}.</span>
        </p>
        <table v-if="one.clashes.length > 0">
          <thead>
            <tr>
              <th>What</th>
              <th>Yours, {{ one.entry.by }}, {{ when(one.entry.at) }}</th>
              <th>{{ one.other ? `Theirs, ${one.other.by}, ${when(one.other.at)}` : 'Theirs' }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="clash in one.clashes" :key="`${clash.kind} ${clash.id} ${clash.field}`">
              <td class="what">{{ [clash.kind, clash.id, clash.field].filter(Boolean).join(' ') }}</td>
              <td>{{ valueInWords(clash.field, clash.mine) }}</td>
              <td>{{ valueInWords(clash.field, clash.theirs) }}</td>
            </tr>
          </tbody>
        </table>
        <div class="acts">
          <button type="button" class="btn small" @click="problem = aside.again(one)">Use mine</button>
          <button type="button" class="btn small" @click="aside.putAway(one.entry.id)">
            {{ one.clashes.length > 0 ? 'Keep theirs' : 'Leave it out' }}
          </button>
        </div>
      </li>
    </ul>
    <p v-if="problem" class="caution" role="alert">It does not fit any more: {{ problem }}.</p>
  </Dialog>
</template>

<style scoped>
.aside {
  list-style: none;
  padding: 0;
  margin: 0;
  display: grid;
  gap: 14px;
}
li {
  border-left: 3px solid var(--copper);
  padding-left: 10px;
}
table {
  width: 100%;
  font-size: 12px;
}
.what {
  width: 150px;
}
th,
td {
  text-align: left;
  vertical-align: top;
  overflow-wrap: anywhere;
}
.acts {
  display: flex;
  gap: 8px;
  margin-top: 6px;
}
</style>
