export { closingInrush, mainOf, type PrechargeRun, prechargeRun } from './precharge';
export { type PrechargeLawInput, type PrechargeLawResult, prechargeLaw } from './precharge-law';
