import { defineStation } from '../define';
import { LIMIT_RULES } from './limit-rules';
import { LINK_RULES } from './link-rules';
import { bmsResults } from './results';
import { TAP_RULES } from './tap-rules';

/** How is every cell kept inside its limits? */
export const bms = defineStation({
  id: 'bms',
  name: 'BMS',
  question: 'How is every cell kept inside its limits?',
  key: 'a',
  begin: 'begin with cells in Pack, then choose what watches them',
  rules: [...LINK_RULES, ...TAP_RULES, ...LIMIT_RULES],
  leaves: () => ['Logs of single cells over a drive, and warmth inside the boxes.'],
  results: bmsResults,
});

export type { BmsResults, CellWindow } from './results';
