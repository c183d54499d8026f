export { RULE_SETS, type RuleSet, type RuleValueName } from './rule-sets';
