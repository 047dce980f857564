import type { Recorder } from './headEnd';

/** Whether a slot of a recorder takes a camera of the network as it is set today: those beyond the inputs do, and inputs that are set to IP. */
export const carriesIpToday = (
  { inputs, ipInputs }: Pick<Recorder, 'inputs' | 'ipInputs'>,
  slot: number,
): boolean => slot > inputs || ipInputs?.includes(slot) === true;
