export { adopt, demand, pin, planName, plannedOf, unpin } from './adopt';
export { breakEvens, type BreakEven } from './breakEven';
export type { Snag } from './candidates';
export type { Conflict } from './conflictWords';
export {
  planGround,
  planSite,
  totalsOf,
  type Plan,
  type PlanGround,
  type PlanTotals,
  type Planning,
} from './plan';
export { planPriceGaps } from './planPriceGaps';
export { policies, schoolOf, withSchool } from './policies';
export { policyCosts, type PolicyCost } from './policyCosts';
export { differences, reasonFor, type Difference, type Reason } from './reasons';
export { decisionRecord } from './record';
export { sameGround } from './sameGround';
export { tradeOffCurve, tradeOffs, type CurvePoint, type TradeOff } from './tradeOff';
