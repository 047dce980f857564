export { formatFigure, formatQuantity, type Unit } from './unit';
export { parseQuantity, type ParsedQuantity } from './parseQuantity';
