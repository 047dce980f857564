export { choices, schemesOf } from './choices';
