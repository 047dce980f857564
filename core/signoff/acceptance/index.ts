export { foundInWords, judge, limitInWords } from './judge';
export { mayAccept, type MayAccept } from './mayAccept';
export { mayClose } from './mayClose';
export {
  signOffFacts,
  thingKey,
  thingState,
  type AcceptanceStatus,
  type CheckState,
  type SignOffFacts,
  type ThingState,
} from './thingState';
export { severityWords, signerWords, statusWords } from './words';
