import type { RecorderState } from '#core/allocate/recorder';
import { pictureFormat } from '#core/physics/signal';
import type { Site } from '#core/model/site';

/** A slot as somebody reads it who stands before a recorder without a network. */
export interface ChannelRow {
  recorder: string;
  slot: number;
  label: string;
  name: string;
  signal: string;
  address: string;
  passwordHeldBy: string;
}

/** Every slot of a recorder with what belongs on it, empty ones too. No password is in it. */
export function channelList(
  site: Pick<Site, 'networkConfig'>,
  { recorder, slots }: RecorderState,
): ChannelRow[] {
  return slots.map(({ slot, label, converted, carries, occupants }) => {
    const need = occupants[0]?.need;
    const networkConfig = need && site.networkConfig[need.cameraId];
    return {
      recorder: recorder.name,
      slot,
      label: converted ? `${label}, set to IP` : label,
      name: need ? `${need.number} ${need.name}` : '',
      signal: !need
        ? carries === 'ip'
          ? 'free for IP'
          : 'free'
        : need.signal.kind === 'ip'
          ? `IP, ${need.signal.megapixels} MP, ${Math.round(need.signal.mbps * 10) / 10} Mb/s`
          : pictureFormat(need.signal.format).label,
      address: need?.signal.kind === 'ip' ? (networkConfig?.address ?? 'none yet') : '',
      passwordHeldBy: need?.signal.kind === 'ip' ? (networkConfig?.passwordHeldBy ?? 'not set') : '',
    };
  });
}

/** The columns of a channel list on paper and as a table. */
export const channelColumns: readonly { id: keyof ChannelRow; label: string }[] = [
  { id: 'recorder', label: 'recorder' },
  { id: 'slot', label: 'slot' },
  { id: 'label', label: 'where' },
  { id: 'name', label: 'channel name' },
  { id: 'signal', label: 'signal' },
  { id: 'address', label: 'address' },
  { id: 'passwordHeldBy', label: 'password held by' },
];
