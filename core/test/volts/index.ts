export { powerFixes, type PowerFix } from './powerFixes';
export { railAt, type Rail } from './rail';
