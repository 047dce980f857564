import { connect, type Socket } from 'node:net';
import { InstrumentError } from './instrumentError';

/** How long an instrument may take. A trace is many readings; most others are one. */
export interface Patience {
  connectMs: number;
  answerMs: number;
}

/** A line to an instrument: commands go out, and a query waits for its one line of answer. */
export interface Line {
  send: (command: string) => void;
  ask: (query: string) => Promise<string>;
  close: () => void;
}

/** Longest answer that is taken: a trace of 16 384 counts is some 100 kB. */
const longestAnswer = 1_000_000;

/** Whether a line is text that an instrument would say, and not noise. */
const isText = (line: string): boolean => /^[\x20-\x7e\t]*$/.test(line);

/** Opens a line to `host:port`. Rejects with an InstrumentError in words. */
export function openLine(address: string, { connectMs, answerMs }: Patience): Promise<Line> {
  const at = address.lastIndexOf(':');
  const [host, port] = [address.slice(0, at).replace(/^\[|\]$/g, ''), Number(address.slice(at + 1))];
  return new Promise((resolve, reject) => {
    const unreachable = new InstrumentError(
      'unreachable',
      `Nothing answers at ${address}. Is the instrument on, and its bridge in the same network?`,
    );
    const socket = connect({ host, port });
    const timer = setTimeout(() => {
      socket.destroy();
      reject(unreachable);
    }, connectMs);
    // A port that is closed and one that is silent are told alike: what else is at an address is nobody's business.
    socket.once('error', () => {
      clearTimeout(timer);
      reject(unreachable);
    });
    socket.once('connect', () => {
      clearTimeout(timer);
      socket.removeAllListeners('error');
      resolve(lineOver(socket, answerMs));
    });
  });
}

function lineOver(socket: Socket, answerMs: number): Line {
  let buffer = '';
  let lost: InstrumentError | null = null;
  let waiting: { resolve: (line: string) => void; reject: (error: InstrumentError) => void } | null = null;

  const fail = (error: InstrumentError): void => {
    lost ??= error;
    const one = waiting;
    waiting = null;
    one?.reject(error);
    socket.destroy();
  };
  socket.setNoDelay(true);
  socket.setEncoding('latin1');
  socket.on('data', (data: string) => {
    buffer += data;
    if (buffer.length > longestAnswer)
      return fail(new InstrumentError('garbage', 'The instrument sends without end. Nothing was taken.'));
    const end = buffer.indexOf('\n');
    if (end < 0 || !waiting) return;
    const said = buffer.slice(0, end).replace(/\r$/, '');
    buffer = buffer.slice(end + 1);
    if (!isText(said))
      return fail(
        new InstrumentError(
          'garbage',
          'The instrument answers with something that is no text. Is it another device?',
        ),
      );
    const one = waiting;
    waiting = null;
    one.resolve(said);
  });
  socket.on('error', () =>
    fail(new InstrumentError('dropped', 'The line to the instrument broke. Nothing was taken.')),
  );
  socket.on('close', () =>
    fail(new InstrumentError('dropped', 'The instrument hung up. Nothing was taken.')),
  );

  return {
    send: (command) => {
      if (!lost) socket.write(`${command}\n`);
    },
    ask: (query) =>
      new Promise((resolve, reject) => {
        if (lost) return reject(lost);
        // An answer that came late belongs to an earlier question.
        buffer = '';
        const timer = setTimeout(
          () =>
            fail(
              new InstrumentError(
                'slow',
                `No answer to ${query} within ${answerMs / 1000} seconds. Nothing was taken.`,
              ),
            ),
          answerMs,
        );
        const done =
          <T>(then: (value: T) => void) =>
          (value: T): void => {
            clearTimeout(timer);
            then(value);
          };
        waiting = { resolve: done(resolve), reject: done(reject) };
        socket.write(`${query}\n`);
      }),
    close: () => {
      lost ??= new InstrumentError('dropped', 'The line was closed.');
      socket.destroy();
    },
  };
}
