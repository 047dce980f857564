import type { Context, Next } from 'koa';
import { RateLimiterMemory } from 'rate-limiter-flexible';
import { Refused } from './refused';

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
} satisfies Record<string, Pace>;

/** Lets requests through at a pace, and asks whoever is too fast to come back. */
export function keepPace({ what, aMinute, atOnce }: Pace): (context: Context, next: Next) => Promise<void> {
  const limiter = new RateLimiterMemory({ points: aMinute, duration: 60 });
  let going = 0;
  const tooFast = (seconds: number): Refused =>
    new Refused(
      {
        status: 429,
        title: 'Too fast',
        detail: `More ${what} are asked for at once than can be seen to. Nothing was changed; try again in ${seconds} s.`,
      },
      seconds,
    );
  return async (_context, next) => {
    if (going >= atOnce) throw tooFast(1);
    try {
      await limiter.consume('all');
    } catch (refused) {
      throw tooFast(Math.ceil(((refused as { msBeforeNext?: number }).msBeforeNext ?? 1000) / 1000));
    }
    going += 1;
    try {
      await next();
    } finally {
      going -= 1;
    }
  };
}
