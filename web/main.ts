// The thread that works out a site starts before the pages do, and works while they make themselves ready.
import './workers/evaluator';

void import('./app');
