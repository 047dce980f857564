export { nextPowerOfTwo } from './nextPowerOfTwo';
export { numbersFrom } from './numbersFrom';
