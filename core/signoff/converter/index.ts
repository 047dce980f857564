export { foundByConverter, type FoundByConverter } from './foundByConverter';
