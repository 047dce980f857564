import { hash, verify } from '@node-rs/argon2';
import type { ZxcvbnFactory } from '@zxcvbn-ts/core';

/** Argon2id with 19 MiB, two passes and one lane, as OWASP’s cheat sheet on storing passwords has it. */
const costs = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

export const hashOfPassword = (password: string): Promise<string> => hash(password.normalize('NFKC'), costs);

/** Of a password that nobody has: a name that nobody has takes as long to be refused as one with a wrong password. */
let nobodys: Promise<string> | undefined;

/** Whether it is the password; never where there is none. */
export async function isPassword(
  passwordHash: string | null | undefined,
  password: string,
): Promise<boolean> {
  nobodys ??= hashOfPassword('nobody has this password');
  const isRight = await verify(passwordHash ?? (await nobodys), password.normalize('NFKC'));
  return isRight && typeof passwordHash === 'string';
}

/** So much of a password is looked at: the time that takes grows faster than its length. */
const lookedAt = 64;
/** Beneath it a guesser who tries what people usually take gets there: eight digits of tries, by the scale of the package. */
const leastScore = 3;

/** Knows the passwords that were found in leaks, words, names, keyboard rows, and how people change them. Loaded once it is wanted. */
let guesser: Promise<ZxcvbnFactory> | undefined;
async function loadGuesser(): Promise<ZxcvbnFactory> {
  const [{ ZxcvbnFactory: Factory }, { dictionary, adjacencyGraphs }] = await Promise.all([
    import('@zxcvbn-ts/core'),
    import('@zxcvbn-ts/language-common'),
  ]);
  return new Factory({ dictionary, graphs: adjacencyGraphs });
}

/** Why a password is not taken; `null` where it is. */
export async function weakness(password: string, name: string): Promise<string | null> {
  const plain = password.toLowerCase();
  const given = name.trim().toLowerCase();
  if (given.length >= 3 && plain.includes(given)) return 'a password without your name in it';
  if (plain.includes('neotrope')) return 'a password without the name of this program in it';
  if (new Set(plain).size < 5) return 'a password of at least five different characters';
  const { score } = (await (guesser ??= loadGuesser())).check(password.slice(0, lookedAt), [name]);
  return score < leastScore ? 'a password that is in no list of usual ones, nor close to one' : null;
}
