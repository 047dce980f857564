import type { Orm } from './orm';
import type { AllowedHost } from '#contract';

/** The hosts outside of private networks at which devices of a site may be reached, with who said so. */
export interface AllowedHosts {
  of: (site: string) => Promise<AllowedHost[]>;
  allow: (site: string, host: string, by: string) => Promise<void>;
  withdraw: (site: string, host: string) => Promise<void>;
}

/** Kept beside the facts of a site, not among them: a site file that somebody sends must not open any door. */
export function allowedHosts(orm: Orm, now: () => string): AllowedHosts {
  return {
    of: (site) =>
      orm.em
        .fork()
        .execute<AllowedHost[]>('select host, by, at from allowed_host where site = ? order by host', [site]),
    allow: async (site, host, by) => {
      await orm.em
        .fork()
        .execute('insert into allowed_host (site, host, by, at) values (?, ?, ?, ?) on conflict do nothing', [
          site,
          host.toLowerCase(),
          by,
          now(),
        ]);
    },
    withdraw: async (site, host) => {
      await orm.em
        .fork()
        .execute('delete from allowed_host where site = ? and host = ?', [site, host.toLowerCase()]);
    },
  };
}
