import type { Activity, Codec, Keeping } from '#core/model/site';
import { formatQuantity } from '#core/shared/units';
import type { RateSource } from '#core/model/streams';
import type { WayOut } from './waysOut';

export const codecWords: Record<Codec, string> = { h264: 'H.264', h265: 'H.265', mjpeg: 'Motion JPEG' };
export const activityWords: Record<Activity, string> = { still: 'still', usual: 'usual', busy: 'busy' };
export const keepingWords: Record<Keeping['kind'], string> = {
  always: 'always',
  motion: 'on motion',
  hours: 'some hours',
};
export const rateWords: Record<RateSource, string> = {
  class: 'as its class',
  'data-sheet': 'data sheet',
  'worked-out': 'worked out',
};

/** A way out of a shortfall in a sentence. */
export function wayInWords(way: WayOut, currency: string): string {
  switch (way.kind) {
    case 'frames':
      return `At most ${way.framesPerSecond} frames a second on every camera.`;
    case 'codec':
      return `${codecWords[way.codec]} on every camera, where cameras and recorder have it.`;
    case 'days':
      return `Keep ${way.days} day${way.days === 1 ? '' : 's'} instead, if the customer agrees.`;
    case 'disks':
      return `${way.count} more disk${way.count === 1 ? '' : 's'} of ${way.terabytes} TB${way.cost === null ? '; no price in the catalogue' : `, ${formatQuantity(way.cost, 'money')} ${currency}`}.`;
  }
}
