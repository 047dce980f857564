import type { Unit } from '#core/shared/units';
import { unboundedUtilisation, statusOf, type Status } from './standing';

/** A limit of a thing and how much of it is used. */
export interface Load {
  label: string;
  used: number;
  most: number;
  unit: Unit;
  share: number;
  standing: Status;
}

export function loadOf(label: string, used: number, most: number, unit: Unit): Load {
  const share = used === 0 ? 0 : most > 0 ? used / most : unboundedUtilisation;
  return { label, used, most, unit, share, standing: statusOf(share) };
}
