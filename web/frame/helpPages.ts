import allocate from '../../docs/help/allocate.md?raw';
import connect from '../../docs/help/connect.md?raw';
import cutover from '../../docs/help/cutover.md?raw';
import decide from '../../docs/help/decide.md?raw';
import drills from '../../docs/help/drills.md?raw';
import papers from '../../docs/help/papers.md?raw';
import signoff from '../../docs/help/signoff.md?raw';
import survey from '../../docs/help/survey.md?raw';
import test from '../../docs/help/test.md?raw';
import glossaryPage from '../../docs/glossary.md?raw';
import { helpEntries, type HelpEntry } from './help';
import type { StageName } from './stageName';

/** What has a page of the manual: the stages of a site, and drills. */
export type HelpPage = StageName | 'drills';

const pages: Record<HelpPage, HelpEntry[]> = {
  survey: helpEntries(survey),
  test: helpEntries(test),
  decide: helpEntries(decide),
  allocate: helpEntries(allocate),
  connect: helpEntries(connect),
  cutover: helpEntries(cutover),
  signoff: helpEntries(signoff),
  papers: helpEntries(papers),
  drills: helpEntries(drills),
};

/** What a view is for and what its figures mean; of a page the first one where it has no view of this name. */
export const helpOf = (page: HelpPage, view: unknown): HelpEntry =>
  pages[page].find(({ heading }) => heading === view) ?? pages[page][0]!;

export const glossary = helpEntries(glossaryPage);
