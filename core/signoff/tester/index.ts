export { testerResults, type TesterResult } from './testerResults';
