import type { News, Present } from '#contract';

/** So long a window counts as open that nothing more was heard of. */
const goneMs = 60_000;
/** Nobody has more windows at a site than this; whoever claims to is not believed. */
const mostPresent = 200;

/** Whoever listens at a site. */
export interface Listener {
  hear: (news: News) => void;
  end: () => void;
}

/** What is told to the windows at each site, at once and to nobody who is not there. */
export interface LiveSites {
  listen: (site: string, listener: Listener) => () => void;
  edited: (site: string, version: number) => void;
  here: (site: string, present: Present) => void;
  left: (site: string, windowId: string) => void;
  /** Who is there, as far as was heard. */
  presentAt: (site: string) => Present[];
  /** Ends every line: whoever listens comes back and asks for what he missed. */
  endLines: () => void;
}

export function liveSites(nowMs: () => number = Date.now): LiveSites {
  const listeners = new Map<string, Set<Listener>>();
  const windows = new Map<string, Map<string, Present & { heardMs: number }>>();

  const tell = (site: string, news: News): void => listeners.get(site)?.forEach(({ hear }) => hear(news));
  function presentAt(site: string): Present[] {
    const all = windows.get(site) ?? new Map<string, Present & { heardMs: number }>();
    for (const [windowId, { heardMs }] of all) if (nowMs() - heardMs > goneMs) all.delete(windowId);
    return [...all.values()].map(({ windowId, name, runId }) => ({ windowId, name, runId }));
  }
  const tellPresent = (site: string): void => tell(site, { kind: 'present', people: presentAt(site) });

  return {
    listen(site, listener) {
      const all = listeners.get(site) ?? new Set<Listener>();
      listeners.set(site, all.add(listener));
      listener.hear({ kind: 'present', people: presentAt(site) });
      return () => {
        all.delete(listener);
        if (all.size > 0) return;
        listeners.delete(site);
        windows.delete(site);
      };
    },
    edited: (site, version) => tell(site, { kind: 'edited', version }),
    here(site, present) {
      // Only where somebody listens is there anybody to tell; it is also what keeps this small.
      if (!listeners.has(site)) return;
      const all = windows.get(site) ?? new Map<string, Present & { heardMs: number }>();
      const before = all.get(present.windowId);
      if (!before && presentAt(site).length >= mostPresent) return;
      windows.set(site, all.set(present.windowId, { ...present, heardMs: nowMs() }));
      if (before?.runId !== present.runId || before.name !== present.name) tellPresent(site);
    },
    left(site, windowId) {
      if (windows.get(site)?.delete(windowId)) tellPresent(site);
    },
    presentAt,
    endLines: () => [...listeners.values()].flatMap((all) => [...all]).forEach(({ end }) => end()),
  };
}
