export { referenceProblems } from './referenceProblems';
