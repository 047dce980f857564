export { powerDerivation } from './powerDerivation';
export { powerPicture, totalWatts, type PowerNode } from './powerPicture';
