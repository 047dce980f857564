export { cellText, dateText, moneyText, type PaperStyle } from './formatCell';
export { pdfDefinition, signatureSvg, type PdfDefinition } from './pdfDefinition';
