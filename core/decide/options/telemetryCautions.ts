import { optionRow, type Camera, type OptionKind } from '#core/model/site';

const none: readonly string[] = [];
const ip = [
  'A turning camera: its presets and tours are set anew, over the network. Whoever steers it by a keyboard today needs one that steers over the network, or a client; the pair or the coax that carried its steering is free then.',
];
const hd = [
  'A turning camera: ask whether recorder and new camera speak the same steering over the coax, or leave the old pair in place; presets are set anew.',
];

/** What changes for whoever steers a turning camera. */
export function telemetryCautions(
  { telemetry }: Pick<Camera, 'telemetry'>,
  kind: OptionKind,
): readonly string[] {
  const { slot, keepsCamera } = optionRow(kind);
  if (!telemetry || keepsCamera || slot === 'none') return none;
  return slot === 'ip' ? ip : hd;
}
