/** The ways to look at what is decided, each with its key. */
export const decideViews = [
  { id: 'options', says: 'Options', key: 'o' },
  { id: 'plan', says: 'Best plan', key: 'b' },
  { id: 'curve', says: 'Trade-off', key: 'e' },
  { id: 'compare', says: 'Side by side', key: 'v' },
  { id: 'risk', says: 'Risk', key: 'r' },
  { id: 'prices', says: 'Prices', key: 'p' },
  { id: 'record', says: 'Record', key: 'w' },
] as const;
export type DecideView = (typeof decideViews)[number]['id'];

export const isDecideView = (text: unknown): text is DecideView => decideViews.some(({ id }) => id === text);
