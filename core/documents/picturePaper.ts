import { networkCameraNeeds } from '#core/decide/options';
import type { Block, Paper } from './paper';
import { paperOf, type PaperContext } from './paperContext';
import { photoBlocks } from './photoBlocks';

/** What every camera sees, before and after, by day and by lamps, for whoever looks at it in a year. */
export function picturePaper(context: PaperContext): Paper {
  const { site, evaluation } = context;
  const onNetwork = networkCameraNeeds(site).map(({ camera }) => camera);
  const cameras = [...evaluation.runs.map(({ camera }) => camera), ...onNetwork];
  const views = cameras.map((camera) => ({
    camera,
    photos: photoBlocks(
      { photo: Object.fromEntries(Object.entries(site.photo).filter(([, { shows }]) => shows)) },
      { kind: 'camera', id: camera.id },
    ),
  }));
  const without = views.filter(({ photos }) => photos.length === 0);
  return paperOf(context, {
    id: 'pictures',
    title: 'Reference pictures',
    open:
      without.length > 0
        ? [`Without a picture: cameras ${without.map(({ camera }) => camera.number).join(', ')}.`]
        : [],
    blocks: views.flatMap(({ camera, photos }): Block[] =>
      photos.length > 0
        ? [{ kind: 'heading', level: 2, text: `${camera.number} ${camera.name}` }, ...photos]
        : [],
    ),
  });
}
