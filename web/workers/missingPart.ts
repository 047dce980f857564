/** The name of the error of a thread that could not fetch a part of its program. */
export const missingPart = 'MissingPart';
