/** The ways to look at the slots, each with its key. */
export const allocateViews = [
  { id: 'rack', label: 'Rack', key: 'r' },
  { id: 'streams', label: 'Streams and disks', key: 's' },
  { id: 'order', label: 'Order of moves', key: 'o' },
  { id: 'ready', label: 'Before you start', key: 'b' },
  { id: 'device', label: 'Push to recorder', key: 'w' },
] as const;
export type AllocateView = (typeof allocateViews)[number]['id'];

export const isAllocateView = (text: unknown): text is AllocateView =>
  allocateViews.some(({ id }) => id === text);
