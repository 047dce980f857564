import type { Occupant, SlotNeed } from '#core/model/slotRules';
import { catalogueOf } from '#core/model/catalogue';
import { formatMegapixels } from '#core/physics/signal';
import { allocationSettingsOf, type Recorder, type Site } from '#core/model/site';
import { settingsOf, workedOutMbps } from '#core/model/streams';
import { storageOf, waysOut, type Storage, type Streaming, type WayOut } from '#core/allocate/stream';

/** What a recorder keeps of its cameras, for how long, and what could be done where that is too short. */
export interface Recording {
  streaming: Streaming[];
  storage: Storage;
  ways: WayOut[];
}

/** What a recorder writes of a camera. Coax pictures are compressed by the recorder itself, as the site's streams are set. */
function streamingOf(
  site: Pick<Site, 'stream' | 'allocationSettings'>,
  { cameraId, signal }: SlotNeed,
): Streaming {
  const stream = site.stream[cameraId];
  const settings = settingsOf(stream, allocationSettingsOf(site).streams);
  const { keeping, keepDays } = settings;
  if (signal.kind === 'ip')
    return {
      cameraId,
      keeping,
      keepDays,
      settings,
      megapixels: signal.megapixels,
      mbps: signal.mbps - (stream?.subMbps ?? 0),
      from: stream?.mainMbps === undefined ? 'class' : 'data-sheet',
    };
  const megapixels = formatMegapixels(signal.format);
  return {
    cameraId,
    keeping,
    keepDays,
    settings,
    megapixels,
    mbps: stream?.mainMbps ?? workedOutMbps(megapixels, settings),
    from: stream?.mainMbps === undefined ? 'worked-out' : 'data-sheet',
  };
}

/** The disk that is offered where one is short, by its id in the catalogue. */
const diskOnOffer = { id: 'disk-4', terabytes: 4 };

/** Days on the disks of a recorder with these cameras. The sub stream is for looking and is not kept. */
export function recordingOf(
  site: Pick<Site, 'stream' | 'allocationSettings' | 'product'>,
  { disks = [] }: Recorder,
  occupants: readonly Occupant[],
): Recording {
  const streaming = occupants.map(({ need }) => streamingOf(site, need));
  const disksTb = disks.map(({ terabytes }) => terabytes);
  const disk = catalogueOf(site).products.get(diskOnOffer.id);
  const offer = { terabytes: diskOnOffer.terabytes, each: disk?.kind === 'part' ? disk.each : null };
  return { streaming, storage: storageOf(streaming, disksTb), ways: waysOut(streaming, disksTb, offer) };
}
