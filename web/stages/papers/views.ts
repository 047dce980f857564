import { paperKinds, type PaperId } from '#core/documents';

/** The papers that go out of a site, each with its key. */
export const papersViews = paperKinds;
export type PapersView = PaperId;

export const isPapersView = (text: unknown): text is PapersView => papersViews.some(({ id }) => id === text);
