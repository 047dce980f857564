import { defineEntity, p, type InferEntity } from '@mikro-orm/core';

/** A site and the version its facts are at. */
export const SiteRow = defineEntity({
  name: 'SiteRow',
  tableName: 'site',
  properties: {
    id: p.string().primary(),
    name: p.string(),
    version: p.integer(),
    createdAt: p.string(),
    changedAt: p.string(),
    /** Since when it is out of the way; nothing of it is lost. */
    archivedAt: p.string().nullable(),
    /** Since when it is in the bin, from which it goes for good. */
    binnedAt: p.string().nullable(),
  },
});
export type SiteRow = InferEntity<typeof SiteRow>;

/** One fact of a site. What it holds is said by the schemas of the core, so it is kept as one document. */
export const FactRow = defineEntity({
  name: 'FactRow',
  tableName: 'fact',
  properties: {
    site: p.manyToOne(SiteRow).primary().mapToPk().fieldName('site'),
    kind: p.string().primary(),
    id: p.string().primary(),
    fact: p.json<object>(),
  },
});
