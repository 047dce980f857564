<script setup lang="ts">
import Dialog from 'primevue/dialog';
import { ref, shallowRef, watch } from 'vue';
import {
  siteRoleDefinitions,
  siteRoles,
  type InvitationListing,
  type Member,
  type SiteRole,
} from '#contract';
import PickField from '../parts/PickField.vue';
import { api, type Answer } from '../stores/api';
import NewInvitation from './NewInvitation.vue';
import { refusalWords } from './refusalWords';

/** Who comes to a site, and as what. */
const visible = defineModel<boolean>('visible', { required: true });
const { siteId } = defineProps<{ siteId: string }>();
const members = shallowRef<Member[]>([]);
const invitations = shallowRef<InvitationListing[]>([]);
const addresses = shallowRef<readonly string[]>([]);
const problems = ref<string[]>([]);
const role = ref<SiteRole>('surveyor');
const made = ref<{ code: string; endsAt: string } | null>(null);
const choices = siteRoles.map((value) => ({
  value,
  label: `${siteRoleDefinitions[value].label}: ${siteRoleDefinitions[value].about}`,
}));
const roleChoices = siteRoles.map((value) => ({ value, label: siteRoleDefinitions[value].label }));

async function load(): Promise<void> {
  const [found, reach] = await Promise.all([api.members(siteId), api.shared()]);
  if (found.kind === 'answer')
    [members.value, invitations.value] = [found.value.members, found.value.invitations];
  else problems.value = refusalWords(found);
  if (reach.kind === 'answer') addresses.value = reach.value.addresses;
}
watch(visible, (isOpen) => {
  if (!isOpen) return;
  [made.value, problems.value] = [null, []];
  void load();
});
async function done<T>(asked: Promise<Answer<T>>): Promise<void> {
  problems.value = refusalWords(await asked);
  await load();
}
async function invite(): Promise<void> {
  const answer = await api.inviteToSite(siteId, role.value);
  problems.value = refusalWords(answer);
  if (answer.kind === 'answer') made.value = answer.value;
  await load();
}
</script>

<template>
  <Dialog
    v-model:visible="visible"
    modal
    header="Who comes to this site"
    :style="{ width: '560px' }"
    dismissable-mask
  >
    <p v-if="members.length + invitations.length === 0" class="dim">
      Nobody yet but the administrators of the firm’s accounts.
    </p>
    <ul>
      <li v-for="member in members" :key="member.id">
        <span class="name">{{ member.name }}</span>
        <PickField
          class="role"
          :value="member.role"
          :choices="roleChoices"
          :label="`Role of ${member.name}`"
          @take="(next) => done(api.setSiteRole(siteId, member.id, next))"
        />
        <button type="button" class="btn small" @click="done(api.setSiteRole(siteId, member.id, null))">
          Take away
        </button>
      </li>
      <li v-for="one in invitations" :key="one.id" class="dim">
        <span class="name">invited as {{ one.siteRole }} by {{ one.by }}, not taken up yet</span>
        <button type="button" class="btn small" @click="done(api.withdrawFromSite(siteId, one.id))">
          Withdraw
        </button>
      </li>
    </ul>
    <NewInvitation
      v-if="made"
      :code="made.code"
      :ends-at="made.endsAt"
      :addresses="addresses"
      @done="made = null"
    />
    <form v-else class="invite" @submit.prevent="invite">
      <PickField :value="role" :choices="choices" label="As" @take="(next) => (role = next)" />
      <button type="submit" class="btn go">Invite</button>
    </form>
    <div v-if="problems.length > 0" class="caution" role="alert">
      <p v-for="problem in problems" :key="problem">{{ problem }}</p>
    </div>
  </Dialog>
</template>

<style scoped>
li {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  padding: 6px 0;
  border-bottom: 1px solid var(--rule);
}
.name {
  flex: 1;
  min-width: 120px;
}
.role {
  width: 130px;
}
.invite {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  padding-top: 10px;
}
.invite > :first-child {
  flex: 1 1 240px;
  min-width: 0;
}
</style>
