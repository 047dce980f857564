import type { ServerResponse } from 'node:http';
import type { ConverterReport } from '#core/connect/converterReport';
import { countersAt } from '../counters';
import { listen, type Listening } from '../listen';

/** How it is sold: what it tells, and which of its coaxes lose packets by night. */
export interface ConverterBench {
  report: ConverterReport;
  losesAtNight?: readonly number[];
}

/** A unit of converters on an HTTP port of this machine. */
export function startConverter(
  { report, losesAtNight = [] }: ConverterBench,
  port: number,
): Promise<Listening> {
  const send = (response: ServerResponse, status: number, body: unknown): void => {
    response.writeHead(status, { 'content-type': 'application/json' }).end(JSON.stringify(body));
  };
  return listen((request, response) => {
    request.resume();
    const { method = 'GET', url = '/' } = request;
    if (method === 'GET' && url === '/state') return send(response, 200, report);
    const watched = /^\/links\/(\d+)\/counters$/.exec(url)?.[1];
    if (method !== 'GET' || watched === undefined)
      return send(response, 404, { title: 'Not found', detail: `There is no ${method} ${url}.` });
    const known = report.links.find(({ number }) => number === Number(watched));
    return known
      ? send(response, 200, countersAt(known, losesAtNight.includes(known.number), Date.now()))
      : send(response, 404, { title: 'Not found', detail: `It has no link ${watched}.` });
  }, port);
}
