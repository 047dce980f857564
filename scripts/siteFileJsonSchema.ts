import { z } from 'zod';
import { siteFileSchema } from '#core/model/site';

/** The published schema of a site file. */
export function siteFileJsonSchema(): unknown {
  return {
    ...z.toJSONSchema(siteFileSchema, { io: 'input', reused: 'ref' }),
    title: 'Neotrope site file, version 1',
  };
}
