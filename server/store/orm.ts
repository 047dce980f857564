import type { MikroORM } from '@mikro-orm/core';
import type { AbstractSqlDriver, SqlEntityManager } from '@mikro-orm/better-sqlite';

/** What keeps sites and accounts, whichever database is behind it. */
export type Orm = MikroORM<AbstractSqlDriver>;
export type EntityManager = SqlEntityManager;
