export { choices } from './choices';
