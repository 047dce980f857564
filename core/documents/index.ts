export { cellText, moneyText, type PaperStyle } from './formatCell';
export { tablesOf, type Block, type Paper, type PaperTable } from './paper';
export { paperCsv } from './paperCsv';
export { paperContext } from './paperContext';
export { makePaper, papers, type PaperId } from './papers';
export { pdfDefinition, type PdfDefinition } from './pdfDefinition';
export { planSheet } from './planSheet';
export { planTable } from './planTable';
export { restsOn } from './restsOn';
