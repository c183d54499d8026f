import type { Rule } from '../../checks';
import type { Context } from '../context';
import { CIRCUIT_RULES } from './circuit-rules';
import { CONTACTOR_RULES } from './contactor-rules';
import { FUSE_RULES } from './fuse-rules';
import { PRECHARGE_RULES } from './precharge-rules';

export const HV_CIRCUIT_RULES: readonly Rule<Context>[] = [
  ...CIRCUIT_RULES,
  ...FUSE_RULES,
  ...CONTACTOR_RULES,
  ...PRECHARGE_RULES,
];
export { type PrechargeFigure, prechargeWorkings } from './workings';
