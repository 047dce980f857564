import { hash, verify } from '@node-rs/argon2';

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

/** Why a password is not taken; `null` where it is. */
export function weakness(password: string, name: string): string | null {
  const plain = password.toLowerCase();
  const [given] = [name.trim().toLowerCase()];
  if (given.length >= 3 && plain.includes(given)) return 'a password without your name in it';
  if (plain.includes('neotrope')) return 'a password without the name of this program in it';
  if (new Set(plain).size < 5) return 'a password of at least five different characters';
  return null;
}
