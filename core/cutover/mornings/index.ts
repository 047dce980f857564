export { morningsOf, type Morning } from './morningsOf';
