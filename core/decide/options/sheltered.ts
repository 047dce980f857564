import type { Environment } from '#core/model/site';

/** Under cover cable stays dry, and lightning reaches it by what it is joined to only. */
export const isSheltered = (environment: Environment): boolean =>
  environment === 'indoor' || environment === 'roof-space';
