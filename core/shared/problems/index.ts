export { nestsDeeper } from './jsonDepth';
export { check, problemLine, type Checked, type Problem } from './problems';
