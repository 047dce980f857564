export {
  addDrawing,
  addPlaceAt,
  addRoute,
  changeRoute,
  followRoutes,
  movePin,
  pinDown,
  pinOf,
  removeDrawing,
  removeRoute,
  runsEndingAt,
  setScale,
  turnPin,
  withLengthBy,
} from './drawingEdits';
export { lengthClaims, lengthDisputes, type LengthClaim, type LengthDispute } from './lengthClaims';
export { drawnLength, routeLengthM, routePx, type DrawnLength } from './routeLength';
export { distancePx, leastScalePx, metresPerPixel } from './scale';
export { anchorsOn, nearestAnchor, squared, type Anchor } from './snap';
export { atBearing, bearing, viewWedge } from './viewWedge';
