import Router from '@koa/router';
import rawBody from 'raw-body';
import { picturePath, pictures as endpoints } from '#contract';
import { mostBytes, takePicture } from '../files/takePicture';
import type { PictureFolder } from '../store/pictureFolder';
import { keepPace, paces } from './pace';
import { notFound, Refused } from './refused';
import { serveEndpoint, type Asked } from './serveEndpoint';

/** A picture opened by itself in a tab runs nothing and loads nothing, whatever is in it. */
const onlyLookedAt =
  "default-src 'none'; style-src 'unsafe-inline'; img-src data:; sandbox; frame-ancestors 'none'";
const yearSeconds = 365 * 24 * 3600;

async function keepPicture(pictures: PictureFolder, { query, context }: Asked<(typeof endpoints)['keep']>) {
  const limit = mostBytes[query.for];
  const { length } = context.request;
  if (length !== undefined && length > limit)
    throw new Refused({
      status: 413,
      title: 'Too large',
      detail: `The file has ${Math.ceil(length / 1e6)} MB; a ${query.for} may have ${limit / 1e6} MB. Nothing was kept.`,
    });
  const taken = await takePicture(await rawBody(context.req, { limit }), query.for);
  if (taken.kind === 'refused')
    throw new Refused({ status: 422, title: 'Not a picture', detail: `${taken.why} Nothing was kept.` });
  const { bytes, ...picture } = taken.picture;
  return { fileId: await pictures.keep(bytes, picture.mediaType), ...picture };
}

/** The addresses of drawings and photos under /api. A picture is known by what is in it, so its address never changes its answer. */
export function pictureRoutes(pictures: PictureFolder): Router {
  const router = new Router({ prefix: '/api' });
  router.post('/pictures', keepPace(paces.uploads));
  serveEndpoint(router, endpoints.keep, (asked) => keepPicture(pictures, asked));
  router.get(picturePath, async (context) => {
    const picture = await pictures.read(context.params['id']!);
    if (!picture) throw notFound('There is no such picture here.');
    context.set('Content-Security-Policy', onlyLookedAt);
    context.set('Cache-Control', `private, max-age=${yearSeconds}, immutable`);
    context.type = picture.type;
    context.body = picture.bytes;
  });
  return router;
}
