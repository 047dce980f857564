export { radioDerivation } from './radioDerivation';
export { radioPicture, type RadioPicture, type Band, type HeardBar } from './radioPicture';
export { scanFromTable } from './scanFromTable';
