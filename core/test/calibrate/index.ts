export { beforeMending } from './beforeMending';
export { fitted, type Fitted, type OpenedUp } from './fitted';
