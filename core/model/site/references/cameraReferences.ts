import type { Site } from '../site';
import { at, unique, type Found } from './found';
import type { ReferenceScope } from './referenceScope';

/** Where cameras stand, whose view another could show, and whose number it is. */
export function checkCameras(site: Site, scope: ReferenceScope, found: Found): void {
  for (const camera of scope.facts('camera'))
    found.known('place', camera.placeId, at('camera', camera.id, 'placeId'));
  for (const { id, seenFrom } of scope.facts('camera')) {
    if (!seenFrom) continue;
    found.known('camera', seenFrom.cameraId, at('camera', id, 'seenFrom.cameraId'));
    if (seenFrom.cameraId === id)
      found.add(at('camera', id, 'seenFrom.cameraId'), id, 'another camera than the one whose view it is');
  }
  if (scope.mayClash('camera'))
    unique(
      Object.values(site.camera),
      (camera) => String(camera.number),
      (camera, first) =>
        found.add(
          at('camera', camera.id, 'number'),
          camera.number,
          `a number of its own; camera “${first.name}” has this one`,
        ),
    );
}
