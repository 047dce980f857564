export { isDarkAt, morningsOf, type Morning } from './morningsOf';
