import type { Context } from '../context';

/** Whether a trace has looked along the run, so that its joints are known. */
export const isTraced = ({ readings }: Pick<Context, 'readings'>): boolean =>
  readings.reflectometer !== undefined;
