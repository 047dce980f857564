export { tablesOf, type Block, type Paper, type PaperCell, type PaperTable } from './paper';
export { paperContext } from './paperContext';
export { makePaper, papers, type PaperId } from './papers';
export { planSheet, type PlanSheet } from './planSheet';
export { planTable } from './planTable';
export { restsOn } from './restsOn';
export {
  cellText,
  dateText,
  moneyText,
  pdfDefinition,
  signatureSvg,
  type PaperStyle,
  type PdfDefinition,
} from './layout';
