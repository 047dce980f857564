import type { Unit } from '#core/shared/units';
import { unboundedUtilisation, statusOf, type Status } from './status';

/** A limit of a thing and how much of it is used. */
export interface Load {
  label: string;
  used: number;
  most: number;
  unit: Unit;
  utilisation: number;
  status: Status;
}

export function loadOf(label: string, used: number, most: number, unit: Unit): Load {
  const utilisation = used === 0 ? 0 : most > 0 ? used / most : unboundedUtilisation;
  return { label, used, most, unit, utilisation, status: statusOf(utilisation) };
}
