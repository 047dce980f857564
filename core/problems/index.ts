export { check, problemLine, problemsFrom, type Checked, type Problem } from './problems';
