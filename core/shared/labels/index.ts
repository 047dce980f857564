export { listed } from './listed';
