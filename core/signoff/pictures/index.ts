export { pixelsMarked } from './pixelsMarked';
export { viewOnNetwork, viewWhenDone } from './viewWhenDone';
