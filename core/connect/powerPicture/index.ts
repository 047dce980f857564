export { powerPicture, totalWatts, type PowerNode } from './powerPicture';
