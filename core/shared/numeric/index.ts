export { nextPowerOfTwo } from './nextPowerOfTwo';
