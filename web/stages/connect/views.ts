/** The ways to look at the network and its rooms, each with its key, and whether it shows one moment of the change. */
export const connectViews = [
  { id: 'tree', label: 'Tree', key: 'r', isOfMoment: true },
  { id: 'failures', label: 'Failures', key: 'f', isOfMoment: true },
  { id: 'power', label: 'Power', key: 'e', isOfMoment: true },
  { id: 'racks', label: 'Rooms', key: 'x', isOfMoment: true },
  { id: 'addresses', label: 'Addresses', key: 'a', isOfMoment: false },
  { id: 'radio', label: 'Radio', key: 'o', isOfMoment: false },
  { id: 'hook-up', label: 'Hook-ups', key: 'h', isOfMoment: true },
  { id: 'switch', label: 'Read a switch', key: 'w', isOfMoment: false },
] as const;
export type ConnectView = (typeof connectViews)[number]['id'];

export const isConnectView = (text: unknown): text is ConnectView =>
  connectViews.some(({ id }) => id === text);

/** What can be added to the network, each with its key. */
export const additions = [
  { what: 'link', label: 'Note a link', key: 'n' },
  { what: 'gear', label: 'Add gear', key: 'b' },
  { what: 'camera', label: 'Add a view', key: 'v' },
] as const;
export type Addition = (typeof additions)[number]['what'];
