declare module 'inflation' {
  import type { IncomingMessage } from 'node:http';
  import type { Readable } from 'node:stream';

  /** The body of a request, unpacked as its headers say. Throws 415 where nobody knows how. */
  export default function inflate(request: IncomingMessage): Readable;
}
