import type { Site } from '#core/model/site';
import { pictureAddress } from '../stores/api';

/** So much of the room that the browser gives is left for what people note. */
const mostUsed = 0.8;

async function hasRoom(): Promise<boolean> {
  const { usage = 0, quota = 0 } = (await navigator.storage?.estimate?.()) ?? {};
  return quota > 0 && usage < quota * mostUsed;
}

/**
 * Fetches the drawings and photos of a site one after the other, so that they are there without a network. Without the pages' own worker
 * nothing would keep them, and nothing is fetched.
 */
export async function keepPictures(site: Site, isStillOpen: () => boolean): Promise<void> {
  if (!navigator.serviceWorker?.controller) return;
  const ids = new Set(
    [...Object.values(site.drawing), ...Object.values(site.photo)].map(({ fileId }) => fileId),
  );
  for (const id of ids) {
    if (!isStillOpen() || !(await hasRoom())) return;
    await fetch(pictureAddress(id), { priority: 'low' }).catch(() => undefined);
  }
}
