import type { Photo, PictureSubject, Site } from '#core/model/site';
import type { Block } from './paper';

const subjectWords: Record<PictureSubject, string> = {
  'before-day': 'before, by day',
  'before-lamps': 'before, by lamps',
  'after-day': 'after, by day',
  'after-lamps': 'after, by lamps',
  joint: 'joint',
};

/** The photos of a thing, the oldest first, each with what it shows, when and by whom. */
export function photoBlocks({ photo }: Pick<Site, 'photo'>, of: Photo['of']): Block[] {
  return Object.values(photo)
    .filter((one) => one.of.kind === of.kind && one.of.id === of.id)
    .sort((a, b) => a.at.localeCompare(b.at, 'en'))
    .map(({ fileId, caption, shows, at, by }) => ({
      kind: 'picture',
      fileId,
      caption: [caption, shows && subjectWords[shows], at.slice(0, 10), by].filter(Boolean).join(', '),
    }));
}
