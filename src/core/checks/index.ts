export * from './check';
export {
  checksOf,
  type Finding,
  type Heard,
  heardAgain,
  hearRule,
  type Proposer,
  type Rule,
  type RuleDefinition,
  STUMBLED,
  sentencesOf,
} from './rule';
export type { FiguresOf, Sentence } from './sentence';
export { marginText, quantityText, type Said, say, spell, spellLine, VERDICT_WORDS } from './wording';
