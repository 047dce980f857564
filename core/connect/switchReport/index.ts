export { compareSwitch } from './compare';
export { portCountersSchema, type PortCounters } from './counters';
export { switchReportSchema, type PortReport, type SwitchReport } from './report';
export { reportFromTable } from './reportFromTable';
