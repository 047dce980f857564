import { pathOf, sitePath } from '#contract';

/** A site as the server answered it. */
export interface OpenedSite {
  answer: string;
  /** Of when it is, where nobody answered and this device knew it; `null` as the server has it now. */
  keptAt: string | null;
}

/** What this device knows of a site. */
async function keptSite(id: string): Promise<OpenedSite | null> {
  const { keptSite: find } = await import('../offline/keptSites');
  const kept = await find(id);
  return kept && { answer: JSON.stringify(kept.served), keptAt: kept.keptAt };
}

/** Asks the server for a site, and where nobody answers this device; `null` where neither has it. */
export async function openedSite(id: string): Promise<OpenedSite | null> {
  try {
    const response = await fetch(`/api${pathOf(sitePath, { id })}`).catch(() => null);
    if (response === null) return await keptSite(id);
    return response.ok ? { answer: await response.text(), keptAt: null } : null;
  } catch {
    return null;
  }
}
