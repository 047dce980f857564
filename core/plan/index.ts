export { adopt, demand, pin, planName, plannedOf, unpin, type Pinning, type Who } from './adopt';
export { breakEvens, type BreakEven } from './breakEven';
export { candidatesOf, type Snag } from './candidates';
export { type Conflict } from './conflictWords';
export {
  chanceOfFailing,
  drawFutures,
  gambleShare,
  mostWorthTesting,
  riskStanding,
  type CameraRisk,
  type Risk,
} from './futures';
export {
  planFrom,
  planGround,
  planSite,
  totalsOf,
  type Plan,
  type PlanGround,
  type PlanTotals,
  type PlanWatch,
  type Planning,
} from './plan';
export { policies, schoolOf, weights, withSchool, type Policy, type School } from './policies';
export { planPriceGaps } from './planPriceGaps';
export { policyCosts, type PolicyCost } from './policyCosts';
export { differences, reasonFor, ruledOutWords, type Difference, type Reason } from './reasons';
export { decisionRecord, type Decision } from './record';
export { sameGround } from './sameGround';
export { tradeOffCurve, tradeOffs, type CurvePoint, type TradeOff } from './tradeOff';
