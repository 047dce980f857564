/** Every paper there is by when it is wanted, each with the key that opens it. */
export const paperKinds = [
  { id: 'offer', label: 'Offer', key: 'o', group: 'Before the work' },
  { id: 'survey', label: 'Survey report', key: 'v', group: 'Before the work' },
  { id: 'plan', label: 'Plan sheet', key: 'p', group: 'Before the work' },
  { id: 'parts', label: 'Parts and orders', key: 'a', group: 'Before the work' },
  { id: 'work', label: 'Work orders', key: 'n', group: 'For the work' },
  { id: 'hook-ups', label: 'Hook-ups', key: 'g', group: 'For the work' },
  { id: 'labels', label: 'Labels', key: 'l', group: 'For the work' },
  { id: 'addresses', label: 'Addresses and ports', key: 'd', group: 'For the work' },
  { id: 'racks', label: 'Racks', key: 'r', group: 'For the work' },
  { id: 'power', label: 'Supply and UPS', key: 'w', group: 'For the work' },
  { id: 'cables', label: 'Cable schedule', key: 'c', group: 'After the work' },
  { id: 'pictures', label: 'Reference pictures', key: 'i', group: 'After the work' },
  { id: 'sign-off', label: 'Sign-off', key: 's', group: 'After the work' },
  { id: 'hand-over', label: 'Hand-over pack', key: 'h', group: 'After the work' },
] as const;
export type PaperId = (typeof paperKinds)[number]['id'];
