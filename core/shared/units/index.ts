export { fieldFigure, fieldText, inLength, quantityFor, shownUnit, type Measures } from './measures';
export { parseQuantity } from './parseQuantity';
export { formatFigure, formatQuantity, type Unit } from './unit';
