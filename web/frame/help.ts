import { marked } from 'marked';

/** One entry of a page of help: its heading, and what stands under it. */
export interface HelpEntry {
  heading: string;
  html: string;
}

/** A page of the manual, cut at its second headings; what stands before the first is for whoever reads the file itself. */
export function helpEntries(markdown: string): HelpEntry[] {
  return markdown
    .split(/^## /m)
    .slice(1)
    .map((part) => {
      const [heading = '', ...rest] = part.split('\n');
      return { heading: heading.trim(), html: marked.parse(rest.join('\n').trim(), { async: false }) };
    });
}
