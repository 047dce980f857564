export { recorderOf, viewFigures, type Sharpness } from './viewFigures';
export { viewNeed, type CameraFigures, type ViewNeed } from './viewNeed';
