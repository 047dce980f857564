import type { Present } from '#contract';
import type { LiveSites } from '../live/liveSites';

/** What servers tell each other of the windows at a site. */
export type SiteNews =
  | { kind: 'edited'; site: string; version: number }
  | { kind: 'here'; site: string; present: Present }
  | { kind: 'left'; site: string; windowId: string }
  /** Somebody listens at a site: whoever knows of windows there says so. */
  | { kind: 'who'; site: string };

/** What happens at sites, told to the windows of this server and to the other servers. */
export function sharedLive(here: LiveSites, say: (news: SiteNews) => void): LiveSites {
  return {
    ...here,
    listen: (site, listener) => {
      const stop = here.listen(site, listener);
      say({ kind: 'who', site });
      return stop;
    },
    edited: (site, version) => {
      here.edited(site, version);
      say({ kind: 'edited', site, version });
    },
    // A window may speak to one server and listen to another.
    here: (site, present) => {
      here.here(site, present);
      say({ kind: 'here', site, present });
    },
    left: (site, windowId) => {
      here.left(site, windowId);
      say({ kind: 'left', site, windowId });
    },
  };
}

/** Passes what another server said on to the windows of this one. */
export function passOn(here: LiveSites, say: (news: SiteNews) => void, news: SiteNews): void {
  switch (news.kind) {
    case 'edited':
      return here.edited(news.site, news.version);
    case 'here':
      return here.here(news.site, news.present);
    case 'left':
      return here.left(news.site, news.windowId);
    case 'who':
      for (const present of here.presentAt(news.site)) say({ kind: 'here', site: news.site, present });
  }
}
