declare module 'pino-roll' {
  import type { Writable } from 'node:stream';

  /** A stream into numbered files, a new one whenever the last is full. */
  export default function build(options: {
    file: string;
    extension?: string;
    size: string;
    limit: { count: number; removeOtherLogFiles?: boolean };
    mkdir: boolean;
    sync?: boolean;
  }): Promise<Writable>;
}
