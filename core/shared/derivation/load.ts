import type { Unit } from '#core/shared/units';
import { neverEnough, standingOf, type Standing } from './standing';

/** A limit of a thing and how much of it is used. */
export interface Load {
  label: string;
  used: number;
  most: number;
  unit: Unit;
  share: number;
  standing: Standing;
}

export function loadOf(label: string, used: number, most: number, unit: Unit): Load {
  const share = used === 0 ? 0 : most > 0 ? used / most : neverEnough;
  return { label, used, most, unit, share, standing: standingOf(share) };
}
