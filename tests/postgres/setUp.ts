import type { TestProject } from 'vitest/node';
import { setup as buildPrograms } from '../server/buildPrograms';
import { programsOfPostgres, startCluster } from './cluster';

declare module 'vitest' {
  interface ProvidedContext {
    /** A database of the cluster that the tests have for themselves; nothing where they use files. */
    postgres?: string;
  }
}

/** Starts a cluster that all tests of the project share. */
export default async function setUp(project: TestProject): Promise<() => Promise<void>> {
  await buildPrograms();
  const programs = programsOfPostgres();
  if (programs === null) throw new Error('PostgreSQL is not installed here (apt-get install postgresql).');
  const cluster = await startCluster(programs);
  project.provide('postgres', cluster.url);
  return cluster.stop;
}
