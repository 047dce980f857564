/** The ways to look at the network, each with its key. */
export const connectViews = [
  { id: 'tree', label: 'Tree', key: 'r' },
  { id: 'failures', label: 'Failures', key: 'f' },
  { id: 'hook-up', label: 'Hook-ups', key: 'h' },
  { id: 'switch', label: 'Read a switch', key: 'w' },
] as const;
export type ConnectView = (typeof connectViews)[number]['id'];

export const isConnectView = (text: unknown): text is ConnectView =>
  connectViews.some(({ id }) => id === text);
