export { createRandom } from './createRandom';
export { createNormal } from './createNormal';
