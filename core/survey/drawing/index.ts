export {
  addDrawing,
  addPlaceAt,
  addRoute,
  changeRoute,
  followRoutes,
  withRoutes,
  movePin,
  pinDown,
  removeDrawing,
  removeRoute,
  runsEndingAt,
  setScale,
  turnPin,
  withLengthBy,
} from './drawingEdits';
export { lengthClaims, lengthDisputes, type LengthClaim, type LengthDispute } from './lengthClaims';
export { drawnLength, routeLengthM } from './routeLength';
export { bandShare, onPaper, papers, type PaperId } from './paperPlan';
export { paperScale } from './paperScale';
export { planLists } from './planLists';
export { planSvg } from './planSvg';
export { distancePx, leastScalePx, metresPerPixel } from './scale';
export { anchorsOn, nearestAnchor, squared } from './snap';
export { atBearing, bearing, viewWedge } from './viewWedge';
