'use client';
import { ChevronUp } from 'lucide-react';
import type { Assessment } from '@/core/assess';
import { type Check, marginText, say } from '@/core/checks';
import type { StationId } from '@/core/stations';
import { MARK_COLOUR, VerdictMark } from '@/ui/verdict-mark';
import { findingsIn, inOrder } from './derive-ledger';
import { shapeOf } from './shape';

/** On small screens: the worst of this station in one line, always in sight; a press brings the ledger over the sheet. */
export function VerdictBar({
  assessment,
  station,
  whole,
  onOpen,
}: {
  assessment: Assessment;
  station: StationId | null;
  whole: boolean;
  onOpen: () => void;
}) {
  const checks =
    whole || station === null ? assessment.checks : assessment.checks.filter((check) => check.station === station);
  const [worst] = inOrder(checks);
  const findings = findingsIn(checks);
  return (
    <button
      type="button"
      onClick={onOpen}
      aria-label={`Ledger, ${words(worst, findings)}`}
      className="flex min-h-12 w-full items-center gap-2 border-t-[1.5px] border-ink bg-panel px-3 text-left"
    >
      {worst ? (
        <>
          <VerdictMark shape={shapeOf(worst.verdict)} size={16} />
          <span className="min-w-0 flex-1 truncate font-semibold">{say(worst, assessment.build.units).title}</span>
          <span className={`shrink-0 font-semibold ${MARK_COLOUR[shapeOf(worst.verdict)]}`}>{marginText(worst)}</span>
        </>
      ) : (
        <span className="flex-1 text-soft">Nothing to judge yet</span>
      )}
      {findings > 1 && <span className="shrink-0 text-small text-soft">+{findings - 1}</span>}
      <ChevronUp size={20} aria-hidden="true" className="shrink-0" />
    </button>
  );
}

function words(worst: Check | undefined, findings: number): string {
  if (!worst) return 'nothing to judge yet';
  return findings === 0 ? 'all holds' : `${findings} finding${findings === 1 ? '' : 's'}`;
}
