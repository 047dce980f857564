import inflate from 'inflation';
import type { Context } from 'koa';
import rawBody from 'raw-body';
import { Refused } from './refused';

const megabytes = (bytes: number): number => Math.ceil(bytes / 1e6);

/** The body as bytes, unpacked. They are counted as they come out, so that a small body which unpacks to a large one is given up early. */
export async function readBytes({ req, request }: Context, limit: number): Promise<Buffer> {
  const { length } = request;
  const tooLarge = (what: string): Refused =>
    new Refused({
      status: 413,
      title: 'Too large',
      detail: `The file has ${what}; ${megabytes(limit)} MB are taken here. Nothing was kept.`,
    });
  if (length !== undefined && length > limit) throw tooLarge(`${megabytes(length)} MB`);
  try {
    return await rawBody(inflate(req), { limit });
  } catch (error) {
    if ((error as { type?: string }).type === 'entity.too.large') throw tooLarge('more once it is unpacked');
    throw error;
  }
}
