export * from './check';
export { knownCodes, marginText, quantityText, type Said, say, VERDICT_WORDS } from './wording';
