import { z } from 'zod';

/** Where a device is reached on the network. */
export const deviceAddressSchema = z
  .string()
  .regex(/^(\[[0-9a-f:]+\]|[a-z0-9.-]+):\d{1,5}$/i, { error: 'an address and port, such as 127.0.0.1:5025' });
