export { LIMIT_WORDS, RULE_SETS, type RuleSet, type RuleValueName, ruleSetOf } from './rule-sets';
