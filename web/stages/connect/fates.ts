import type { NetworkCamera } from '#core/model/site';

type Fate = 'stays' | 'replaced';

/** What becomes of an IP camera that is there, as a choice. */
export const fates: { value: Fate; label: string }[] = [
  { value: 'stays', label: 'Stays as it is' },
  { value: 'replaced', label: 'Is replaced by a new one' },
];

export const fateOf = ({ replaced }: Pick<NetworkCamera, 'replaced'>): Fate =>
  replaced ? 'replaced' : 'stays';

export const fateRead = (fate: Fate): NetworkCamera['replaced'] => (fate === 'replaced' ? true : undefined);
