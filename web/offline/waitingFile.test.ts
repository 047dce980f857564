import { describe, expect, it } from 'vitest';
import type { LogEntry } from '#core/model/site';
import { fromWaitingFile, toWaitingFile } from './waitingFile';

const edit: LogEntry = {
  id: '7f6d3c1e-0b3a-4a52-9f53-0e8a4a1d2b3c',
  site: 'saltmarrow-ferry-terminal',
  baseVersion: 4,
  version: 5,
  label: 'Photo of run 8',
  operation: { kind: 'do' },
  by: 'R. Tolland',
  at: '2026-03-12T09:00:00.000Z',
  changes: [{ kind: 'photo', id: 'p1', remove: true }],
  inverse: [],
};
const bytes = Uint8Array.from({ length: 3000 }, (_, k) => (k * 37) % 256);

describe('what waits, as a file', () => {
  it('comes back as it went, to the byte', async () => {
    const photo = {
      of: { kind: 'run' as const, id: 'r08' },
      what: '8 Weighbridge',
      at: '2026-03-12T09:01:00.000Z',
      by: 'R. Tolland',
      picture: new Blob([bytes], { type: 'image/jpeg' }),
    };
    const text = await toWaitingFile({ site: edit.site, edits: [edit], photos: [photo] });
    const read = fromWaitingFile(text)!;
    expect(read.edits).toEqual([edit]);
    expect(read.photos[0]).toMatchObject({ of: photo.of, what: photo.what, at: photo.at, by: photo.by });
    expect(read.photos[0]!.picture.type).toBe('image/jpeg');
    expect(new Uint8Array(await read.photos[0]!.picture.arrayBuffer())).toEqual(bytes);
  });
  it('that was cut short, or is something else, is none', async () => {
    const text = await toWaitingFile({ site: edit.site, edits: [edit], photos: [] });
    expect(fromWaitingFile(text.slice(0, -20))).toBeNull();
    expect(fromWaitingFile('{}')).toBeNull();
    expect(fromWaitingFile(text.replace('"version":1', '"version":2'))).toBeNull();
  });
});
