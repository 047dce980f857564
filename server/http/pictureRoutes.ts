import Router from '@koa/router';
import { pictureFile, pictures as endpoints, type KeptPicture } from '#contract';
import type { FileWorkers } from '../files/fileWorkers';
import { mostBytes } from '../files/takePicture';
import { keepPace, paces } from './pace';
import { notFound, Refused } from './refused';
import { serveDownload, serveFile, type Asked } from './serveEndpoint';
import type { Kept } from './siteRoutes';

/** A picture opened by itself in a tab runs nothing and loads nothing, whatever is in it. */
const onlyLookedAt =
  "default-src 'none'; style-src 'unsafe-inline'; img-src data:; sandbox; frame-ancestors 'none'";
const yearSeconds = 365 * 24 * 3600;

async function keepPicture(
  files: FileWorkers,
  { query, body }: Asked<(typeof endpoints)['keep'], Buffer>,
): Promise<KeptPicture> {
  const kept = await files.picture(body, query.for);
  if (kept.kind === 'refused')
    throw new Refused({ status: 422, title: 'Not a picture', detail: `${kept.why} Nothing was kept.` });
  return kept.picture;
}

/** The addresses of drawings and photos under /api. A picture is known by what is in it, so its address never changes its answer. */
export function pictureRoutes({ pictures, files }: Kept): Router {
  const router = new Router({ prefix: '/api' });
  router.post('/pictures', keepPace(paces.uploads));
  serveFile(
    router,
    endpoints.keep,
    ({ for: use }) => mostBytes[use],
    (asked) => keepPicture(files, asked),
  );
  serveDownload(router, pictureFile, async (context) => {
    const picture = await pictures.read(context.params['id']!);
    if (!picture) throw notFound('There is no such picture here.');
    context.set('Content-Security-Policy', onlyLookedAt);
    context.set('Cache-Control', `private, max-age=${yearSeconds}, immutable`);
    context.type = picture.type;
    context.body = picture.bytes;
  });
  return router;
}
