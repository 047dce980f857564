import { parseSiteFile, type Site } from '#core/model/site';
import { problemLine } from '#core/shared/problems';

/** The site that a file holds, or why it holds none. */
export function siteIn(file: string, readFile: (file: string) => string): Site | string[] {
  let text: string;
  try {
    text = readFile(file);
  } catch (error) {
    return [`${file} cannot be read: ${error instanceof Error ? error.message : String(error)}`];
  }
  const parsed = parseSiteFile(text);
  return parsed.kind === 'refused' ? parsed.problems.map(problemLine) : parsed.value;
}
