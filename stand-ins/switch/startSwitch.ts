import type { ServerResponse } from 'node:http';
import { countersAt } from '../counters';
import { listen, type Listening } from '../listen';
import { reportAt, type Restarting, type SwitchState } from './switch';

/** How it is sold: what it is at the start, the key to it, how long a port stays down, and which ports lose packets by night. */
export interface SwitchBench {
  state: SwitchState;
  key: string;
  restartMs: number;
  losesAtNight?: readonly number[];
}

/** The switch on an HTTP port of this machine. */
export function startSwitch(
  { state, key, restartMs, losesAtNight = [] }: SwitchBench,
  port: number,
): Promise<Listening> {
  let restarting: Restarting[] = [];
  const send = (response: ServerResponse, status: number, body: unknown): void => {
    response.writeHead(status, { 'content-type': 'application/json' }).end(JSON.stringify(body));
  };
  return listen((request, response) => {
    request.resume();
    const { method = 'GET', url = '/' } = request;
    if (method === 'GET' && url === '/state')
      return send(response, 200, reportAt(state, restarting, Date.now()));
    const watched = /^\/ports\/(\d+)\/counters$/.exec(url)?.[1];
    if (method === 'GET' && watched !== undefined) {
      const known = state.ports.find((one) => one.number === Number(watched));
      return known
        ? send(response, 200, countersAt(known, losesAtNight.includes(known.number), Date.now()))
        : send(response, 404, { title: 'Not found', detail: `It has no port ${watched}.` });
    }
    const asked = /^\/ports\/(\d+)\/restart$/.exec(url)?.[1];
    if (method !== 'POST' || asked === undefined)
      return send(response, 404, { title: 'Not found', detail: `There is no ${method} ${url}.` });
    if (request.headers['x-key'] !== key)
      return send(response, 401, { title: 'Refused', detail: 'The key is not the switch’s.' });
    const number = Number(asked);
    const known = state.ports.find((one) => one.number === number);
    if (!known) return send(response, 404, { title: 'Not found', detail: `It has no port ${number}.` });
    if (!known.poe)
      return send(response, 409, {
        title: 'Refused',
        detail: `Port ${number} gives no power, so there is nothing to take off.`,
      });
    restarting = [
      ...restarting.filter(({ until }) => until > Date.now()),
      { port: number, until: Date.now() + restartMs },
    ];
    send(response, 202, {});
  }, port);
}
