export {
  accounts,
  asHeader,
  authorityFile,
  people,
  type InvitationListing,
  type Member,
  type Person,
  type VisitorSaid,
} from './accounts';
export { converters } from './converters';
export { customers } from './customers';
export { devices, type AllowedHost } from './devices';
export { drills, mostResultsAtOnce } from './drills';
export {
  endpoint,
  pathOf,
  type AnswerOf,
  type AnyEndpoint,
  type BodyOf,
  type FileAddress,
  type ParamsOf,
  type QueryOf,
} from './endpoint';
export { firm } from './firm';
export { instruments, type InstrumentAsked, type InstrumentIdentity } from './instruments';
export { live, newsFile, newsSchema, type News, type Present } from './live';
export { sitePath } from './paths';
export { keptPictureSchema, pictureFile, pictures, type KeptPicture } from './pictures';
export { problemDetailsSchema, type ProblemDetails } from './problem';
export { recorders, settingsFile } from './recorders';
export {
  firmRoleDefinitions,
  firmRoles,
  meets,
  roleAllows,
  roleOn,
  siteRoleDefinitions,
  siteRoles,
  type FirmRole,
  type Need,
  type SiteRole,
  type Standing,
} from './roles';
export { switches } from './switches';
export { downloads, mostInTurn, servedSiteSchema, sites, type ServedSite, type SiteListing } from './sites';
