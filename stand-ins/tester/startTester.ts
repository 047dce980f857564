import { createServer, type AddressInfo } from 'node:net';
import { createInterface } from 'node:readline';
import { answer, newSession, type Bench } from './session';

export interface RunningTester {
  address: string;
  close: () => Promise<void>;
}

/** Longest line that anyone may send. */
const longestLine = 4096;

/** Starts the stand-in on loopback: one session a connection, one answer a line. */
export function startTester(bench: Bench, port = 0): Promise<RunningTester> {
  const sockets = new Set<{ destroy: () => void }>();
  const server = createServer((socket) => {
    sockets.add(socket);
    socket.setNoDelay(true);
    const session = newSession();
    socket.on('error', () => socket.destroy());
    socket.on('close', () => sockets.delete(socket));
    const lines = createInterface({ input: socket });
    lines.on('error', () => socket.destroy());
    lines.on('line', (line) => {
      if (line.length > longestLine) return void socket.destroy();
      const said = answer(session, bench, line);
      if (said !== null && !socket.destroyed) socket.write(`${said}\n`);
    });
  });
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, '127.0.0.1', () =>
      resolve({
        address: `127.0.0.1:${(server.address() as AddressInfo).port}`,
        close: () =>
          new Promise((done) => {
            for (const socket of sockets) socket.destroy();
            server.close(() => done());
          }),
      }),
    );
  });
}
