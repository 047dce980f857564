import { optionRow } from '#core/model/site';
import type { FeasibleOption } from './option';

/** Cameras whose old cable goes on being used: by themselves, or by a field switch that hangs on it. */
export const oldCablesInUse = (
  chosen: readonly { cameraId: string; option: Pick<FeasibleOption, 'kind' | 'onCoaxOf'> }[],
): Set<string> =>
  new Set(
    chosen.flatMap(({ cameraId, option }) => [
      ...(optionRow(option.kind).cable === 'none' ? [] : [cameraId]),
      ...(option.onCoaxOf === null ? [] : [option.onCoaxOf]),
    ]),
  );
