export { planSheet, type PlanRow, type PlanSheet } from './planSheet';
