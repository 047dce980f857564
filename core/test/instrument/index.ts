export {
  continuity,
  insulationMegohms,
  link,
  loadedAcVolts,
  reflectometerTrace,
  resistanceOhms,
  volts,
  type HookedUp,
  type Random,
} from './measure';
export { actualRun, trueRunSchema, truthSchema, type Truth } from './truth';
