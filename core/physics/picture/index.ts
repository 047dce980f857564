export { quayScene, testBars, type Picture } from './scene';
export { activeLineUs, microsecondsOfLine, percentOfLine, simulate, toRgba, type Effects } from './simulate';
export { symptomEffects } from './symptomEffects';
export { symptoms, type Symptom } from './symptoms';
