import type { RadioPath } from '#core/model/site';
import { channelWidthsMHz } from '#core/physics/wireless';
import { fieldsIn, figureIn, noColumn, type ForeignTable } from '#core/survey/lists';

/** Access points out of a scan file, or why nothing of it is taken. */
export type Scan =
  { kind: 'heard'; heard: RadioPath['heard']; unread: string[] } | { kind: 'refused'; why: string[] };

const headings = {
  channel: ['channel', 'ch', 'primary channel'],
  levelDbm: ['level', 'level dbm', 'signal', 'signal dbm', 'rssi', 'dbm', 'power'],
  widthMHz: ['width', 'width mhz', 'channel width', 'bandwidth'],
} as const;
const most = 200;

const isWidth = (width: number): width is (typeof channelWidthsMHz)[number] =>
  (channelWidthsMHz as readonly number[]).includes(width);

/**
 * Reads the scan of a band at one end of a radio path: a row for each access point, with its channel, its level in dBm and, where the
 * tool tells it, its width. All or nothing is taken.
 */
export function scanFromTable(table: ForeignTable): Scan {
  const { at, unread } = fieldsIn(table, headings);
  const missing = (['channel', 'levelDbm'] as const).filter((field) => at[field] === undefined);
  if (missing.length > 0)
    return {
      kind: 'refused',
      why: missing.map((field) =>
        noColumn(field === 'channel' ? 'the channel' : 'the level in dBm', headings[field], table),
      ),
    };
  if (table.rows.length > most)
    return { kind: 'refused', why: [`${table.rows.length} access points; up to ${most} are taken.`] };
  const why: string[] = [];
  const heard = table.rows.flatMap(({ line, cells }): RadioPath['heard'] => {
    const [channel, levelDbm] = [figureIn(cells[at.channel!]), figureIn(cells[at.levelDbm!])];
    const width = at.widthMHz === undefined ? null : figureIn(cells[at.widthMHz]);
    if (channel === null || !Number.isInteger(channel) || channel < 1 || channel > 196) {
      why.push(`Line ${line}: “${String(cells[at.channel!] ?? '')}” is no channel from 1 to 196.`);
      return [];
    }
    if (levelDbm === null || levelDbm < -120 || levelDbm > 0) {
      why.push(`Line ${line}: “${String(cells[at.levelDbm!] ?? '')}” is no level from −120 to 0 dBm.`);
      return [];
    }
    if (width !== null && !isWidth(width)) {
      why.push(`Line ${line}: ${width} MHz is no width of a channel (${channelWidthsMHz.join(', ')}).`);
      return [];
    }
    return [{ channel, levelDbm, ...(width === null ? {} : { widthMHz: width }) }];
  });
  return why.length > 0 ? { kind: 'refused', why } : { kind: 'heard', heard, unread };
}
