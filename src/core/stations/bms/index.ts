import { defineStation } from '../define';
import { LIMIT_RULES } from './limit-rules';
import { LINK_RULES } from './link-rules';
import { bmsResults } from './results';

/** How is every cell kept inside its limits? */
export const bms = defineStation({
  id: 'bms',
  name: 'BMS',
  question: 'How is every cell kept inside its limits?',
  key: 'a',
  begin: 'begin with cells in Pack, then choose what watches them',
  rules: [...LINK_RULES, ...LIMIT_RULES],
  leaves: () => ['The order of the sense wires at the plug, logs of single cells, and warmth inside the boxes.'],
  results: bmsResults,
});

export type { BmsResults, CellWindow } from './results';
