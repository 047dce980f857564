export { freedBy, type Freed } from './freedBy';
export { freedInWords } from './freedInWords';
