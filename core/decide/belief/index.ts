export { diagnosisInput } from './diagnosisInput';
export { keepBelief, sharedBy, unbelieved } from './sharedBy';
export { linesBelieved, type LineBelief } from './linesBelieved';
