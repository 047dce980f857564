import { DeviceError } from '../devices/deviceError';
import { Refused } from './refused';

const statuses: Record<DeviceError['kind'], number> = { unreachable: 502, garbage: 502, refused: 409 };
export const deviceTitles = (what: string): Record<DeviceError['kind'], string> => ({
  unreachable: `The ${what} does not answer`,
  garbage: `The ${what}’s answer cannot be read`,
  refused: `The ${what} refused`,
});

/** What a device answers; ends the request with its fault where it does not. */
export async function talking<T>(what: string, ask: () => Promise<T>): Promise<T> {
  try {
    return await ask();
  } catch (error) {
    if (!(error instanceof DeviceError)) throw error;
    const { kind, message } = error;
    throw new Refused({ status: statuses[kind], title: deviceTitles(what)[kind], detail: message, kind });
  }
}
