export { monitorsOf, type MonitorPicture } from './monitorsOf';
