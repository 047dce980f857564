<script setup lang="ts">
import Dialog from 'primevue/dialog';
import { computed, watch } from 'vue';
import { aboutOf, type About } from '#core/model/site';
import FieldRow from '../parts/FieldRow.vue';
import FirmFields from './FirmFields.vue';
import PickField from '../parts/PickField.vue';
import TextField from '../parts/TextField.vue';
import { useLetterKeys, type LetterKeys } from '../keys/keys';
import { useAccount } from '../stores/account';
import { useAllowedHosts } from '../stores/allowedHosts';
import { useMeasures } from '../stores/measures';
import { useCurrentUser } from '../stores/currentUser';
import { useSite } from '../stores/site';
import { useOpenSite } from '../stores/openSite';

/** Who works here and how they like figures shown, kept on this device; and whose site it is, kept with the site. */
const visible = defineModel<boolean>('visible', { required: true });
const emit = defineEmits<{ people: [] }>();
const account = useAccount();
const own = useMeasures();
const person = useCurrentUser();
const store = useSite();
const openSite = useOpenSite();
const allowed = useAllowedHosts();
watch(visible, (isOpen) => isOpen && store.site && void allowed.load(), { immediate: true });
const about = computed(() => (store.site ? aboutOf(store.site) : null));
const set = (what: string, fields: Partial<About>) =>
  store.change(`${what} of the site`, [
    { kind: 'about', id: 'about', set: { ...aboutOf(openSite.value), ...fields } },
  ]);
const lengths = [
  { value: 'm' as const, label: 'Metres' },
  { value: 'ft' as const, label: 'Feet' },
];
const letterKeys = useLetterKeys();
const keyWays: { value: LetterKeys; label: string }[] = [
  { value: 'alone', label: 'Alone' },
  { value: 'with-alt', label: 'With Alt' },
  { value: 'off', label: 'Off' },
];
const gauges = [
  { value: 'awg' as const, label: 'AWG' },
  { value: 'mm2' as const, label: 'mm²' },
];
</script>

<template>
  <Dialog
    v-model:visible="visible"
    modal
    header="You and the site"
    :style="{ width: '340px' }"
    dismissable-mask
  >
    <p v-if="account.person" class="row account">
      <b>{{ account.person.name }}</b><RouterLink to="/account">Your account</RouterLink>
    </p>
    <FieldRow v-else label="Your name"
      ><TextField :value="person" label="Your name" @take="(name) => (person = name)"
    /></FieldRow>
    <FieldRow label="Lengths in"
      ><PickField
        :value="own.measures.length"
        :choices="lengths"
        label="Lengths in"
        @take="(length) => (own.measures = { ...own.measures, length })"
    /></FieldRow>
    <FieldRow label="Cores in"
      ><PickField
        :value="own.measures.gauge"
        :choices="gauges"
        label="Cores in"
        @take="(gauge) => (own.measures = { ...own.measures, gauge })"
    /></FieldRow>
    <FieldRow label="Keys of one letter"
      ><PickField
        :value="letterKeys"
        :choices="keyWays"
        label="Keys of one letter"
        @take="(way) => (letterKeys = way)"
    /></FieldRow>
    <template v-if="about">
      <h2 class="minor">The site</h2>
      <p v-if="store.role === 'owner'">
        <button type="button" class="btn small" @click="emit('people')">Who comes to this site</button>
      </p>
      <FieldRow label="Name"
        ><TextField
          :value="about.name"
          label="Name of the site"
          :refuse="(text) => (text.length >= 1 && text.length <= 80 ? undefined : 'from 1 to 80 characters')"
          @take="(name) => set('Name', { name })"
      /></FieldRow>
      <FieldRow label="Address"
        ><TextField
          :value="about.address"
          label="Address"
          :refuse="(text) => (text.length <= 200 ? undefined : 'up to 200 characters')"
          @take="(address) => set('Address', { address })"
      /></FieldRow>
      <FieldRow label="Customer"
        ><TextField
          :value="about.customer"
          label="Customer"
          :refuse="(text) => (text.length <= 80 ? undefined : 'up to 80 characters')"
          @take="(customer) => set('Customer', { customer })"
      /></FieldRow>
      <FieldRow label="Currency"
        ><TextField
          :value="about.currency"
          label="Currency"
          :refuse="(text) => (/^[A-Z]{3}$/.test(text) ? undefined : 'three capital letters, such as EUR')"
          @take="(currency) => set('Currency', { currency })"
      /></FieldRow>
      <FirmFields />
      <template v-if="allowed.hosts.length > 0">
        <h2 class="minor">Devices outside private networks</h2>
        <p v-for="{ host, by } in allowed.hosts" :key="host" class="row host">
          <span class="mono">{{ host }}</span><span class="dim tiny push">allowed by {{ by }}</span
          ><button type="button" class="btn small" @click="allowed.withdraw(host)">Withdraw</button>
        </p>
      </template>
    </template>
    <p class="tiny dim">
      Both ways are read wherever you type: 40ft, 12.2 m. Your name stands beside readings and decisions.
    </p>
  </Dialog>
</template>

<style scoped>
.minor {
  padding: 10px 0 4px;
  border-bottom: 1px solid var(--rule-strong);
  margin-bottom: 4px;
}
.account {
  padding-bottom: 6px;
}
p.tiny {
  padding-top: 8px;
}
.host {
  align-items: baseline;
  gap: 8px;
  padding: 4px 0;
}
</style>
