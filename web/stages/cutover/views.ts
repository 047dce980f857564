/** The ways to look at the nights of a change, each with its key. */
export const cutoverViews = [
  { id: 'nights', label: 'Nights', key: 'n' },
  { id: 'tasks', label: 'Tasks', key: 's' },
  { id: 'mornings', label: 'Mornings', key: 'd' },
  { id: 'rules', label: 'Crew and rules', key: 'r' },
  { id: 'papers', label: 'Lists and labels', key: 'o' },
  { id: 'tonight', label: 'Tonight', key: 'e' },
] as const;
export type CutoverView = (typeof cutoverViews)[number]['id'];

export const isCutoverView = (text: unknown): text is CutoverView =>
  cutoverViews.some(({ id }) => id === text);
