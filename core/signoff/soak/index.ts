export { soakFromTable } from './soakFromTable';
export { soakOf, type SoakSample } from './soakOf';
