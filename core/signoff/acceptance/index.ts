export { foundInWords, judge, limitInWords } from './judge';
export { mayAccept } from './mayAccept';
export { mayClose } from './mayClose';
export { signOffFacts, thingKey, thingState, type CheckState, type ThingState } from './thingState';
export { severityWords, signerWords, statusWords } from './words';
