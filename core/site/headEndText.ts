import type { Recorder, SlotRules } from './headEnd';

type Presets = Extract<SlotRules, { kind: 'preset-split' }>['presets'];
export type ReadList<T> = { kind: 'read'; value: T } | { kind: 'refused'; why: string };

/** Presets as a person writes them: `16+0, 8+8, 0+16`, inputs on coax first, then IP slots. */
export const presetsText = (presets: Presets): string => presets.map(({ inputs, ipSlots }) => `${inputs}+${ipSlots}`).join(', ');

export function parsePresets(typed: string): ReadList<Presets> {
  const presets = typed.split(/[,;]/).map((part) => /^\s*(\d{1,2})\s*\+\s*(\d{1,3})\s*$/.exec(part)).map((match) => (match ? { inputs: Number(match[1]), ipSlots: Number(match[2]) } : null));
  if (presets.length > 12 || presets.some((preset) => !preset || preset.inputs > 64 || preset.ipSlots > 128)) return { kind: 'refused', why: 'presets such as 16+0, 8+8, 0+16: inputs on coax, then IP slots' };
  return { kind: 'read', value: presets as Presets };
}

type Disks = NonNullable<Recorder['disks']>;

/** Disks as a person writes them: `4, 4 TB`, each in terabytes. */
export const disksText = (disks: Disks): string => disks.map(({ terabytes }) => String(terabytes)).join(', ');

export function parseDisks(typed: string): ReadList<Disks> {
  const text = typed.trim();
  if (text === '') return { kind: 'read', value: [] };
  const sizes = text.split(/[,;]/).map((part) => /^\s*(\d+(?:\.\d+)?)\s*(TB|GB)?\s*$/i.exec(part)).map((match) => (match ? Number(match[1]) / (/gb/i.test(match[2] ?? '') ? 1000 : 1) : 0));
  if (sizes.length > 24 || sizes.some((size) => !(size > 0 && size <= 100))) return { kind: 'refused', why: 'terabytes of each disk, such as 4, 4' };
  return { kind: 'read', value: sizes.map((terabytes) => ({ terabytes })) };
}
