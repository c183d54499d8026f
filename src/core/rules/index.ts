export { RULE_SETS, type RuleSet } from './rule-sets';
