/** The ways to look at the sign-off, each with its key. */
export const signoffViews = [
  { id: 'acceptance', label: 'Acceptance', key: 'a' },
  { id: 'pictures', label: 'Pictures', key: 'i' },
  { id: 'punch', label: 'Punch list', key: 'p' },
  { id: 'sign', label: 'Signatures', key: 's' },
  { id: 'yearly', label: 'Yearly check', key: 'y' },
  { id: 'policy', label: 'Accepted by', key: 'r' },
] as const;
export type SignoffView = (typeof signoffViews)[number]['id'];

export const isSignoffView = (text: unknown): text is SignoffView =>
  signoffViews.some(({ id }) => id === text);
