export { diagnosisInput } from './diagnosisInput';
export { keepBelief, sharedBy, unbelieved } from './sharedBy';
export { steelChances } from './steelChances';
