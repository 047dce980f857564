import Router from '@koa/router';
import rawBody from 'raw-body';
import { z } from 'zod';
import { check } from '#core/shared/problems';
import { mostBytes, takePicture } from '../files/takePicture';
import type { PictureFolder } from '../store/pictureFolder';
import { sendProblem } from './problemDetails';

/** A picture opened by itself in a tab runs nothing and loads nothing, whatever is in it. */
const onlyLookedAt =
  "default-src 'none'; style-src 'unsafe-inline'; img-src data:; sandbox; frame-ancestors 'none'";
const yearSeconds = 365 * 24 * 3600;

const useSchema = z.enum(['drawing', 'photo']);

/** The addresses of drawings and photos under /api. A picture is known by what is in it, so its address never changes its answer. */
export function pictureRoutes(pictures: PictureFolder): Router {
  const router = new Router({ prefix: '/api' });

  router.post('/pictures', async (context) => {
    const use = check(useSchema, context.query['for']);
    if (use.kind === 'refused')
      return sendProblem(context, {
        status: 400,
        title: 'Not understood',
        detail: '“for” is drawing or photo.',
        problems: use.problems,
      });
    const limit = mostBytes[use.value];
    if (context.request.length !== undefined && context.request.length > limit) {
      return sendProblem(context, {
        status: 413,
        title: 'Too large',
        detail: `The file has ${Math.ceil(context.request.length / 1e6)} MB; a ${use.value} may have ${limit / 1e6} MB. Nothing was kept.`,
      });
    }
    const taken = await takePicture(await rawBody(context.req, { limit }), use.value);
    if (taken.kind === 'refused')
      return sendProblem(context, {
        status: 422,
        title: 'Not a picture',
        detail: `${taken.why} Nothing was kept.`,
      });
    const { bytes, ...picture } = taken.picture;
    context.status = 201;
    context.body = { fileId: await pictures.keep(bytes, picture.mediaType), ...picture };
  });

  router.get('/pictures/:id', async (context) => {
    const picture = await pictures.read(context.params['id']!);
    if (!picture)
      return sendProblem(context, {
        status: 404,
        title: 'Not found',
        detail: 'There is no such picture here.',
      });
    context.set('Content-Security-Policy', onlyLookedAt);
    context.set('Cache-Control', `private, max-age=${yearSeconds}, immutable`);
    context.type = picture.type;
    context.body = picture.bytes;
  });

  return router;
}
