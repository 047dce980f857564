export { layOut, type LineShape } from './lineShape';
export { strokeOf } from './strokes';
