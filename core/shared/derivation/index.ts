export { formulas } from './formulas';
export { loadOf, type Load } from './load';
export {
  closeUtilisation,
  unboundedUtilisation,
  utilisationOf,
  statusOf,
  worst,
  type Status,
} from './standing';
export {
  basisOf,
  figure,
  type Basis,
  type Figure,
  type Limit,
  type Source,
  type Step,
  type Derivation,
  type LazyDerivation,
} from './working';
