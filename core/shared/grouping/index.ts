export { groupBy, putUnder } from './groupBy';
