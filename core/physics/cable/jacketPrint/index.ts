export { readJacketPrint, type JacketPrint } from './jacketPrint';
export { lengthBetweenMarks, parseMarks, type LengthMark } from './marks';
export type { PrintMaterial } from './read';
