import { createServer, type RequestListener } from 'node:http';
import type { AddressInfo } from 'node:net';

/** A stand-in that answers, until it is closed. */
export interface Listening {
  address: string;
  close: () => Promise<void>;
}

/** Answers on an HTTP port of this machine; on any that is free where it is 0. */
export function listen(answer: RequestListener, port: number): Promise<Listening> {
  const server = createServer(answer);
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, '127.0.0.1', () =>
      resolve({
        address: `127.0.0.1:${(server.address() as AddressInfo).port}`,
        close: () =>
          new Promise((done) => {
            server.close(() => done());
            server.closeAllConnections();
          }),
      }),
    );
  });
}
