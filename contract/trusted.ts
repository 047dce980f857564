import { z } from 'zod';
import { siteFileFormat, siteFileVersion, type LogEntry, type SiteFile } from '#core/model/site';

/**
 * A site's file as the server hands it to its own pages. Each fact was held against its schema when it was written, and
 * a thousand runs would take the page longer to hold against it again than to show; so only the header is looked at.
 */
export const trustedSiteFile = z.custom<SiteFile>(
  (file) =>
    typeof file === 'object' &&
    file !== null &&
    'format' in file &&
    file.format === siteFileFormat &&
    'version' in file &&
    file.version === siteFileVersion,
  { error: `a site file of version ${siteFileVersion}` },
);

/** An entry of a site's log, which was held against its schema when it was written. */
export const trustedEntry = z.custom<LogEntry>(
  (entry) => typeof entry === 'object' && entry !== null && 'version' in entry && 'changes' in entry,
  { error: 'an entry of a log' },
);
