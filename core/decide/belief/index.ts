export { diagnosisInput } from './diagnosisInput';
export { sharedBy } from './sharedBy';
export { steelChances } from './steelChances';
