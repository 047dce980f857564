export { recorderOf, viewFigures, type Sharpness } from './viewFigures';
export { bestFormatOf, viewNeed, type CameraFigures, type ViewNeed } from './viewNeed';
