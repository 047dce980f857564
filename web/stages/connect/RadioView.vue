<script setup lang="ts">
import { computed, ref, useTemplateRef } from 'vue';
import { radioPicture, scanFromTable, type Band } from '#core/connect/radio';
import { formatQuantity } from '#core/shared/units';
import { counted } from '#core/shared/labels';
import LoadBar from '../../parts/LoadBar.vue';
import NextStep from '../../parts/NextStep.vue';
import { useOpenSite } from '../../stores/openSite';
import { useSite } from '../../stores/site';
import { useWhyPanel } from '../../stores/whyPanel';
import { useTables } from '../../tables/useTables';
import RadioSpectrum from './RadioSpectrum.vue';

/** Radio paths: who is on the air at both ends, which channel is best, and what the link then carries. */
const store = useSite();
const openSite = useOpenSite();
const tables = useTables();
const why = useWhyPanel();
const band = ref<Band>('5');
const problems = ref<string[]>([]);
const remarks = ref('');
const pictures = computed(() =>
  Object.values(openSite.value.radioPath).map((path) => radioPicture(openSite.value, path)),
);
const bands: { value: Band; label: string }[] = [
  { value: '5', label: '5 GHz' },
  { value: '2.4', label: '2.4 GHz' },
];

const file = useTemplateRef('file');
/** The end for which a scan file is being chosen. */
const scanning = ref<{ pathId: string; end: 'heard' | 'heardFar'; name: string } | null>(null);
function choose(pathId: string, end: 'heard' | 'heardFar', name: string): void {
  scanning.value = { pathId, end, name };
  file.value?.click();
}
async function take(): Promise<void> {
  const [picked, at] = [file.value?.files?.[0], scanning.value];
  if (!picked || !at || !file.value) return;
  const read = await tables.read(new Uint8Array(await picked.arrayBuffer()));
  file.value.value = '';
  remarks.value = '';
  if (read.kind === 'refused') {
    problems.value = [`${read.why} Nothing was changed.`];
    return;
  }
  const scan = scanFromTable(read.table);
  problems.value = scan.kind === 'refused' ? [...scan.why, 'Nothing was changed.'] : [];
  const path = openSite.value.radioPath[at.pathId];
  if (scan.kind === 'refused' || !path) return;
  problems.value = store
    .change(`Scan at ${at.name}`, [
      { kind: 'radioPath', id: path.id, set: { ...path, [at.end]: scan.heard } },
    ])
    .map(({ allowed }) => allowed);
  if (problems.value.length === 0)
    remarks.value = `${counted(scan.heard.length, 'access point')} taken at ${at.name}${
      scan.unread.length > 0 ? `; columns not read: ${scan.unread.join(', ')}` : ''
    }.`;
}
</script>

<template>
  <div class="radio">
    <input
      ref="file"
      type="file"
      accept=".csv,.tsv,.txt,.xlsx"
      class="out-of-sight"
      aria-label="Scan to import"
      tabindex="-1"
      @change="take"
    />
    <p v-if="pictures.length === 0" class="empty">
      <strong>No radio path is noted.</strong>Note one at a camera under the radio option: distance, sight,
      region and who is heard at both ends.<br /><NextStep stage="decide" :keys="['3']" label="Decide" />
    </p>
    <div v-for="problem in problems" :key="problem" class="caution" role="alert">{{ problem }}</div>
    <p v-if="remarks" class="dim" role="status">{{ remarks }}</p>
    <section v-for="one in pictures" :key="one.path.id">
      <div class="row">
        <h2>{{ one.fromName }} to {{ one.toName }}</h2>
        <span class="dim"
          >{{ formatQuantity(one.path.distanceM, 'm', 0) }}, {{ one.region ?? 'region not noted' }}</span
        >
        <span class="push" />
        <span class="row" role="group" aria-label="Band"
          ><button
            v-for="{ value, label } in bands"
            :key="value"
            type="button"
            class="btn small"
            :class="{ go: band === value }"
            :aria-pressed="band === value"
            @click="band = value"
          >
            {{ label }}
          </button></span
        >
        <button type="button" class="btn small" @click="choose(one.path.id, 'heard', one.fromName)">
          Scan at {{ one.fromName }}…
        </button>
        <button type="button" class="btn small" @click="choose(one.path.id, 'heardFar', one.toName)">
          Scan at {{ one.toName }}…
        </button>
      </div>
      <div class="halves">
        <RadioSpectrum :picture="one" :band="band" />
        <table>
          <thead>
            <tr>
              <th class="figure">Channel</th>
              <th class="figure">Heard</th>
              <th class="figure">Over noise</th>
              <th class="figure">Carries</th>
              <th class="figure">Radar wait</th>
            </tr>
          </thead>
          <tbody>
            <tr
              v-for="channel in one.channels.filter((of) => of.band === band)"
              :key="channel.channel"
              :class="{ best: channel.isOwn }"
            >
              <td class="mono figure">{{ channel.channel }}</td>
              <td class="mono figure">{{ channel.neighbours }}</td>
              <td class="mono figure">{{ formatQuantity(channel.overDb, 'dB', 0) }}</td>
              <td class="mono figure">{{ formatQuantity(channel.mbps, 'Mb/s', 0) }}</td>
              <td class="mono figure">
                {{ channel.radarWaitS > 0 ? `${channel.radarWaitS / 60} min` : 'none' }}
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <dl>
        <dt>Airtime</dt>
        <dd>
          <LoadBar :load="one.airtime" :digits="0" />
          <button
            type="button"
            class="plain ask"
            :aria-label="`Why ${formatQuantity(one.airtime.most, 'Mb/s', 0)}: ${one.fromName} to ${one.toName}`"
            @click="why.ask({ kind: 'radio', pathId: one.path.id, of: 'rate' })"
          >
            why
          </button>
          <span class="dim"
            >all {{ counted(one.cameras, 'camera') }} at {{ one.fromName }} share the air of the channel that
            is marked, the best that no other radio of this site has at either end</span
          >
        </dd>
        <dt>Level</dt>
        <dd>
          {{ formatQuantity(one.receivedDbm, 'dBm') }} arrive after
          {{ formatQuantity(one.lossDb, 'dB', 0) }} of free space;
          {{ formatQuantity(one.keptDb, 'dB', 0) }} are kept for fading
        </dd>
        <dt>Room for the beam</dt>
        <dd>
          {{
            one.clearance.haveM === null
              ? 'Not measured'
              : `${formatQuantity(one.clearance.haveM, 'm', 1)} there`
          }}; {{ formatQuantity(one.clearance.needM, 'm', 1) }} needed, 60 % of the first Fresnel zone half
          way
          <button
            v-if="one.clearance.haveM !== null"
            type="button"
            class="plain ask"
            :aria-label="`Why ${formatQuantity(one.clearance.needM, 'm', 1)}: ${one.fromName} to ${one.toName}`"
            @click="why.ask({ kind: 'radio', pathId: one.path.id, of: 'beam' })"
          >
            why
          </button>
        </dd>
      </dl>
      <p v-for="line in one.open" :key="line" class="caution">{{ line }}</p>
      <p class="dim tiny">
        Local radio rules come first. Levels are of a busy hour only if the scan was. A channel that waits for
        radar is silent that long after every start, and moves when it hears one.
      </p>
    </section>
  </div>
</template>

<style scoped>
.ask {
  margin-left: 8px;
  text-decoration: underline dotted;
  text-underline-offset: 3px;
}
.radio section {
  display: grid;
  gap: 10px;
  padding-bottom: 24px;
}
.row {
  flex-wrap: wrap;
  gap: 8px;
}
.halves {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 20px;
  align-items: start;
}
table {
  border-collapse: collapse;
  font-size: 12px;
}
th,
td {
  padding: 2px 8px;
  border-bottom: 1px solid var(--rule);
}
.figure {
  text-align: right;
  white-space: nowrap;
}
.best {
  background: var(--verdigris-3);
  font-weight: 600;
}
dl {
  display: grid;
  grid-template-columns: 130px 1fr;
  gap: 4px 12px;
}
dt {
  color: var(--ink-2);
}
dd {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 10px;
}
@media (max-width: 900px) {
  .halves {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
