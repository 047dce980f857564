export {
  fieldFigure,
  fieldText,
  inLength,
  metresPerFoot,
  quantityFor,
  shownUnit,
  type Measures,
} from './measures';
export { formatFigure, formatQuantity, type Unit } from './unit';
export { parseQuantity, type ParsedQuantity } from './parseQuantity';
