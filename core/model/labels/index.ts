export { choices } from './words';
