import Database from 'better-sqlite3';
import { keepStatements } from '../store/keepStatements';

export interface SiteInDatabase {
  id: string;
  name: string;
  version: number;
}

/**
 * The sites of a database file, and the pictures that their facts and the edits at hand name: undo may ask for one that no fact has now. Edits
 * that are packed are taken back by nobody.
 */
export function contentOf(file: string): { sites: SiteInDatabase[]; pictures: string[] } {
  const database = keepStatements(new Database(file, { readonly: true, fileMustExist: true }));
  try {
    const texts = [
      ...database.prepare("select fact from fact where kind in ('drawing', 'photo')").pluck().iterate(),
      ...database.prepare("select entry from edit where entry like '%fileId%'").pluck().iterate(),
    ] as string[];
    const pictures = new Set(
      texts.flatMap((text) => [...text.matchAll(/"fileId":"([0-9a-f]{64})"/g)].map(([, id]) => id!)),
    );
    return {
      sites: database.prepare('select id, name, version from site order by id').all() as SiteInDatabase[],
      pictures: [...pictures].sort(),
    };
  } finally {
    database.close();
  }
}
