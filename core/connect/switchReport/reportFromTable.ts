import { hardwareAddressSchema } from '#core/model/site';
import { fieldsIn, figureIn, noColumn, type ForeignTable } from '#core/survey/lists';
import type { PortReport, SwitchReport } from './report';

const headings = {
  port: ['port', 'interface', 'no'],
  link: ['link', 'speed', 'link mb/s', 'speed mb/s', 'status'],
  poeClass: ['class', 'poe class'],
  watts: ['watts', 'power', 'poe watts', 'power w', 'poe w'],
  errors: ['errors', 'crc errors', 'rx errors', 'damaged'],
  seen: ['hardware address', 'hardware addresses', 'mac', 'mac address', 'seen'],
} as const;
const mostPorts = 256;
const usualMbps = 1000;

/** The number in the name of a port: `7`, `port 7`, `1/0/7`. */
const portIn = (text: string): number | null => {
  const told = /(\d+)\s*$/.exec(text.trim());
  return told ? Number(told[1]) : null;
};

/** What a port has agreed on: `1000`, `100 Mb/s`, `1G`, `up`, `down`; `null` where it says none of them. */
function linkIn(text: string): number | null {
  const plain = text.trim().toLowerCase();
  if (plain === '' || /^(down|no link|off|-|–|0)$/.test(plain)) return 0;
  if (plain === 'up' || plain === 'on') return usualMbps;
  const giga = /^(\d+(?:[.,]\d+)?)\s*g/.exec(plain);
  if (giga) return Number(giga[1]!.replace(',', '.')) * 1000;
  return figureIn(plain);
}

const addressesIn = (text: string): string[] =>
  text
    .toLowerCase()
    .split(/[\s,;]+/)
    .filter(Boolean)
    .map((one) => one.replaceAll('-', ':'));

/** A list of ports as a switch or its manager exports it, or why nothing of it is taken. */
export type PortList =
  { kind: 'report'; report: SwitchReport; unread: string[] } | { kind: 'refused'; why: string[] };

/** Reads a list of ports: a row for each, with its link and, where the list tells them, class, watts, damaged frames and what was seen behind it. All or nothing is taken. */
export function reportFromTable(name: string, table: ForeignTable): PortList {
  const { at, unread } = fieldsIn(table, headings);
  if (at.port === undefined) return { kind: 'refused', why: [noColumn('the port', headings.port, table)] };
  if (at.link === undefined)
    return { kind: 'refused', why: [noColumn('the link of a port', headings.link, table)] };
  if (table.rows.length > mostPorts)
    return { kind: 'refused', why: [`${table.rows.length} rows; up to ${mostPorts} ports are taken.`] };
  const why: string[] = [];
  const lines = new Map<number, number>();
  const ports = table.rows.flatMap(({ line, cells }): PortReport[] => {
    const text = (field: keyof typeof headings): string => String(cells[at[field] ?? -1] ?? '').trim();
    const refuse = (what: string): PortReport[] => {
      why.push(`Line ${line}: ${what}.`);
      return [];
    };
    const number = portIn(text('port'));
    if (number === null || number < 1 || number > mostPorts) return refuse(`“${text('port')}” names no port`);
    const first = lines.get(number);
    if (first !== undefined) return refuse(`port ${number} stands in line ${first} already`);
    lines.set(number, line);
    const mbps = linkIn(text('link'));
    if (mbps === null || mbps < 0 || mbps > 100_000) return refuse(`“${text('link')}” is no link`);
    const watts = text('watts') === '' ? 0 : figureIn(text('watts'));
    if (watts === null || watts < 0 || watts > 100) return refuse(`“${text('watts')}” is no watts of a port`);
    const poeClass = text('poeClass') === '' ? 0 : figureIn(text('poeClass').replace(/^class\s*/i, ''));
    if (poeClass === null || !Number.isInteger(poeClass) || poeClass < 0 || poeClass > 8)
      return refuse(`“${text('poeClass')}” is no PoE class from 0 to 8`);
    const errors = text('errors') === '' ? 0 : figureIn(text('errors'));
    if (errors === null || !Number.isInteger(errors) || errors < 0)
      return refuse(`“${text('errors')}” is no count of damaged frames`);
    const seen = addressesIn(text('seen'));
    const wrong = seen.find((one) => !hardwareAddressSchema.safeParse(one).success);
    if (wrong !== undefined) return refuse(`“${wrong}” is no hardware address such as 02:00:5e:10:00:14`);
    const tellsPower = at.watts !== undefined || at.poeClass !== undefined;
    const poe = tellsPower ? { isOn: watts > 0, poeClass, watts } : null;
    return [{ number, isUp: mbps > 0, mbps, poe, errors, seen }];
  });
  if (why.length > 0) return { kind: 'refused', why };
  ports.sort((a, b) => a.number - b.number);
  return { kind: 'report', report: { name, serial: '', poeWatts: null, ports }, unread };
}
