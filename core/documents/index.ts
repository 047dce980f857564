export { planSheet, type PlanSheet } from './planSheet';
export { planTable } from './planTable';
export { restsOn } from './restsOn';
