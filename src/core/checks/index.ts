export * from './check';
export { knownCodes, marginText, quantityText, type Said, say, spell, spellLine, VERDICT_WORDS } from './wording';
