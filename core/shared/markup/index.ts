export { escaped } from './escaped';
