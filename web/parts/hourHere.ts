/** The hour of the day where this machine is, which is where the site is. */
export const hourHere = (atMs: number): number => new Date(atMs).getHours();
