const meant: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };

/** Text as it stands in a drawing that is written as markup. */
export const escaped = (text: string): string => text.replace(/[&<>"]/g, (sign) => meant[sign]!);
