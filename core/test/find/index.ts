export { isFound } from './isFound';
export { runIndex } from './runIndex';
