export { readLine } from './lineText';
