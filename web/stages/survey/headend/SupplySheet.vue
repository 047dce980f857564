<script setup lang="ts">
import { computed } from 'vue';
import type { SupplyCheck } from '#core/connect/supply';
import { fedFrom, usualLead, withFields, type Change, type Run, type Supply } from '#core/model/site';
import { choices } from '#core/model/labels';
import FieldRow from '../../../parts/FieldRow.vue';
import LoadBar from '../../../parts/LoadBar.vue';
import PickField from '../../../parts/PickField.vue';
import QuantityField from '../../../parts/QuantityField.vue';
import TextField from '../../../parts/TextField.vue';
import { fitting } from '../../../parts/within';
import YesNoField from '../../../parts/YesNoField.vue';
import { useOpenSite } from '../../../stores/openSite';
import PowerLeadFields from '../PowerLeadFields.vue';
import HookUpFields from './HookUpFields.vue';

/** A supply box: its rail, its outputs with their fuses, and which run hangs on which, with the sums at once. */
const { supply, check } = defineProps<{ supply: Supply; check: SupplyCheck }>();
const emit = defineEmits<{ change: [what: string, changes: Change[]] }>();
const openSite = useOpenSite();

const places = computed(() =>
  Object.values(openSite.value.place).map(({ id, name }) => ({ value: id, label: name })),
);
const runs = computed(() =>
  Object.values(openSite.value.run)
    .map((run) => ({ run, camera: openSite.value.camera[run.cameraId]! }))
    .sort((a, b) => a.camera.number - b.camera.number)
    .map(({ run, camera }) => ({ value: run.id, label: `${camera.number} ${camera.name}` })),
);

function set(what: string, fields: { [K in keyof Supply]?: Supply[K] | undefined }): void {
  emit('change', what, [{ kind: 'supply', id: supply.id, set: withFields(supply, fields) }]);
}
type Output = Supply['outputs'][number];
const setOutput = (
  what: string,
  number: number,
  fields: { [K in keyof Output]?: Output[K] | undefined },
): void =>
  set(what, {
    outputs: supply.outputs.map((output) => (output.number === number ? withFields(output, fields) : output)),
  });
/** Every output with what hangs on it, and the lead that it splits behind. */
const outputs = computed(() =>
  check.outputs.map((output) => ({
    ...output,
    lead: supply.outputs.find(({ number }) => number === output.number)?.lead,
  })),
);
const addOutput = () =>
  set('Add output', {
    outputs: [
      ...supply.outputs,
      {
        number: Math.max(...supply.outputs.map(({ number }) => number)) + 1,
        fuseAmps: supply.outputs.at(-1)!.fuseAmps,
      },
    ],
  });
const lastIsFree = computed(() => supply.outputs.length > 1 && check.outputs.at(-1)?.fed.length === 0);
const setRun = (run: Run) => emit('change', 'Output', [{ kind: 'run', id: run.id, set: run }]);
const hang = (runId: string, output: number) =>
  setRun(fedFrom(openSite.value.run[runId]!, { supplyId: supply.id, output }));
const unhang = (runId: string) => setRun(fedFrom(openSite.value.run[runId]!, null));
</script>

<template>
  <div class="sums">
    <span>At night <LoadBar :load="check.sum" :digits="2" /></span>
    <span>All starting at once <LoadBar :load="check.startUp" :digits="2" /></span>
  </div>
  <div v-if="check.wrong.length > 0" class="caution">
    <p v-for="one in check.wrong" :key="one">{{ one }}</p>
  </div>
  <div v-if="check.cautions.length > 0" class="caution">
    <p v-for="one in check.cautions" :key="one">{{ one }}</p>
  </div>
  <div class="two">
    <section>
      <FieldRow label="Name"
        ><TextField
          :value="supply.name"
          label="Supply name"
          :refuse="(text) => (text ? undefined : 'a name')"
          @take="(name) => set('Name', { name })"
      /></FieldRow>
      <FieldRow label="Place"
        ><PickField
          :value="supply.placeId"
          :choices="places"
          label="Supply place"
          @take="(placeId) => set('Place', { placeId })"
      /></FieldRow>
      <FieldRow label="Rail">
        <PickField
          :value="supply.current"
          :choices="choices.current"
          label="DC or AC"
          @take="(current) => set('Rail', { current })"
        />
        <QuantityField
          :value="supply.setVolts"
          unit="V"
          label="Volts set"
          :allowed="fitting('supply', 'setVolts', 'V')"
          @take="(setVolts) => set('Volts', { setVolts })"
        />
      </FieldRow>
      <FieldRow label="Adjustable">
        <YesNoField
          :value="supply.adjustable !== undefined"
          label="Adjustable"
          @take="
            (is) =>
              set('Adjustable', {
                adjustable: is ? { minVolts: supply.setVolts, maxVolts: supply.setVolts } : undefined,
              })
          "
        />
      </FieldRow>
      <FieldRow v-if="supply.adjustable" label="From">
        <QuantityField
          :value="supply.adjustable.minVolts"
          unit="V"
          label="Lowest setting"
          :allowed="fitting('supply', 'adjustable.minVolts', 'V')"
          @take="(minVolts) => set('Range', { adjustable: { ...supply.adjustable!, minVolts } })"
        />
        <span class="dim">to</span>
        <QuantityField
          :value="supply.adjustable.maxVolts"
          unit="V"
          label="Highest setting"
          :allowed="fitting('supply', 'adjustable.maxVolts', 'V')"
          @take="(maxVolts) => set('Range', { adjustable: { ...supply.adjustable!, maxVolts } })"
        />
      </FieldRow>
      <FieldRow v-if="supply.current === 'dc'" label="Battery on its rail"
        ><YesNoField
          :value="supply.battery === true"
          label="Battery on its rail"
          @take="(battery) => set('Battery', { battery: battery || undefined })"
      /></FieldRow>
    </section>
    <section>
      <FieldRow label="Rated" hint="Continuous load limit: 80 % of rating."
        ><QuantityField
          :value="supply.ratedAmps"
          unit="A"
          label="Rated amps"
          :allowed="fitting('supply', 'ratedAmps', 'A')"
          @take="(ratedAmps) => set('Rating', { ratedAmps })"
      /></FieldRow>
      <HookUpFields
        :hook-up="supply.hookUp"
        :own-id="supply.id"
        @set="(hookUp) => set('Hook-up', { hookUp })"
      />
      <FieldRow label="Note"
        ><TextField
          :value="supply.note ?? ''"
          label="Note on the supply"
          @take="(note) => set('Note', { note: note || undefined })"
      /></FieldRow>
    </section>
  </div>
  <table>
    <thead>
      <tr>
        <th>Output</th>
        <th>Fuse</th>
        <th>Load</th>
        <th>Worst-case current</th>
      </tr>
    </thead>
    <tbody>
      <template v-for="output in outputs" :key="output.number"
        ><tr :data-output="output.number">
          <td class="mono">{{ output.number }}</td>
          <td class="fuse">
            <QuantityField
              :value="output.fuse.most"
              unit="A"
              :label="`Fuse of output ${output.number}`"
              :allowed="fitting('supply', 'outputs.fuseAmps', 'A')"
              @take="(fuseAmps) => setOutput('Fuse', output.number, { fuseAmps })"
            />
          </td>
          <td>
            <span v-for="one in output.fed" :key="one.runId" class="fed"
              >{{ one.number }} {{ one.name }}
              <button
                type="button"
                class="plain away"
                :aria-label="`Take camera ${one.number} off output ${output.number}`"
                @click="unhang(one.runId)"
              >
                ×
              </button></span
            >
            <PickField
              v-if="output.fed.length === 0 || output.lead"
              :key="output.fed.length"
              class="pick"
              :value="null"
              :choices="runs"
              :label="`Run on output ${output.number}`"
              :placeholder="output.fed.length === 0 ? 'free' : 'another behind its lead'"
              @take="(runId) => hang(runId, output.number)"
            />
            <button
              type="button"
              class="plain split"
              :aria-label="`${output.lead ? 'Take the lead away' : 'Shared lead'}: output ${output.number}`"
              @click="setOutput('Shared lead', output.number, { lead: output.lead ? undefined : usualLead })"
            >
              {{ output.lead ? 'Take the lead away' : 'Shared lead' }}
            </button>
          </td>
          <td><LoadBar v-if="output.fed.length > 0" :load="output.fuse" :digits="2" /></td>
        </tr>
        <tr v-if="output.lead" :data-lead="output.number">
          <td colspan="4">
            <PowerLeadFields
              :lead="output.lead"
              :called="`lead of output ${output.number}`"
              hint="From the output to where it splits: it carries what all of its cameras take. Cores of each run begin behind it."
              @take="
                (fields) => setOutput('Shared lead', output.number, { lead: { ...output.lead!, ...fields } })
              "
            />
          </td></tr
      ></template>
    </tbody>
  </table>
  <div class="row">
    <button type="button" class="btn small" @click="addOutput">Add output</button
    ><button
      v-if="lastIsFree"
      type="button"
      class="btn small"
      @click="set('Remove output', { outputs: supply.outputs.slice(0, -1) })"
    >
      Remove output
    </button>
  </div>
  <p class="caution">
    Work on the mains side of a supply is for licensed people, by local code. Prove dead, and mind polarity
    before power: reversed, it destroys cameras.
  </p>
</template>

<style scoped>
.sums {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 28px;
}
.sums > span {
  display: inline-flex;
  gap: 10px;
  align-items: center;
}
.two {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
  gap: 4px 28px;
  align-items: start;
}
table {
  border-collapse: collapse;
  width: 100%;
}
th {
  text-align: left;
  font-size: 11px;
  font-weight: 400;
  color: var(--ink-2);
  padding: 2px 8px 2px 0;
}
td {
  border-top: 1px solid var(--rule);
  padding: 2px 8px 2px 0;
}
.fuse {
  width: 92px;
  min-width: 92px;
}
.fed {
  margin-right: 12px;
}
.away {
  padding: 0 5px;
  color: var(--ink-2);
}
.pick {
  width: 190px;
}
.split {
  padding: 4px 6px;
  min-height: 26px;
  font-size: 12px;
  color: var(--copper);
  text-decoration: underline;
  text-underline-offset: 2px;
}
.pick :deep(.p-select-label) {
  color: var(--ink-3);
}
/* On a phone each output is a block of its own: a row as wide as its bar would push the sheet over the edge. */
@media (max-width: 700px) {
  thead {
    display: none;
  }
  tbody tr {
    display: grid;
    grid-template-columns: 24px 104px minmax(0, 1fr);
    align-items: center;
    border-top: 1px solid var(--rule);
  }
  td {
    border-top: none;
  }
  td:nth-child(4),
  [data-lead] td {
    grid-column: 1 / -1;
  }
  .pick {
    width: 100%;
  }
}
</style>
