/** A piece of a page as the PDF package takes it: plain data, but for the foot of a page. */
export type PdfNode = Record<string, unknown>;
