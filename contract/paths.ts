/** The address of an open site, by itself: a page asks for it before it has loaded anything else. */
export const sitePath = '/sites/:id';
