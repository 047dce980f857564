import { z } from 'zod';
import { idSchema, instantSchema, nameSchema, noteSchema } from './vocabulary';

/** The SHA-256 of a file's bytes: a file is known by what is in it. */
export const fileIdSchema = z.string().regex(/^[0-9a-f]{64}$/, 'the SHA-256 of a file, in hexadecimal');
export const pictureTypes = ['image/png', 'image/jpeg', 'image/svg+xml'] as const;
export type PictureType = (typeof pictureTypes)[number];

/** Files are kept beside the facts; a fact says which file by its id. */
export const pictureFields = {
  fileId: fileIdSchema,
  mediaType: z.enum(pictureTypes),
  widthPx: z.number().positive().max(100_000),
  heightPx: z.number().positive().max(100_000),
};

/** A spot on a drawing, in the picture's own pixels from its upper left. A little outside the paper is allowed. */
export const spotSchema = z.strictObject({
  x: z.number().min(-50_000).max(150_000),
  y: z.number().min(-50_000).max(150_000),
});
export type Spot = z.infer<typeof spotSchema>;

/** A floor plan: a picture, and two points on it of known distance. */
export const drawingSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  ...pictureFields,
  scale: z
    .strictObject({ a: spotSchema, b: spotSchema, distanceM: z.number().positive().max(5000) })
    .optional(),
  note: noteSchema.optional(),
});
export type Drawing = z.infer<typeof drawingSchema>;

export const pinnedKinds = ['place', 'camera', 'recorder', 'supply', 'equipment'] as const;

/** Where something stands on a drawing, and for a camera which way it looks: degrees clockwise from the top of the paper. */
export const pinSchema = z.strictObject({
  id: idSchema,
  drawingId: idSchema,
  of: z.strictObject({ kind: z.enum(pinnedKinds), id: idSchema }),
  at: spotSchema,
  facesDegrees: z.number().min(0).lt(360).optional(),
});
export type Pin = z.infer<typeof pinSchema>;

/** A way that cables take, drawn on a plan. Every segment that goes this way shares its geometry. */
export const routeSchema = z.strictObject({
  id: idSchema,
  drawingId: idSchema,
  name: nameSchema,
  points: z.array(spotSchema).min(2).max(200),
  /** All vertical rises and drops along it, added up. */
  riseM: z.number().min(0).max(300),
  slackPercent: z.number().min(0).max(50),
});
export type Route = z.infer<typeof routeSchema>;

const markWordsSchema = z.string().min(1).max(80);

/** What somebody drew on a photo, in its own pixels: an arrow to what is meant, or a word beside it. */
export const photoMarkSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('arrow'), from: spotSchema, to: spotSchema }),
  z.strictObject({ kind: z.literal('words'), at: spotSchema, words: markWordsSchema }),
]);
export type PhotoMark = z.infer<typeof photoMarkSchema>;

/** What of a camera’s work a photo shows, so that pictures of the same view can be set side by side. */
export const pictureSubjects = ['before-day', 'before-lamps', 'after-day', 'after-lamps', 'joint'] as const;
export type PictureSubject = (typeof pictureSubjects)[number];

/** A photo taken on the walk. */
export const photoSchema = z.strictObject({
  id: idSchema,
  ...pictureFields,
  of: z.strictObject({
    kind: z.enum(['run', 'camera', 'place', 'recorder', 'supply', 'equipment']),
    id: idSchema,
  }),
  caption: z.string().max(200).optional(),
  /** Beside the picture, never in it: the photo stays what it was. */
  marks: z.array(photoMarkSchema).min(1).max(40).optional(),
  shows: z.enum(pictureSubjects).optional(),
  /** The two ends of a target one metre long, as they stand in the picture. */
  metre: z.strictObject({ a: spotSchema, b: spotSchema }).optional(),
  at: instantSchema,
  by: nameSchema,
});
export type Photo = z.infer<typeof photoSchema>;
