import { z } from 'zod';

/** Where a device is reached on the network. */
export const deviceAddressSchema = z
  .string()
  .max(300)
  .regex(/^(\[[0-9a-f:]+\]|[a-z0-9.-]+):\d{1,5}$/i, { error: 'an address and port, such as 127.0.0.1:5025' })
  .refine((address) => {
    const port = Number(address.slice(address.lastIndexOf(':') + 1));
    return port >= 1 && port <= 65_535;
  }, 'a port from 1 to 65535');
