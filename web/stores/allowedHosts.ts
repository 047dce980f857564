import { defineStore } from 'pinia';
import { shallowRef } from 'vue';
import type { AllowedHost } from '#contract';
import { api } from './api';
import { useSite } from './site';

/** Hosts outside of private networks at which devices of the open site may be reached. */
export const useAllowedHosts = defineStore('allowed-hosts', () => {
  const site = useSite();
  const hosts = shallowRef<readonly AllowedHost[]>([]);

  async function load(): Promise<void> {
    const answer = await api.allowedHosts(site.id);
    hosts.value = answer.kind === 'answer' ? answer.value.hosts : [];
  }
  async function allow(host: string): Promise<void> {
    await api.allowHost(site.id, host, site.signedBy('Planner'));
    await load();
  }
  async function withdraw(host: string): Promise<void> {
    await api.withdrawHost(site.id, host);
    await load();
  }
  return { hosts, load, allow, withdraw };
});
