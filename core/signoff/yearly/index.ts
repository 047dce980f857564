export { yearlyOf, type Drift } from './yearlyOf';
