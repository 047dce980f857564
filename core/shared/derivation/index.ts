export {
  basisOf,
  figure,
  type Basis,
  type Derivation,
  type Figure,
  type LazyDerivation,
  type Limit,
  type Source,
  type Step,
} from './derivation';
export { formulas } from './formulas';
export { loadOf, type Load } from './load';
export {
  closeUtilisation,
  statusOf,
  unboundedUtilisation,
  utilisationOf,
  worst,
  type Status,
} from './status';
