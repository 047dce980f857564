export { foundInWords, judge, limitInWords } from './judge';
export { mayAccept, type MayAccept } from './mayAccept';
export {
  signOffFacts,
  thingKey,
  thingState,
  type AcceptanceStatus,
  type CheckState,
  type SignOffFacts,
  type ThingState,
} from './thingState';
