import { channelWidthsMHz, type Heard } from './wireless';

/** Access points as a surveyor jots them down: `6 −48, 36/80 −71`, the width after a stroke where it was told. */
export const heardText = (heard: readonly Heard[]): string =>
  heard
    .map(
      ({ channel, levelDbm, widthMHz }) =>
        `${channel}${widthMHz === undefined ? '' : `/${widthMHz}`} ${String(levelDbm).replace('-', '−')}`,
    )
    .join(', ');

const isWidth = (width: number): width is (typeof channelWidthsMHz)[number] =>
  (channelWidthsMHz as readonly number[]).includes(width);

function heardIn(part: string): Heard | null {
  const told = /^(\d{1,3})(?:\/(\d{2,3}))?\s*[:\s]\s*[−–-]?(\d{1,3})(?:\s*dBm)?$/.exec(part);
  if (!told) return null;
  const [channel, levelDbm] = [Number(told[1]), -Number(told[3])];
  if (channel < 1 || channel > 196 || levelDbm < -120) return null;
  if (told[2] === undefined) return { channel, levelDbm };
  const widthMHz = Number(told[2]);
  return isWidth(widthMHz) ? { channel, levelDbm, widthMHz } : null;
}

/**
 * Reads what `heardText` writes; `null` where a part is not a channel, perhaps its width, and a level below zero. A level without
 * its sign is meant to have one.
 */
export function parseHeard(text: string): Heard[] | null {
  const parts = text
    .split(/[,;\n]/)
    .map((part) => part.trim())
    .filter(Boolean)
    .map(heardIn);
  return parts.every((part) => part !== null) ? parts : null;
}
