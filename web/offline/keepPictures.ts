import type { Site } from '#core/model/site';
import { pictureAddress } from '../stores/api';

/** So much of the room that the browser gives is left for what people note. */
const mostUsed = 0.8;

async function hasRoom(): Promise<boolean> {
  const { usage = 0, quota = 0 } = (await navigator.storage?.estimate?.()) ?? {};
  return quota > 0 && usage < quota * mostUsed;
}

/** Waits until the pages' own worker sees what they fetch. */
async function workerAtWork(): Promise<void> {
  const workers = navigator.serviceWorker;
  if (workers.controller) return;
  await new Promise((resolve) => workers.addEventListener('controllerchange', resolve, { once: true }));
}

/**
 * Fetches the drawings and photos of a site one after the other, so that they are there without a network: once the pages' own worker is
 * there to keep them, which on a first visit takes a while. Where there is none nothing is fetched.
 */
export async function keepPictures(site: Site, isStillOpen: () => boolean): Promise<void> {
  if (!('serviceWorker' in navigator)) return;
  await workerAtWork();
  const ids = new Set(
    [...Object.values(site.drawing), ...Object.values(site.photo)].map(({ fileId }) => fileId),
  );
  for (const id of ids) {
    if (!isStillOpen() || !(await hasRoom())) return;
    await fetch(pictureAddress(id), { priority: 'low' }).catch(() => undefined);
  }
}
