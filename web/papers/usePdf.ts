import { onBeforeUnmount, ref } from 'vue';
import type { Paper, PaperStyle } from '#core/documents';
import { paperPictures } from './paperPictures';

type Told = { kind: 'done'; blob: Blob } | { kind: 'failed'; why: string };

/** Lays a paper out as a PDF in a thread of its own, which can be stopped. */
export function usePdf() {
  const isBusy = ref(false);
  let worker: Worker | null = null;
  let give: ((told: Told | null) => void) | null = null;

  function stop(): void {
    worker?.terminate();
    worker = null;
    isBusy.value = false;
    give?.(null);
    give = null;
  }
  /** The PDF; `null` where it was stopped. Rejects with the reason where it cannot be made. */
  async function make(paper: Paper, style: PaperStyle): Promise<Blob | null> {
    stop();
    isBusy.value = true;
    const pictures = await paperPictures(paper);
    // Stopped while the pictures came.
    if (!isBusy.value) return null;
    worker = new Worker(new URL('./pdf.worker.ts', import.meta.url), { type: 'module' });
    const told = await new Promise<Told | null>((resolve) => {
      give = resolve;
      worker!.onmessage = ({ data }: MessageEvent<Told>) => resolve(data);
      worker!.onerror = ({ message }) => resolve({ kind: 'failed', why: message });
      worker!.postMessage({ paper, style, pictures });
    });
    give = null;
    stop();
    if (told?.kind === 'failed') throw new Error(told.why);
    return told?.blob ?? null;
  }
  onBeforeUnmount(stop);
  return { isBusy, make, stop };
}
