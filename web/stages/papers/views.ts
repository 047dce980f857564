/** The papers that go out of a site, each with its key. */
export const papersViews = [{ id: 'plan', label: 'Plan sheet', key: 'p' }] as const;
export type PapersView = (typeof papersViews)[number]['id'];

export const isPapersView = (text: unknown): text is PapersView => papersViews.some(({ id }) => id === text);
