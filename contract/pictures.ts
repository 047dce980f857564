import { z } from 'zod';
import { pictureTypes } from '#core/model/site';
import { endpoint } from './endpoint';

/** A picture as the server keeps it, named for what is in it. */
export const keptPictureSchema = z.object({
  fileId: z.string(),
  mediaType: z.enum(pictureTypes),
  widthPx: z.number(),
  heightPx: z.number(),
  remarks: z.array(z.string()),
});
export type KeptPicture = z.infer<typeof keptPictureSchema>;

export const pictures = {
  /** The body is the picture's bytes. */
  keep: endpoint({
    needs: 'contributor',
    method: 'POST',
    path: '/pictures',
    query: z.object({ for: z.enum(['drawing', 'photo']) }),
    body: z.unknown(),
    answer: keptPictureSchema,
    status: 201,
    hint: '“for” is drawing or photo.',
  }),
} as const;

/** Where a picture is looked at. */
export const pictureFile = { path: '/pictures/:id', needs: 'account' } as const;
