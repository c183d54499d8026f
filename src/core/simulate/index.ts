export { closingInrush, mainOf, type PrechargeRun, prechargeRun } from './precharge';
export { prechargeLaw, type PrechargeLawInput, type PrechargeLawResult } from './precharge-law';
