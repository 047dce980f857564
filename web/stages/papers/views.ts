/** The papers that go out of a site, each with its key. */
export const papersViews = [
  { id: 'offer', label: 'Offer', key: 'o' },
  { id: 'plan', label: 'Plan sheet', key: 'p' },
  { id: 'parts', label: 'Parts and orders', key: 'a' },
  { id: 'cables', label: 'Cable schedule', key: 'c' },
  { id: 'addresses', label: 'Addresses and ports', key: 'd' },
  { id: 'sign-off', label: 'Sign-off', key: 's' },
  { id: 'hand-over', label: 'Hand-over pack', key: 'h' },
] as const;
export type PapersView = (typeof papersViews)[number]['id'];

export const isPapersView = (text: unknown): text is PapersView => papersViews.some(({ id }) => id === text);
