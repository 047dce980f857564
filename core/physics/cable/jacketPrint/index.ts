export { readJacketPrint, type JacketPrint } from './jacketPrint';
export { lengthBetweenMarks, parseMarks, type LengthMark, type MarkedLength } from './marks';
export type { PrintMaterial } from './read';
