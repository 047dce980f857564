export { powerFixes, type OwnSupply, type PowerFix } from './powerFixes';
export { railAt, railRestsOn, trimMarginVolts, type Rail } from './rail';
export { usualAdapter } from './usualAdapter';
