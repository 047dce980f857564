export { powerFixes, type PowerFix } from './powerFixes';
export { railAt, railTestIds, type Rail } from './rail';
