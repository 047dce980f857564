import type { Heard } from './wireless';

/** Access points as a surveyor jots them down: `6 −48, 36 −71`. */
export const heardText = (heard: readonly Heard[]): string =>
  heard.map(({ channel, levelDbm }) => `${channel} ${String(levelDbm).replace('-', '−')}`).join(', ');

/** Reads what `heardText` writes; `null` where a part is not a channel and a level below zero. A level without its sign is meant to have one. */
export function parseHeard(text: string): Heard[] | null {
  const parts = text
    .split(/[,;\n]/)
    .map((part) => part.trim())
    .filter(Boolean)
    .map((part) => /^(\d{1,3})\s*[:\s]\s*[−–-]?(\d{1,3})(?:\s*dBm)?$/.exec(part));
  if (parts.some((part) => part === null)) return null;
  const heard = parts.map((part) => ({ channel: Number(part![1]), levelDbm: -Number(part![2]) }));
  return heard.every(({ channel, levelDbm }) => channel >= 1 && channel <= 196 && levelDbm >= -120)
    ? heard
    : null;
}
