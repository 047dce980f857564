import { z } from 'zod';

/** For an address that is asked nothing more, or answers nothing more, than that it was called. */
export const nothing = z.unknown().transform(() => null);
