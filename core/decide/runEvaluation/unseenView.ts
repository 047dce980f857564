import type { Trunk } from '#core/decide/options';
import { optionRow, type Camera } from '#core/model/site';
import type { RunSite } from './dependencies';

/** Why a view that was left to another camera is not seen by it: something else was chosen there, it sees another view already, or the coax is wanted before. */
export function unseenView(
  { camera, choice }: RunSite,
  { id, seenFrom, placeId }: Camera,
  trunk: () => Trunk | undefined,
): string | null {
  if (!seenFrom) return null;
  const { number } = camera[seenFrom.cameraId]!;
  const chosen = choice[seenFrom.cameraId]?.option;
  if (chosen === undefined)
    return `Camera ${number}, which is to see this view too, is not decided yet: this view would be lost.`;
  const { slot, keepsCamera } = optionRow(chosen);
  if (slot !== 'ip' || keepsCamera)
    return `Camera ${number}, which is to see this view too, gets no new IP camera: this view would be lost.`;
  const beside = Object.values(camera).find(
    (one) =>
      one.id !== id &&
      one.seenFrom?.cameraId === seenFrom.cameraId &&
      choice[one.id]?.option === 'shared-view',
  );
  if (beside)
    return `Camera ${number} is to see the view of camera ${beside.number} too: nobody has noted an angle for all three.`;
  const onCoax = Object.values(camera).find(
    (one) => one.id !== id && one.placeId === placeId && choice[one.id]?.option === 'field-coax',
  );
  return onCoax && trunk()?.camera.id === id
    ? `Camera ${onCoax.number} goes over this camera’s coax, which it cannot leave before its view was proved in the other picture.`
    : null;
}
