/** The ways to look at the slots, each with its key. */
export const allocateViews = [
  { id: 'rack', says: 'Rack', key: 'r' },
  { id: 'streams', says: 'Streams and disks', key: 's' },
  { id: 'order', says: 'Order of moves', key: 'o' },
  { id: 'ready', says: 'Before you start', key: 'b' },
  { id: 'device', says: 'Into the recorder', key: 'w' },
] as const;
export type AllocateView = (typeof allocateViews)[number]['id'];

export const isAllocateView = (text: unknown): text is AllocateView =>
  allocateViews.some(({ id }) => id === text);
