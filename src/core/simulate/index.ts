export { closingInrush, mainOf, type PrechargeRun, prechargeRun } from './precharge';
