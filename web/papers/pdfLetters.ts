import bold from '@fontsource/archivo/files/archivo-latin-600-normal.woff?inline';
import boldItalics from '@fontsource/archivo/files/archivo-latin-600-italic.woff?inline';
import italics from '@fontsource/archivo/files/archivo-latin-400-italic.woff?inline';
import normal from '@fontsource/archivo/files/archivo-latin-400-normal.woff?inline';
import pdfMake from 'pdfmake/build/pdfmake';
import standIn from 'pdfmake/build/vfs_fonts';
import { paperFonts } from '#core/documents';

const bytes = (address: string): string => address.slice(address.indexOf(',') + 1);

/** What lays pages out, with the letters of the program. */
export function pdfMaker(): typeof pdfMake {
  const faces = { normal, bold, italics, bolditalics: boldItalics };
  const fileOf = (face: string): string => `${paperFonts.own}-${face}.woff`;
  pdfMake.addVirtualFileSystem(standIn);
  pdfMake.addVirtualFileSystem(
    Object.fromEntries(Object.entries(faces).map(([face, address]) => [fileOf(face), bytes(address)])),
  );
  pdfMake.addFonts({
    [paperFonts.own]: Object.fromEntries(Object.keys(faces).map((face) => [face, fileOf(face)])),
  });
  return pdfMake;
}
