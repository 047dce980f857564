import type { Drawing } from '#core/model/site';
import { pictureAddress } from '../../../stores/api';

const asDataAddress = (blob: Blob): Promise<string> =>
  new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(String(reader.result));
    reader.onerror = () => reject(reader.error ?? new Error('unread'));
    reader.readAsDataURL(blob);
  });

/** As sharp as a printer needs it on A3. */
const longestPx = 4000;

/** The picture of a drawing as a data address, so that a file with it stands alone; as pixels for what cannot draw an SVG. */
export async function pictureData(drawing: Drawing, asPixels: boolean): Promise<string> {
  const response = await fetch(pictureAddress(drawing.fileId));
  if (!response.ok) throw new Error(`the picture is not there (${response.status})`);
  const address = await asDataAddress(await response.blob());
  if (!asPixels || drawing.mediaType !== 'image/svg+xml') return address;
  const image = new Image();
  image.src = address;
  await image.decode();
  const scale = longestPx / Math.max(drawing.widthPx, drawing.heightPx);
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [drawing.widthPx * scale, drawing.heightPx * scale].map(Math.round) as [
    number,
    number,
  ];
  canvas.getContext('2d')!.drawImage(image, 0, 0, canvas.width, canvas.height);
  return canvas.toDataURL('image/png');
}
