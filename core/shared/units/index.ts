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
export { formatFigure, formatLimit, formatQuantity, type Unit } from './unit';
