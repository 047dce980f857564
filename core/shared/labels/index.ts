export { listed } from './listed';
export { counted } from './counted';
