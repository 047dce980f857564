import type { Context, Next } from 'koa';
import { RateLimiterMemory } from 'rate-limiter-flexible';
import { Refused } from './refused';
import { visitorOf } from './visitor';

/** How often something may be asked for in a minute, and how often at once. */
export interface Pace {
  what: string;
  aMinute: number;
  atOnce: number;
}

/** What takes the server some work, or reaches out of it; a person working quickly is far below. */
export const paces = {
  imports: { what: 'sites', aMinute: 120, atOnce: 3 },
  uploads: { what: 'pictures', aMinute: 240, atOnce: 6 },
  devices: { what: 'devices', aMinute: 600, atOnce: 12 },
  /** From one address: a crew behind one router signs in within it, a list of passwords does not. */
  signIns: { what: 'sign-ins', aMinute: 40, atOnce: 4 },
} satisfies Record<string, Pace>;

const tooFast = (what: string, seconds: number): Refused =>
  new Refused(
    {
      status: 429,
      title: 'Too fast',
      detail: `More ${what} are asked for at once than can be seen to. Nothing was changed; try again in ${seconds} s.`,
    },
    seconds,
  );

type Middleware = (context: Context, next: Next) => Promise<void>;

/** Lets requests through at a pace for each key, and asks whoever is too fast to come back. */
function paced({ what, aMinute, atOnce }: Pace, keyOf: (context: Context) => string): Middleware {
  const limiter = new RateLimiterMemory({ points: aMinute, duration: 60 });
  const going = new Map<string, number>();
  return async (context, next) => {
    const key = keyOf(context);
    const now = going.get(key) ?? 0;
    if (now >= atOnce) throw tooFast(what, 1);
    try {
      await limiter.consume(key);
    } catch (refused) {
      throw tooFast(what, Math.ceil(((refused as { msBeforeNext?: number }).msBeforeNext ?? 1000) / 1000));
    }
    going.set(key, (going.get(key) ?? 0) + 1);
    try {
      await next();
    } finally {
      const left = going.get(key)! - 1;
      if (left > 0) going.set(key, left);
      else going.delete(key);
    }
  };
}

/** The same pace for everybody's requests together. Whoever is turned away takes none of it, or strangers could use it up. */
export function keepPace(pace: Pace): Middleware {
  const keep = paced(pace, () => 'all');
  return (context, next) => (visitorOf(context).kind === 'stranger' ? next() : keep(context, next));
}
/** The pace for each address that they come from. */
export const keepPaceByAddress = (pace: Pace): Middleware => paced(pace, ({ ip }) => ip);
