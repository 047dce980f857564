/** Share of a rating that may be drawn for good. Source: usual practice for enclosed supplies; local code may ask for less. */
export const continuousLoadShare = 0.8;
