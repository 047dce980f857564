import { downloadBlob } from '../../tables/useTables';

/** A drawing as a file of its own: the colours of the page, which a file knows nothing of, are written into it. */
export function svgText(drawing: SVGSVGElement): string {
  const style = getComputedStyle(drawing);
  return new XMLSerializer()
    .serializeToString(drawing)
    .replace(/var\((--[\w-]+)\)/g, (_, name: string) => style.getPropertyValue(name).trim());
}

export const saveSvg = (drawing: SVGSVGElement, name: string): void =>
  downloadBlob(new Blob([svgText(drawing)], { type: 'image/svg+xml' }), name);
