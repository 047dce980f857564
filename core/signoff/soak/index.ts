export { soakFromCounters } from './soakFromCounters';
export { soakFromTable } from './soakFromTable';
export { soakOf, type SoakFound, type SoakSample } from './soakOf';
