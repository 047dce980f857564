import { createHash, randomBytes, randomInt } from 'node:crypto';

/** Letters and figures that are not taken for each other when read aloud. */
const letters = 'abcdefghjkmnpqrstuvwxyz23456789';
const groups = 4;
const groupLength = 5;

/** What nobody guesses: 256 bits. */
export const newSecret = (): string => randomBytes(32).toString('base64url');

/** A code that can be read aloud and typed: 20 letters, of which there are 2 to the power of 99. */
export const newCode = (): string =>
  Array.from({ length: groups }, () =>
    Array.from({ length: groupLength }, () => letters[randomInt(letters.length)]).join(''),
  ).join('-');

/** How a secret is known in the database, which gives none of them away. */
export const hashOfSecret = (secret: string): string => createHash('sha256').update(secret).digest('hex');

/** A code as it is typed, with or without its dashes. */
export function hashOfCode(code: string): string {
  const plain = code.toLowerCase().replace(/[^a-z0-9]/g, '');
  return hashOfSecret(plain);
}
