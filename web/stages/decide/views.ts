/** The ways to look at what is decided, each with its key. */
export const decideViews = [
  { id: 'options', label: 'Options', key: 'o' },
  { id: 'plan', label: 'Best plan', key: 'b' },
  { id: 'curve', label: 'Trade-off', key: 'e' },
  { id: 'compare', label: 'Side by side', key: 'v' },
  { id: 'risk', label: 'Risk', key: 'r' },
  { id: 'prices', label: 'Prices', key: 'p' },
  { id: 'record', label: 'Record', key: 'w' },
] as const;
export type DecideView = (typeof decideViews)[number]['id'];

export const isDecideView = (text: unknown): text is DecideView => decideViews.some(({ id }) => id === text);
