export { devices, type AllowedHost } from './devices';
export {
  endpoint,
  pathOf,
  type AnswerOf,
  type AnyEndpoint,
  type BodyOf,
  type ParamsOf,
  type QueryOf,
} from './endpoint';
export { instruments, type InstrumentAsked, type InstrumentIdentity } from './instruments';
export { sitePath } from './paths';
export { keptPictureSchema, picturePath, pictures, type KeptPicture } from './pictures';
export { problemDetailsSchema, type ProblemDetails } from './problem';
export { recorders, settingsPath } from './recorders';
export { switches } from './switches';
export { downloads, servedSiteSchema, sites, type ServedSite, type SiteListing } from './sites';
