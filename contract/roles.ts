import type { Area } from '#core/model/site';

/** What somebody may do with a site, beside what may be changed of it. */
export const siteRights = ['papers', 'sign', 'read', 'change', 'devices', 'copy', 'manage'] as const;
export type SiteRight = (typeof siteRights)[number];

export const siteRoles = ['owner', 'planner', 'surveyor', 'crew', 'customer', 'viewer'] as const;
export type SiteRole = (typeof siteRoles)[number];

interface RoleDefinition {
  label: string;
  /** What it allows, for whoever gives it. */
  about: string;
  rights: readonly SiteRight[];
  /** What of a site may be changed. */
  areas: readonly Area[];
}

/** Every role that somebody can have on a site. Another one is added here. */
export const siteRoleDefinitions: Readonly<Record<SiteRole, RoleDefinition>> = {
  owner: {
    label: 'Owner',
    about: 'everything, and who may come to the site',
    rights: siteRights,
    areas: ['survey', 'record', 'plan'],
  },
  planner: {
    label: 'Planner',
    about: 'survey, tests, decisions, recorders and switches',
    rights: ['papers', 'read', 'change', 'devices', 'copy'],
    areas: ['survey', 'record', 'plan'],
  },
  surveyor: {
    label: 'Surveyor',
    about: 'survey, readings and photos; no decisions',
    rights: ['papers', 'read', 'change', 'devices'],
    areas: ['survey', 'record'],
  },
  crew: {
    label: 'Crew',
    about: 'readings, repairs and photos; no survey, no decisions',
    rights: ['papers', 'read', 'change'],
    areas: ['record'],
  },
  customer: {
    label: 'Customer',
    about: 'reads the offer and the sign-off, and signs; nothing else',
    rights: ['papers', 'sign'],
    areas: [],
  },
  viewer: {
    label: 'Viewer',
    about: 'reads everything, changes nothing',
    rights: ['papers', 'read'],
    areas: [],
  },
};

/** Whether a role has a right on its site; everybody has them all where there are no accounts. */
export const roleAllows = (role: SiteRole | null, right: SiteRight): boolean =>
  role === null || siteRoleDefinitions[role].rights.includes(right);

/** What somebody is to the firm, whatever the site. */
export const firmRoles = ['admin', 'staff', 'guest'] as const;
export type FirmRole = (typeof firmRoles)[number];

export const firmRoleDefinitions: Readonly<Record<FirmRole, { label: string; about: string }>> = {
  admin: { label: 'Administrator', about: 'who may sign in, and every site' },
  staff: { label: 'Staff', about: 'starts sites and owns them; comes to others by invitation' },
  guest: { label: 'Guest', about: 'comes to the sites that he was invited to' },
};

/**
 * What an address asks of whoever comes to it: nothing, an account, what the firm trusts him with, or a right on the site that it is about.
 * `contributor` is whoever may change something on any site.
 */
export type Need = 'nothing' | 'account' | 'contributor' | 'staff' | 'admin' | SiteRight;

/** The one who comes, as far as needs go. */
export interface Standing {
  firmRole: FirmRole;
  /** His role on the site that it is about; `null` where he has none, or it is about none. */
  siteRole: SiteRole | null;
  /** Whether he may change something on some site. */
  contributes: boolean;
}

/** His role on a site: whoever administers the firm's accounts owns every one. */
export const roleOn = ({ firmRole, siteRole }: Standing): SiteRole | null =>
  firmRole === 'admin' ? 'owner' : siteRole;

/** Whether somebody with an account may come to an address that asks for this. */
export function meets(need: Need, standing: Standing): boolean {
  const { firmRole } = standing;
  switch (need) {
    case 'nothing':
    case 'account':
      return true;
    case 'contributor':
      return firmRole !== 'guest' || standing.contributes;
    case 'staff':
      return firmRole !== 'guest';
    case 'admin':
      return firmRole === 'admin';
    default: {
      const role = roleOn(standing);
      return role !== null && roleAllows(role, need);
    }
  }
}
