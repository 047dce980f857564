/** A moment of a night by the clock: `clockAt('21:00', 250)` is `01:10`. */
export function clockAt(shiftStart: string, minutes: number): string {
  const [hours = 0, past = 0] = shiftStart.split(':').map(Number);
  const at = ((Math.round(60 * hours + past + minutes) % 1440) + 1440) % 1440;
  return `${String(Math.floor(at / 60)).padStart(2, '0')}:${String(at % 60).padStart(2, '0')}`;
}
