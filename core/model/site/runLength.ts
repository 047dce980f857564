import type { Run } from './run';

/** Length of a run along its cable, in metres. */
export const runLengthM = ({ segments }: Pick<Run, 'segments'>): number =>
  segments.reduce((sum, { lengthM }) => sum + lengthM, 0);
