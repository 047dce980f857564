/** The ways to look at the tests of a run, each with its key. */
export const testViews = [
  { id: 'bench', label: 'Bench', key: 'b' },
  { id: 'trace', label: 'Trace', key: 'e' },
  { id: 'volts', label: 'Volts', key: 'v' },
  { id: 'picture', label: 'Picture', key: 'p' },
  { id: 'cause', label: 'Cause', key: 'c' },
  { id: 'log', label: 'Log', key: 'g' },
] as const;
export type TestView = (typeof testViews)[number]['id'];

export const isTestView = (text: unknown): text is TestView => testViews.some(({ id }) => id === text);
