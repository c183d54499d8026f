export * from './check';
export { type Finding, type Proposer, type Rule, type RuleDefinition, runRule, STUMBLED, sentencesOf } from './rule';
export type { FiguresOf, Sentence } from './sentence';
export { marginText, quantityText, type Said, say, spell, spellLine, VERDICT_WORDS } from './wording';
