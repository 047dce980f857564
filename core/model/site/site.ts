import { z } from 'zod';
import { cameraSchema } from './camera';
import { choiceSchema, placementSchema } from './decision';
import { demandsSchema } from './demands';
import { drawingSchema, photoSchema, pinSchema, routeSchema } from './drawing';
import { equipmentSchema } from './equipment';
import { recorderSchema, supplySchema } from './headEnd';
import { networkConfigSchema } from './networkConfig';
import { placeSchema } from './place';
import { savedPlanSchema } from './savedPlan';
import { productSchema } from './product';
import { radioPathSchema } from './radioPath';
import { readingSchema } from './reading';
import { runSchema } from './run';
import { allocationSettingsSchema } from './allocationSettings';
import { streamSchema } from './stream';
import { idSchema, nameSchema, noteSchema } from './vocabulary';

/** What the site is called and whose it is. There is one, with the id `about`. */
export const aboutSchema = z.strictObject({
  id: z.literal('about'),
  name: nameSchema,
  address: z.string().max(200),
  customer: z.string().max(80),
  currency: z.string().regex(/^[A-Z]{3}$/, 'three capital letters, such as EUR'),
  note: noteSchema.optional(),
});
export type About = z.infer<typeof aboutSchema>;

/** Every kind of fact, with its schema. Types, edits, the file format and the API all come from this table. */
export const factSchemas = {
  about: aboutSchema,
  place: placeSchema,
  camera: cameraSchema,
  supply: supplySchema,
  recorder: recorderSchema,
  run: runSchema,
  reading: readingSchema,
  choice: choiceSchema,
  placement: placementSchema,
  equipment: equipmentSchema,
  drawing: drawingSchema,
  pin: pinSchema,
  route: routeSchema,
  photo: photoSchema,
  product: productSchema,
  demands: demandsSchema,
  savedPlan: savedPlanSchema,
  radioPath: radioPathSchema,
  stream: streamSchema,
  networkConfig: networkConfigSchema,
  allocationSettings: allocationSettingsSchema,
} as const;

export type Kind = keyof typeof factSchemas;
export type Fact<K extends Kind> = z.infer<(typeof factSchemas)[K]>;
export const kinds = Object.keys(factSchemas) as Kind[];

/** All facts of one site, by kind and id. Only what was observed, measured or decided; the rest is computed. */
export type Site = { readonly [K in Kind]: Readonly<Record<string, Fact<K>>> };

export const siteIdSchema = idSchema;

export function aboutOf(site: Site): About {
  const about = site.about['about'];
  if (!about) throw new Error('a site without its about record was let in');
  return about;
}

/** A site of this name with nothing noted yet but its head end. */
export function emptySite(name: string, headEndName: string): Site {
  return {
    about: { about: { id: 'about', name, address: '', customer: '', currency: 'EUR' } },
    place: {
      'head-end': {
        id: 'head-end',
        name: headEndName,
        role: 'head-end',
        environment: 'indoor',
        temperatureC: 20,
        mains: true,
        networkCloset: true,
        restrictions: [],
        access: { by: 'ground', heightM: 0 },
      },
    },
    camera: {},
    supply: {},
    recorder: {},
    run: {},
    reading: {},
    choice: {},
    placement: {},
    equipment: {},
    drawing: {},
    pin: {},
    route: {},
    photo: {},
    product: {},
    demands: {},
    savedPlan: {},
    radioPath: {},
    stream: {},
    networkConfig: {},
    allocationSettings: {},
  };
}
