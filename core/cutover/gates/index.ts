export { gateDefinitions } from './gateDefinitions';
export { gateStateOf, type GateState } from './gateStateOf';
