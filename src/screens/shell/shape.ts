import type { Verdict } from '@/core/checks';
import type { MarkShape } from '@/ui/verdict-mark';

export const shapeOf = (verdict: Verdict): MarkShape =>
  verdict === 'holds' || verdict === 'thin' || verdict === 'fails' ? verdict : 'hollow';
