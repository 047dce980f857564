import { bestFormatOf } from '#core/model/views';
import type { ProductOf } from '#core/model/site';
import { pictureFormats, type PictureFormat, type SentPicture } from '#core/physics/signal';

type Takes = (sent: SentPicture) => 'yes' | 'no' | 'unknown';

/** HD formats that inputs take of a new camera, up to the best that it sends, best first. */
export function hdFormats(takes: Takes, product: ProductOf<'camera'>): PictureFormat[] {
  const best = pictureFormats.findIndex(({ id }) => id === bestFormatOf(product));
  return pictureFormats
    .slice(0, best + 1)
    .filter(
      ({ id, family }) => family === 'analog-hd' && takes({ format: id, schemes: product.schemes }) !== 'no',
    )
    .reverse();
}
