export { compareSwitch } from './compare';
export { switchReportSchema, type PortReport, type SwitchReport } from './report';
export { reportFromTable } from './reportFromTable';
