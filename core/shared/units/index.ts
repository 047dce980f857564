export {
  fieldFigure,
  fieldText,
  inLength,
  placeFor,
  quantityFor,
  shownUnit,
  type Measures,
} from './measures';
export { parseQuantity } from './parseQuantity';
export { formatFigure, formatQuantity, type Unit } from './unit';
