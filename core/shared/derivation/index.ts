export { formulas } from './formulas';
export { loadOf, type Load } from './load';
export { closeShare, neverEnough, shareOf, standingOf, worst, type Standing } from './standing';
export {
  basisOf,
  figure,
  type Basis,
  type Figure,
  type Limit,
  type Source,
  type Step,
  type Working,
  type WorkingOut,
} from './working';
