import { z } from 'zod';
import { dataSheetSchema } from '#core/physics/cable';
import { acceptancePolicySchema } from './acceptancePolicy';
import { acceptanceReadingSchema } from './acceptanceReading';
import { acceptanceSchema } from './acceptance';
import { cameraSchema } from './camera';
import { crewMemberSchema } from './crew';
import { cutoverSettingsSchema } from './cutoverSettings';
import { choiceSchema, placementSchema } from './decision';
import { demandsSchema } from './demands';
import { drawingSchema, photoSchema, pinSchema, routeSchema } from './drawing';
import { equipmentSchema } from './equipment';
import { firmSchema } from './firm';
import { recorderSchema, supplySchema } from './headEnd';
import { punchItemSchema } from './punchItem';
import { attachmentSchema, linkSchema } from './link';
import { mendingSchema } from './mending';
import { networkCameraSchema } from './networkCamera';
import { networkConfigSchema } from './networkConfig';
import { givenOfferSchema, offerSettingsSchema } from './offerSettings';
import { ownTaskSchema } from './ownTask';
import { placeSchema } from './place';
import { savedPlanSchema } from './savedPlan';
import { productSchema } from './product';
import { radioPathSchema } from './radioPath';
import { readingSchema } from './reading';
import { runSchema } from './run';
import { allocationSettingsSchema } from './allocationSettings';
import { sheathSchema } from './sheath';
import { streamSchema } from './stream';
import { gateRecordSchema } from './gateRecord';
import { plannedNightSchema } from './plannedNight';
import { taskTrySchema } from './taskTry';
import { taskSettingSchema } from './taskSetting';
import { viewRuleSchema } from './viewRule';
import { idSchema, nameSchema, noteSchema } from './vocabulary';

const schemeWord = z.string().trim().max(30).optional();

/** What the site is called and whose it is. There is one, with the id `about`. */
export const aboutSchema = z.strictObject({
  id: z.literal('about'),
  name: nameSchema,
  address: z.string().max(200),
  customer: z.string().max(80),
  currency: z.string().regex(/^[A-Z]{3}$/, 'three capital letters, such as EUR'),
  /** What the three schemes of HD over coax are called on the recorders here. */
  schemeWords: z.strictObject({ a: schemeWord, b: schemeWord, c: schemeWord }).optional(),
  /** Whose papers these are. */
  firm: firmSchema.optional(),
  note: noteSchema.optional(),
});
export type About = z.infer<typeof aboutSchema>;

/**
 * Every kind of fact: its schema, and the list that holds it in a site file. Types, edits, the file format, the database
 * and the API all come from this table. A list that files had from the first is required; one that
 * came later may be left out. The area says whose work a fact is: what is found on site, what is recorded there as the work goes on, or what is
 * decided. A kind names its facts itself where they have ids of their own; the others go by the id of
 * what they are of.
 */
const factKinds = {
  about: { schema: aboutSchema, list: null, isRequired: true, area: 'plan', namesItself: false },
  place: { schema: placeSchema, list: 'places', isRequired: true, area: 'survey', namesItself: true },
  camera: { schema: cameraSchema, list: 'cameras', isRequired: true, area: 'survey', namesItself: true },
  supply: { schema: supplySchema, list: 'supplies', isRequired: true, area: 'survey', namesItself: true },
  recorder: {
    schema: recorderSchema,
    list: 'recorders',
    isRequired: true,
    area: 'survey',
    namesItself: true,
  },
  run: { schema: runSchema, list: 'runs', isRequired: true, area: 'survey', namesItself: true },
  reading: { schema: readingSchema, list: 'readings', isRequired: true, area: 'record', namesItself: false },
  mending: { schema: mendingSchema, list: 'mendings', isRequired: false, area: 'record', namesItself: false },
  choice: { schema: choiceSchema, list: 'choices', isRequired: true, area: 'plan', namesItself: false },
  placement: {
    schema: placementSchema,
    list: 'placements',
    isRequired: true,
    area: 'plan',
    namesItself: false,
  },
  equipment: {
    schema: equipmentSchema,
    list: 'equipment',
    isRequired: false,
    area: 'survey',
    namesItself: true,
  },
  drawing: { schema: drawingSchema, list: 'drawings', isRequired: false, area: 'survey', namesItself: true },
  pin: { schema: pinSchema, list: 'pins', isRequired: false, area: 'survey', namesItself: true },
  route: { schema: routeSchema, list: 'routes', isRequired: false, area: 'survey', namesItself: true },
  photo: { schema: photoSchema, list: 'photos', isRequired: false, area: 'record', namesItself: true },
  product: { schema: productSchema, list: 'products', isRequired: false, area: 'plan', namesItself: true },
  demands: { schema: demandsSchema, list: 'demands', isRequired: false, area: 'plan', namesItself: false },
  savedPlan: { schema: savedPlanSchema, list: 'plans', isRequired: false, area: 'plan', namesItself: true },
  construction: {
    schema: dataSheetSchema,
    list: 'constructions',
    isRequired: false,
    area: 'survey',
    namesItself: true,
  },
  radioPath: {
    schema: radioPathSchema,
    list: 'radioPaths',
    isRequired: false,
    area: 'survey',
    namesItself: true,
  },
  link: { schema: linkSchema, list: 'links', isRequired: false, area: 'survey', namesItself: true },
  attachment: {
    schema: attachmentSchema,
    list: 'attachments',
    isRequired: false,
    area: 'survey',
    namesItself: false,
  },
  sheath: { schema: sheathSchema, list: 'sheaths', isRequired: false, area: 'survey', namesItself: true },
  networkCamera: {
    schema: networkCameraSchema,
    list: 'networkCameras',
    isRequired: false,
    area: 'survey',
    namesItself: false,
  },
  stream: { schema: streamSchema, list: 'streams', isRequired: false, area: 'survey', namesItself: false },
  networkConfig: {
    schema: networkConfigSchema,
    list: 'networkConfigs',
    isRequired: false,
    area: 'plan',
    namesItself: false,
  },
  allocationSettings: {
    schema: allocationSettingsSchema,
    list: 'allocationSettings',
    isRequired: false,
    area: 'plan',
    namesItself: false,
  },
  crewMember: { schema: crewMemberSchema, list: 'crew', isRequired: false, area: 'plan', namesItself: true },
  cutover: {
    schema: cutoverSettingsSchema,
    list: 'cutovers',
    isRequired: false,
    area: 'plan',
    namesItself: false,
  },
  viewRule: { schema: viewRuleSchema, list: 'viewRules', isRequired: false, area: 'plan', namesItself: true },
  taskSetting: {
    schema: taskSettingSchema,
    list: 'taskSettings',
    isRequired: false,
    area: 'plan',
    namesItself: false,
  },
  ownTask: { schema: ownTaskSchema, list: 'ownTasks', isRequired: false, area: 'plan', namesItself: true },
  plannedNight: {
    schema: plannedNightSchema,
    list: 'nights',
    isRequired: false,
    area: 'plan',
    namesItself: false,
  },
  taskTry: {
    schema: taskTrySchema,
    list: 'taskTries',
    isRequired: false,
    area: 'record',
    namesItself: false,
  },
  gateRecord: {
    schema: gateRecordSchema,
    list: 'gateRecords',
    isRequired: false,
    area: 'record',
    namesItself: false,
  },
  offerSettings: {
    schema: offerSettingsSchema,
    list: 'offerSettings',
    isRequired: false,
    area: 'plan',
    namesItself: false,
  },
  givenOffer: {
    schema: givenOfferSchema,
    list: 'offers',
    isRequired: false,
    area: 'plan',
    namesItself: false,
  },
  acceptancePolicy: {
    schema: acceptancePolicySchema,
    list: 'acceptancePolicies',
    isRequired: false,
    area: 'plan',
    namesItself: false,
  },
  acceptanceReading: {
    schema: acceptanceReadingSchema,
    list: 'acceptanceReadings',
    isRequired: false,
    area: 'record',
    namesItself: false,
  },
  punchItem: {
    schema: punchItemSchema,
    list: 'punchItems',
    isRequired: false,
    area: 'record',
    namesItself: true,
  },
  acceptance: {
    schema: acceptanceSchema,
    list: 'acceptances',
    isRequired: false,
    area: 'record',
    namesItself: false,
  },
} as const;
type FactKinds = typeof factKinds;

export type Kind = keyof FactKinds;
export type Fact<K extends Kind> = z.infer<FactKinds[K]['schema']>;
export const kinds = Object.keys(factKinds) as Kind[];

/** Whether facts of this kind have ids of their own, made up for them, that two people may make up alike. */
export const namesItself = (kind: Kind): boolean => factKinds[kind].namesItself;

/** Whose work a fact is: of whoever surveys, of whoever is on site at all, or of whoever plans. */
export type Area = 'survey' | 'record' | 'plan';
export const areaOf = (kind: Kind): Area => factKinds[kind].area;

/** A table of one thing for every kind, of which the compiler knows what it is for each. */
const byKind = <Of extends { [K in Kind]: unknown }>(of: (kind: Kind) => unknown): Of =>
  Object.fromEntries(kinds.map((kind) => [kind, of(kind)])) as Of;

export const factSchemas = byKind<{ [K in Kind]: FactKinds[K]['schema'] }>((kind) => factKinds[kind].schema);

/** Which list of a site file holds which kind. What is about the site as a whole is in no list. */
export const fileLists = Object.fromEntries(
  kinds.flatMap((kind) => (factKinds[kind].list === null ? [] : [[factKinds[kind].list, kind]])),
) as { [K in Kind as Exclude<FactKinds[K]['list'], null>]: K };
export type ListName = keyof typeof fileLists;
export const listNames = Object.keys(fileLists) as ListName[];
export const isListRequired = (name: ListName): boolean => factKinds[fileLists[name]].isRequired;

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
    ...byKind<Site>(() => ({})),
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
  };
}
