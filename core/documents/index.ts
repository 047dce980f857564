export {
  customerAccepts,
  customerAcceptsOffer,
  customerView,
  type CustomerSigned,
  type CustomerSigning,
  type CustomerThing,
  type CustomerView,
} from './customerView';
export { cellText, moneyText, type PaperStyle } from './formatCell';
export { tablesOf, type Block, type Paper, type PaperTable } from './paper';
export { paperCsv } from './paperCsv';
export { paperContext, type PaperMoment } from './paperContext';
export { inLetters, paperFonts } from './letters';
export { linesIn, makePaper, picturesIn } from './papers';
export { withPicture } from './pictureMark';
export { paperKinds, type PaperId } from './paperKinds';
export { pdfDefinition, type PaperPictures, type PdfDefinition } from './pdfDefinition';
export { planSheet } from './planSheet';
export { planTable } from './planTable';
export { restsOn } from './restsOn';
