/** Stands in a drawing for the picture beneath it, which whoever lays the paper out fetches by the id of its file. */
export const pictureMark = (fileId: string): string => `picture:${fileId}`;

/** The picture of a drawing as its lines name it. */
const imageOf = (fileId: string): RegExp => new RegExp(`<image href="${pictureMark(fileId)}"([^>]*)/>`);

/** A drawing with its picture put in; without one the lines alone. */
export const withPicture = (svg: string, fileId: string, picture: string | undefined): string =>
  svg.replace(imageOf(fileId), (_, size: string) => (picture ? `<image href="${picture}"${size}/>` : ''));
