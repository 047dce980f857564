import { Secret, TOTP } from 'otpauth';
import type { Accounts } from './accounts';
import { PersonRow } from './entities';

const periodS = 30;
const totp = (secret: string, name = ''): TOTP =>
  new TOTP({ issuer: 'Neotrope', label: name, secret: Secret.fromBase32(secret), period: periodS });

/** A secret for an app that shows time codes (RFC 6238), as an address and as it is typed. */
export function newTimeCode(name: string): { address: string; secret: string } {
  const secret = new Secret({ size: 20 }).base32;
  return { address: totp(secret, name).toString(), secret };
}

/** The step of a code that is right now, or was one step ago; `null` where it is not. */
export function stepOf(secret: string, timeCode: string, now: string): number | null {
  try {
    const timestamp = Date.parse(now);
    const delta = totp(secret).validate({ token: timeCode, timestamp, window: 1 });
    return delta === null ? null : Math.floor(timestamp / 1000 / periodS) + delta;
  } catch {
    return null;
  }
}

/** Takes somebody's time code, once: who looked over his shoulder comes too late. */
export async function takeTimeCode(
  { orm, now }: Accounts,
  person: Pick<PersonRow, 'id' | 'timeCodeSecret' | 'timeCodeStep'>,
  timeCode: string,
): Promise<boolean> {
  const step = stepOf(person.timeCodeSecret ?? '', timeCode, now());
  if (step === null || step <= (person.timeCodeStep ?? 0)) return false;
  const taken = await orm.em
    .fork()
    .nativeUpdate(
      PersonRow,
      { id: person.id, $or: [{ timeCodeStep: null }, { timeCodeStep: { $lt: step } }] },
      { timeCodeStep: step },
    );
  return taken === 1;
}
