<script setup lang="ts">
import Dialog from 'primevue/dialog';
import { computed, reactive, ref } from 'vue';
import { mediumWords } from '#core/connect/topology';
import { freeId, linkMedia, usualLinkMbps, type Link, type LinkEnd, type LinkMedium } from '#core/model/site';
import { choices } from '#core/model/labels';
import { drawnLength, routeLengthM } from '#core/survey/drawing';
import DialogFoot from '../../parts/DialogFoot.vue';
import FieldRow from '../../parts/FieldRow.vue';
import PickField from '../../parts/PickField.vue';
import PicksField from '../../parts/PicksField.vue';
import QuantityField from '../../parts/QuantityField.vue';
import { fitting } from '../../parts/within';
import { idMark } from '../../stores/idMark';
import { useMeasures } from '../../stores/measures';
import { useOpenSite } from '../../stores/openSite';
import { useSite } from '../../stores/site';
import LinkEndField from './LinkEndField.vue';

/** Notes a link between the network gear of two places, there or planned, or puts one right that is noted. */
const visible = defineModel<boolean>('visible', { required: true });
const { link = null } = defineProps<{ link?: Link | null }>();
const store = useSite();
const openSite = useOpenSite();
const wanted = reactive<
  Pick<Link, 'fromPlaceId' | 'toPlaceId' | 'medium' | 'lengthM' | 'carriesMbps' | 'state'>
>({
  fromPlaceId: link?.fromPlaceId ?? '',
  toPlaceId: link?.toPlaceId ?? '',
  medium: link?.medium ?? 'category',
  lengthM: link?.lengthM ?? 50,
  carriesMbps: link?.carriesMbps ?? usualLinkMbps.category,
  state: link?.state ?? 'there',
});
const ends = reactive<{ from: LinkEnd | null; to: LinkEnd | null }>({
  from: link?.fromEnd ?? null,
  to: link?.toEnd ?? null,
});
/** An empty choice would be shown as none. */
const notRead = '-' as const;
const unread = { value: notRead, label: 'Not read yet' } as const;
const grades = [unread, ...choices.fibreGrade];
const categoryGrades = [unread, ...choices.categoryGrade];
/** How many fibres lie in the cable, and how many of them others use; of nothing but a fibre. */
const fibres = reactive<{ total: number | null; used: number }>({
  total: link?.fibres?.total ?? null,
  used: link?.fibres?.used ?? 0,
});
const grade = ref<NonNullable<Link['fibreGrade']> | typeof notRead>(link?.fibreGrade ?? notRead);
const categoryGrade = ref<NonNullable<Link['categoryGrade']> | typeof notRead>(
  link?.categoryGrade ?? notRead,
);
const words = link
  ? { header: 'Change a link', go: 'Change the link' }
  : { header: 'Note a link', go: 'Note the link' };
const problems = ref<string[]>([]);
const places = computed(() =>
  Object.values(openSite.value.place)
    .map(({ id, name }) => ({ value: id, label: name }))
    .sort((a, b) => a.label.localeCompare(b.label)),
);
const media = linkMedia.map((value) => ({ value, label: mediumWords[value] }));
const states = [
  { value: 'there' as const, label: 'There' },
  { value: 'planned' as const, label: 'Planned' },
];
function takeMedium(medium: LinkMedium): void {
  wanted.medium = medium;
  wanted.carriesMbps = usualLinkMbps[medium];
}
/** What a link is called until somebody calls it something else. */
function usualName({
  fromPlaceId,
  toPlaceId,
  medium,
}: Pick<Link, 'fromPlaceId' | 'toPlaceId' | 'medium'>): string {
  const [from, to] = [fromPlaceId, toPlaceId].map((id) => openSite.value.place[id]?.name ?? '');
  return `${from} to ${to}, ${mediumWords[medium]}`.slice(0, 80);
}
const own = useMeasures();
/** Cable and fibre lie along drawn routes; radio and power lines do not. */
const liesOnRoutes = computed(() => wanted.medium !== 'radio' && wanted.medium !== 'power-line');
const routeIds = ref<string[]>([...(link?.routeIds ?? [])]);
const routes = computed(() =>
  Object.values(openSite.value.route).map((route) => {
    const lengthM = routeLengthM(route, openSite.value.drawing[route.drawingId]!);
    return {
      value: route.id,
      label: lengthM === null ? route.name : `${route.name}, ${own.quantity(lengthM, 'm')}`,
    };
  }),
);
/** The drawn length is taken over; whoever knows better types it after. */
function follow(ids: string[]): void {
  routeIds.value = ids;
  const drawn = drawnLength(openSite.value, ids);
  if (drawn) wanted.lengthM = Math.round(drawn.lengthM);
}
function take(): void {
  const { fromPlaceId, toPlaceId, medium } = wanted;
  problems.value = [
    ...(fromPlaceId && toPlaceId ? [] : ['Say which two places it joins.']),
    ...(fromPlaceId && fromPlaceId === toPlaceId ? ['It joins two different places.'] : []),
    ...(medium === 'fibre' && fibres.used > (fibres.total ?? Infinity)
      ? ['At most as many fibres are in use as there are.']
      : []),
  ];
  if (problems.value.length > 0) return;
  const name = link && link.name !== usualName(link) ? link.name : usualName(wanted);
  const id = link?.id ?? freeId((one) => one in openSite.value.link, name.slice(0, 40), idMark);
  const set: Link = {
    id,
    name,
    ...wanted,
    ...(ends.from ? { fromEnd: { ...ends.from } } : {}),
    ...(ends.to ? { toEnd: { ...ends.to } } : {}),
    ...(medium === 'fibre' && fibres.total !== null
      ? { fibres: { total: fibres.total, used: fibres.used } }
      : {}),
    ...(medium === 'fibre' && grade.value !== notRead ? { fibreGrade: grade.value } : {}),
    ...(medium === 'category' && categoryGrade.value !== notRead
      ? { categoryGrade: categoryGrade.value }
      : {}),
    ...(liesOnRoutes.value && routeIds.value.length > 0 ? { routeIds: [...routeIds.value] } : {}),
    ...(link?.note ? { note: link.note } : {}),
  };
  problems.value = store
    .change(`${words.go} ${name}`.slice(0, 160), [{ kind: 'link', id, set }])
    .map(({ allowed }) => allowed);
  if (problems.value.length === 0) visible.value = false;
}
</script>

<template>
  <Dialog v-model:visible="visible" modal :header="words.header" :style="{ width: '400px' }" dismissable-mask>
    <form class="fields" @submit.prevent="take">
      <FieldRow label="From"
        ><PickField
          :value="wanted.fromPlaceId || null"
          :choices="places"
          label="From"
          @take="(id) => [(wanted.fromPlaceId = id), (ends.from = null)]"
      /></FieldRow>
      <LinkEndField v-model="ends.from" :place-id="wanted.fromPlaceId" label="Plugged into there" />
      <FieldRow label="To"
        ><PickField
          :value="wanted.toPlaceId || null"
          :choices="places"
          label="To"
          @take="(id) => [(wanted.toPlaceId = id), (ends.to = null)]"
      /></FieldRow>
      <LinkEndField v-model="ends.to" :place-id="wanted.toPlaceId" label="Plugged into at the other end" />
      <FieldRow label="Over"
        ><PickField :value="wanted.medium" :choices="media" label="Over" @take="takeMedium"
      /></FieldRow>
      <FieldRow v-if="liesOnRoutes && routes.length > 0" label="Drawn along"
        ><PicksField
          :values="routeIds"
          :choices="routes"
          label="Routes of the link"
          placeholder="No route"
          @take="follow"
      /></FieldRow>
      <FieldRow label="Length"
        ><QuantityField
          :value="wanted.lengthM"
          unit="m"
          label="Length of the link"
          :allowed="fitting('link', 'lengthM')"
          @take="(lengthM) => (wanted.lengthM = lengthM)"
      /></FieldRow>
      <FieldRow v-if="wanted.medium === 'fibre'" label="Fibres"
        ><QuantityField
          :value="fibres.total"
          unit=""
          label="Fibres in the cable"
          clearable
          :allowed="fitting('link', 'fibres.total')"
          @take="(total) => (fibres.total = total)"
          @clear="fibres.total = null" /><template v-if="fibres.total !== null"
          ><span class="dim tiny in-use">in use</span
          ><QuantityField
            :value="fibres.used"
            unit=""
            label="Fibres in use"
            :allowed="fitting('link', 'fibres.used')"
            @take="(used) => (fibres.used = used)" /></template
      ></FieldRow>
      <FieldRow v-if="wanted.medium === 'fibre'" label="Grade"
        ><PickField
          :value="grade"
          :choices="grades"
          label="Grade of the fibre"
          @take="(value) => (grade = value)"
      /></FieldRow>
      <FieldRow v-if="wanted.medium === 'category'" label="Grade"
        ><PickField
          :value="categoryGrade"
          :choices="categoryGrades"
          label="Grade of the cable"
          @take="(value) => (categoryGrade = value)"
      /></FieldRow>
      <FieldRow label="Carries"
        ><QuantityField
          :value="wanted.carriesMbps"
          unit="Mb/s"
          label="What the link carries"
          :allowed="fitting('link', 'carriesMbps')"
          @take="(carriesMbps) => (wanted.carriesMbps = carriesMbps)"
      /></FieldRow>
      <FieldRow label="It is"
        ><PickField
          :value="wanted.state"
          :choices="states"
          label="It is"
          @take="(state) => (wanted.state = state)"
      /></FieldRow>
      <DialogFoot :problems="problems" :go="words.go" @leave="visible = false" />
    </form>
  </Dialog>
</template>

<style scoped>
.in-use {
  white-space: nowrap;
}
</style>
