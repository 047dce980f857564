import type { Checked } from '#core/shared/problems';
import type { Trace } from './line';

/** Reads a trace of two columns, `time_ns` and `volts`, at even steps. */
export function traceFromCsv(text: string): Checked<Trace> {
  const refuse = (path: string, value: string, allowed: string): Checked<Trace> => ({
    kind: 'refused',
    problems: [{ path, value, allowed }],
  });
  const lines = text
    .replace(/^\ufeff/, '')
    .split(/\r?\n/)
    .filter((line) => line.trim() !== '');
  const headings = (lines[0] ?? '').split(/[,;\t]/).map((heading) => heading.trim().toLowerCase());
  const [timeAt, voltsAt] = [headings.indexOf('time_ns'), headings.indexOf('volts')];
  if (timeAt < 0 || voltsAt < 0) return refuse('csv', lines[0] ?? 'empty', 'columns time_ns and volts');
  if (lines.length < 17)
    return refuse('csv', `${Math.max(0, lines.length - 1)} readings`, 'at least 16 readings');
  if (lines.length > 200_001)
    return refuse('csv', `${lines.length - 1} readings`, 'at most 200 000 readings');
  const times = new Float64Array(lines.length - 1);
  const volts = new Float64Array(lines.length - 1);
  for (let row = 1; row < lines.length; row += 1) {
    const cells = lines[row]!.split(/[,;\t]/);
    const [time, value] = [Number(cells[timeAt]), Number(cells[voltsAt])];
    if (
      !Number.isFinite(time) ||
      !Number.isFinite(value) ||
      cells[timeAt]?.trim() === '' ||
      cells[voltsAt]?.trim() === ''
    )
      return refuse(`csv line ${row + 1}`, lines[row]!, 'two numbers');
    times[row - 1] = time;
    volts[row - 1] = value;
  }
  const stepNs = (times.at(-1)! - times[0]!) / (times.length - 1);
  const uneven = times.findIndex((time, k) => Math.abs(time - (times[0]! + k * stepNs)) > stepNs * 0.05);
  if (!(stepNs > 0) || uneven >= 0)
    return refuse(
      `csv line ${Math.max(0, uneven) + 2}`,
      String(times[Math.max(0, uneven)]),
      'times that rise in even steps',
    );
  return { kind: 'sound', value: { stepNs, volts } };
}
