import type { Site } from '../site';
import { at, unique, type Found } from './found';
import type { ReferenceScope } from './referenceScope';

/** What drawings, pins, routes and photos are of. */
export function checkDrawings(site: Site, scope: ReferenceScope, found: Found): void {
  for (const pin of scope.facts('pin')) {
    found.known('drawing', pin.drawingId, at('pin', pin.id, 'drawingId'));
    found.known(pin.of.kind, pin.of.id, at('pin', pin.id, 'of'));
  }
  if (scope.mayClash('pin'))
    unique(
      Object.values(site.pin),
      ({ of }) => `${of.kind}/${of.id}`,
      (pin, first) =>
        found.add(at('pin', pin.id, 'of'), pin.of.id, `one spot for each thing; pin ${first.id} is its spot`),
    );
  for (const route of scope.facts('route'))
    found.known('drawing', route.drawingId, at('route', route.id, 'drawingId'));
  for (const photo of scope.facts('photo'))
    found.known(photo.of.kind, photo.of.id, at('photo', photo.id, 'of'));
}

/** What is accepted is there, by readings that are there; while it stands, none of those is struck out. */
export function checkSignOff(site: Site, scope: ReferenceScope, found: Found): void {
  const { acceptanceReading: readings } = site;
  for (const { id, of, photoId } of scope.facts('acceptanceReading')) {
    found.known(of.kind, of.id, at('acceptanceReading', id, 'of'));
    if (photoId !== undefined) found.known('photo', photoId, at('acceptanceReading', id, 'photoId'));
  }
  for (const { id, of, photoId } of scope.facts('punchItem')) {
    found.known(of.kind, of.id, at('punchItem', id, 'of'));
    if (photoId !== undefined) found.known('photo', photoId, at('punchItem', id, 'photoId'));
  }
  for (const { id, things, readingIds, exceptions, withdrawn } of scope.facts('acceptance')) {
    for (const { kind, id: of } of things) found.known(kind, of, at('acceptance', id, 'things'));
    for (const { punchId } of exceptions)
      found.known('punchItem', punchId, at('acceptance', id, 'exceptions'));
    for (const readingId of readingIds) {
      found.known('acceptanceReading', readingId, at('acceptance', id, 'readingIds'));
      if (!withdrawn && readings[readingId]?.struck)
        found.add(at('acceptance', id, 'readingIds'), readingId, 'readings that are not struck out');
    }
  }
}
