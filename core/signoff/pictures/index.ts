export { pixelsMarked } from './pixelsMarked';
export { viewWhenDone } from './viewWhenDone';
