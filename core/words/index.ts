export { choices, type Choice } from './words';
