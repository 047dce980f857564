export {
  fieldFigure,
  fieldText,
  inLength,
  placeFor,
  quantityFor,
  shownUnit,
  type Measures,
} from './measures';
export { lengthsInWords } from './lengthsInWords';
export { parseQuantity } from './parseQuantity';
export { formatFigure, formatQuantity, type Unit } from './unit';
