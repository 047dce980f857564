export { addressReport } from './addressReport';
