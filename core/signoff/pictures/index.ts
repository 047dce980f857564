export { pixelsMarked } from './pixelsMarked';
