export { nestsDeeper } from './jsonDepth';
export { holdsMoreValues } from './jsonValues';
export { check, problemLine, type Checked, type Problem } from './problems';
export { isSoundText } from './soundText';
