<script setup lang="ts">
import { hdSchemes, pictureFormat, type HdScheme } from '#core/physics/signal';
import { familyOf, rulesInWords, withRulesOf } from '#core/model/slotRules';
import { computed } from 'vue';
import { changeRulesOf } from '#core/allocate/recorder';
import {
  aboutOf,
  disksText,
  forcedText,
  inputsText,
  monitorOutputs,
  noteRecorder,
  parseDisks,
  parseForced,
  parseInputs,
  withFields,
  type Change,
  type Recorder,
} from '#core/model/site';
import { choices, schemesOf } from '#core/model/labels';
import FieldRow from '../../../parts/FieldRow.vue';
import PickField from '../../../parts/PickField.vue';
import PicksField from '../../../parts/PicksField.vue';
import QuantityField from '../../../parts/QuantityField.vue';
import TextField from '../../../parts/TextField.vue';
import { fitting } from '../../../parts/within';
import { useOpenSite } from '../../../stores/openSite';
import { sayInPassing } from '../../../parts/sayInPassing';
import HookUpFields from './HookUpFields.vue';
import SlotRulesFields from './SlotRulesFields.vue';

/** A recorder: what it takes in, how its inputs turn to IP, and its limits. */
const { recorder } = defineProps<{ recorder: Recorder }>();
const emit = defineEmits<{ change: [what: string, changes: Change[]] }>();
const openSite = useOpenSite();

const places = computed(() =>
  Object.values(openSite.value.place).map(({ id, name }) => ({ value: id, label: name })),
);
const patched = computed(
  () =>
    Object.values(openSite.value.run).filter(({ patchedTo }) => patchedTo?.recorderId === recorder.id).length,
);
const outputs = monitorOutputs.map((value) => ({
  value,
  label: { composite: 'Composite', vga: 'VGA', hdmi: 'HDMI' }[value],
}));
/** Its own ports as they are noted, or as eight usually are. */
const powerPorts = computed(() => recorder.powerPorts ?? { ports: 8, watts: 120 });
const limits = (fields: Partial<Recorder['limits']>) =>
  set('Limits', { limits: { ...recorder.limits, ...fields } });

const about = computed(() => aboutOf(openSite.value));
const takesHd = computed(() => recorder.accepts.some((id) => pictureFormat(id).family === 'analog-hd'));
const schemeChoices = computed(() => schemesOf(about.value));
function callScheme(scheme: HdScheme, word: string): void {
  const schemeWords = withFields(about.value.schemeWords ?? {}, { [scheme]: word.trim() || undefined });
  const noted = withFields(about.value, {
    schemeWords: Object.keys(schemeWords).length > 0 ? schemeWords : undefined,
  });
  emit('change', 'Words for HD schemes', [{ kind: 'about', id: 'about', set: noted }]);
}

const lineStandards = [{ value: 'found' as const, label: 'Auto-detect' }, ...choices.lineStandard];
function set(what: string, fields: { [K in keyof Recorder]?: Recorder[K] | undefined }): void {
  const changes = noteRecorder(openSite.value, withFields(recorder, fields));
  const lost = changes
    .filter(({ kind }) => kind === 'placement')
    .map(({ id }) => openSite.value.camera[id]?.number);
  if (lost.length > 0)
    sayInPassing({
      severity: 'warn',
      summary: 'Slots gone',
      detail: `Camera${lost.length > 1 ? 's' : ''} ${lost.join(', ')} had a slot that it no longer has, and wait${lost.length > 1 ? '' : 's'} for another in Allocate.`,
      life: 8000,
    });
  emit('change', what, changes);
}
const refuseText = (read: { kind: 'read' } | { kind: 'refused'; why: string }) =>
  read.kind === 'refused' ? read.why : undefined;
function takeDisks(text: string): void {
  const read = parseDisks(text);
  if (read.kind === 'read') set('Disks', { disks: read.value.length > 0 ? read.value : undefined });
}
const family = computed(() => familyOf(recorder));
const changeCosts = [
  { value: 'restarts' as const, label: 'a restart' },
  { value: 'factoryValues' as const, label: 'its settings' },
  { value: 'losesAnalytics' as const, label: 'analytics' },
];
const costs = computed(() =>
  changeCosts.map(({ value }) => value).filter((one) => changeRulesOf(recorder)[one]),
);
const takeCosts = (picked: readonly string[]) =>
  set('Cost of a change', {
    onChange: {
      restarts: picked.includes('restarts'),
      factoryValues: picked.includes('factoryValues'),
      losesAnalytics: picked.includes('losesAnalytics'),
    },
  });
function takeTurned(text: string): void {
  const read = parseInputs(text, recorder.inputs);
  if (read.kind === 'read')
    set('Inputs that are IP', { ipInputs: read.value.length > 0 ? read.value : undefined });
}
function takeForced(text: string): void {
  const read = parseForced(text, recorder.inputs);
  if (read.kind === 'read')
    set('Inputs set to a format', { forced: read.value.length > 0 ? read.value : undefined });
}
</script>

<template>
  <div class="two">
    <section>
      <FieldRow label="Name"
        ><TextField
          :value="recorder.name"
          label="Recorder name"
          :refuse="(text) => (text ? undefined : 'a name')"
          @take="(name) => set('Name', { name })"
      /></FieldRow>
      <FieldRow label="Place"
        ><PickField
          :value="recorder.placeId"
          :choices="places"
          label="Recorder place"
          @take="(placeId) => set('Place', { placeId })"
      /></FieldRow>
      <FieldRow
        label="Inputs"
        :hint="!family.takesCoax ? 'none on a recorder for network cameras' : `${patched} in use`"
        ><QuantityField
          :value="recorder.inputs"
          unit=""
          label="Inputs"
          :allowed="fitting('recorder', 'inputs')"
          :disabled="!family.takesCoax"
          @take="(inputs) => set('Inputs', { inputs })"
      /></FieldRow>
      <FieldRow label="They take"
        ><PicksField
          :values="recorder.accepts"
          :choices="choices.format"
          label="Formats taken"
          @take="(accepts) => set('Formats', { accepts })"
      /></FieldRow>
      <template v-if="takesHd">
        <FieldRow
          label="HD schemes"
          hint="Three families of HD over coax do not understand each other. Pick those that its inputs understand."
          ><PicksField
            :values="recorder.schemes ?? []"
            :choices="schemeChoices"
            label="HD schemes understood"
            placeholder="Not noted"
            @take="(schemes) => set('HD schemes', { schemes: schemes.length > 0 ? schemes : undefined })"
        /></FieldRow>
        <FieldRow label="Called here" hint="The words for A, B and C that stand on your own recorders."
          ><TextField
            v-for="scheme in hdSchemes"
            :key="scheme"
            :value="about.schemeWords?.[scheme] ?? ''"
            :label="`Word for scheme ${scheme.toUpperCase()}`"
            :placeholder="scheme.toUpperCase()"
            :refuse="(text) => (text.length <= 30 ? undefined : 'up to 30 characters')"
            @take="(word) => callScheme(scheme, word)"
        /></FieldRow>
      </template>
      <FieldRow label="Stores" hint="Left empty, it keeps each picture as it comes."
        ><QuantityField
          :value="recorder.storesAcross ?? null"
          unit=""
          label="Pixels across that it stores"
          placeholder="as sent"
          clearable
          :allowed="fitting('recorder', 'storesAcross')"
          @take="(storesAcross) => set('Stored resolution', { storesAcross })"
          @clear="set('Stored resolution', { storesAcross: undefined })"
        /><span class="dim tiny">pixels across</span></FieldRow
      >
      <FieldRow label="Line standard"
        ><PickField
          :value="recorder.lineStandard ?? 'found'"
          :choices="lineStandards"
          label="Line standard of the inputs"
          @take="(next) => set('Line standard', { lineStandard: next === 'found' ? undefined : next })"
      /></FieldRow>
      <FieldRow label="Rule"
        ><PickField
          :value="recorder.rules.kind"
          :choices="choices.slotRules"
          label="Rule"
          @take="(kind) => set('Rule', withRulesOf(recorder, kind))"
      /></FieldRow>
      <SlotRulesFields :recorder="recorder" @take="(what, rules) => set(what, { rules })" />
      <FieldRow
        label="Blocks of"
        hint="Inputs in a block share a signal family; leave it empty where each is free."
        ><QuantityField
          :value="recorder.blockSize ?? null"
          unit=""
          label="Inputs in a block"
          placeholder="none"
          clearable
          :allowed="fitting('recorder', 'blockSize')"
          @take="(blockSize) => set('Blocks', { blockSize })"
          @clear="set('Blocks', { blockSize: undefined })"
      /></FieldRow>
      <template v-if="recorder.inputs > 0">
        <FieldRow label="Set to a format" hint="Leave it empty where inputs find the format by themselves."
          ><TextField
            :value="forcedText(recorder.forced ?? [])"
            label="Inputs set to a format"
            placeholder="3: cvbs; 4: hd1080"
            :refuse="(text) => refuseText(parseForced(text, recorder.inputs))"
            @take="takeForced"
        /></FieldRow>
        <FieldRow label="IP today"
          ><TextField
            :value="inputsText(recorder.ipInputs ?? [])"
            label="Inputs that are IP today"
            placeholder="none"
            :refuse="(text) => refuseText(parseInputs(text, recorder.inputs))"
            @take="takeTurned"
        /></FieldRow>
        <FieldRow v-if="family.conversion !== 'none'" label="Converting an input causes"
          ><PicksField
            :values="costs"
            :choices="changeCosts"
            label="Converting an input causes"
            @take="takeCosts"
        /></FieldRow>
      </template>
    </section>
    <section>
      <FieldRow label="Total incoming bandwidth"
        ><QuantityField
          :value="recorder.limits.incomingMbps"
          unit="Mb/s"
          label="Total incoming bandwidth"
          :allowed="fitting('recorder', 'limits.incomingMbps', 'Mb/s')"
          @take="(incomingMbps) => limits({ incomingMbps })"
      /></FieldRow>
      <FieldRow label="Max. resolution per channel"
        ><QuantityField
          :value="recorder.limits.slotMegapixels"
          unit="MP"
          label="Max. resolution per channel"
          :allowed="fitting('recorder', 'limits.slotMegapixels', 'MP')"
          @take="(slotMegapixels) => limits({ slotMegapixels })"
      /></FieldRow>
      <FieldRow label="IP cameras"
        ><QuantityField
          :value="recorder.limits.ipCameras"
          unit=""
          label="IP cameras at most"
          :allowed="fitting('recorder', 'limits.ipCameras')"
          @take="(ipCameras) => limits({ ipCameras })"
      /></FieldRow>
      <FieldRow
        label="Own PoE ports"
        hint="What hangs on them is on a network behind it: only this recorder sees it."
        ><QuantityField
          :value="recorder.powerPorts?.ports ?? null"
          unit=""
          label="Own PoE ports"
          clearable
          :allowed="fitting('recorder', 'powerPorts.ports')"
          @take="(ports) => set('Own ports', { powerPorts: { ...powerPorts, ports } })"
          @clear="set('Own ports', { powerPorts: undefined })" /><template v-if="recorder.powerPorts"
          ><span class="dim tiny">give together</span
          ><QuantityField
            :value="recorder.powerPorts.watts"
            unit="W"
            label="Watts of its own ports"
            :allowed="fitting('recorder', 'powerPorts.watts', 'W')"
            @take="(watts) => set('Own ports', { powerPorts: { ...powerPorts, watts } })" /></template
      ></FieldRow>
      <FieldRow label="A restart takes"
        ><QuantityField
          :value="recorder.restartMinutes"
          unit=""
          label="Minutes of a restart"
          :allowed="fitting('recorder', 'restartMinutes')"
          @take="(restartMinutes) => set('Restart', { restartMinutes })"
        /><span class="dim tiny">minutes</span></FieldRow
      >
      <FieldRow label="Disks"
        ><TextField
          :value="disksText(recorder.disks ?? [])"
          label="Disks"
          placeholder="terabytes of each: 4, 4"
          :refuse="(text) => refuseText(parseDisks(text))"
          @take="takeDisks"
      /></FieldRow>
      <FieldRow label="Monitor outputs"
        ><PicksField
          :values="recorder.monitorOutputs ?? []"
          :choices="outputs"
          label="Monitor outputs"
          @take="
            (picked) => set('Monitor outputs', { monitorOutputs: picked.length > 0 ? picked : undefined })
          "
      /></FieldRow>
      <HookUpFields
        :hook-up="recorder.hookUp"
        :own-id="recorder.id"
        @set="(hookUp) => set('Hook-up', { hookUp })"
      />
      <FieldRow label="Note"
        ><TextField
          :value="recorder.note ?? ''"
          label="Note on the recorder"
          @take="(note) => set('Note', { note: note || undefined })"
      /></FieldRow>
    </section>
  </div>
  <p class="dim">{{ rulesInWords(recorder) }}</p>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
  gap: 4px 28px;
  align-items: start;
}
</style>
