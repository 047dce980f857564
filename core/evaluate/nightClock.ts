/** Of when it is, and when the shift of each night begins; milliseconds, as the place of the site counts its hours. */
export interface NightClock {
  now: number;
  beginOf: (date: string, time: string) => number;
}
