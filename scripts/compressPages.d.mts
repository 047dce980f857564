/** Puts `NAME.br` and `NAME.gz` beside every file of a folder that is better sent packed. */
export function compressPages(folder: string): Promise<void>;
