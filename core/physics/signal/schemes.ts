import { pictureFormats } from './tables';

/**
 * Three families of analog HD over coax that do not understand each other. They are called A, B and C here; what stands for each on
 * a recorder is for its owner to say.
 */
export const hdSchemes = ['a', 'b', 'c'] as const;
export type HdScheme = (typeof hdSchemes)[number];

/** Ways in which a camera of several schemes is told which to send. */
export const schemeSetters = ['recorder', 'switch', 'timed-press', 'menu'] as const;

/** A picture as it is sent: its format, and the schemes that the sender can speak where that was noted. */
export interface SentPicture {
  format: string;
  schemes?: readonly HdScheme[] | undefined;
}

/** What inputs take: formats, and the schemes they understand where that was noted. */
export interface TakenPictures {
  accepts: readonly string[];
  schemes?: readonly HdScheme[] | undefined;
}

const analogHd = new Set(pictureFormats.filter(({ family }) => family === 'analog-hd').map(({ id }) => id));
const isAnalogHd = (format: string): boolean => analogHd.has(format);

/** Whether inputs and a sender have a scheme in common; not known while one of them was not noted, and no matter for other formats. */
export function speaksAlike(taken: TakenPictures, sent: SentPicture): 'yes' | 'no' | 'unknown' {
  if (!isAnalogHd(sent.format)) return 'yes';
  if (!taken.schemes || !sent.schemes) return 'unknown';
  return sent.schemes.some((scheme) => taken.schemes!.includes(scheme)) ? 'yes' : 'no';
}

/** Whether inputs take a picture, as far as it is known. */
export const takesPicture = (taken: TakenPictures, sent: SentPicture): boolean =>
  taken.accepts.includes(sent.format) && speaksAlike(taken, sent) !== 'no';
