import { slotCount } from '#core/model/slotRules';
import { carriesIpToday, type NetworkCamera, type Site } from '#core/model/site';
import { numbersFrom } from '#core/shared/numeric';

type RecordedAt = NetworkCamera['recordedAt'];

/** An empty choice would be shown as none. */
const unknown = '-';

/** A slot of a recorder as a choice. */
export const slotText = (at: RecordedAt): string => (at ? `${at.recorderId}/${at.slot}` : unknown);

export function slotRead(text: string): RecordedAt {
  if (text === unknown) return undefined;
  const split = text.lastIndexOf('/');
  return { recorderId: text.slice(0, split), slot: Number(text.slice(split + 1)) };
}

/** The slots that may keep a camera of the network today: those beyond the inputs, and inputs that are set to IP. */
export const slotsToday = ({ recorder }: Pick<Site, 'recorder'>): { value: string; label: string }[] => [
  { value: unknown, label: 'Not known yet' },
  ...Object.values(recorder)
    .filter(({ toBuy }) => toBuy === undefined)
    .flatMap((one) =>
      numbersFrom(1, slotCount(one))
        .filter((slot) => carriesIpToday(one, slot))
        .map((slot) => ({ value: slotText({ recorderId: one.id, slot }), label: `${one.name} ${slot}` })),
    ),
];
