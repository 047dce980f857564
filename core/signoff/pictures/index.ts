export { pixelsMarked } from './pixelsMarked';
export { viewOfCamera, viewOnNetwork, viewWhenDone } from './viewWhenDone';
