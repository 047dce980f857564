/** The ways to look at the tests of a run, each with its key. */
export const testViews = [
  { id: 'bench', says: 'Bench', key: 'b' },
  { id: 'trace', says: 'Trace', key: 'e' },
  { id: 'volts', says: 'Volts', key: 'v' },
  { id: 'picture', says: 'Picture', key: 'p' },
  { id: 'cause', says: 'Cause', key: 'c' },
  { id: 'log', says: 'Log', key: 'g' },
] as const;
export type TestView = (typeof testViews)[number]['id'];

export const isTestView = (text: unknown): text is TestView => testViews.some(({ id }) => id === text);
