export { createRandom } from './createRandom';
