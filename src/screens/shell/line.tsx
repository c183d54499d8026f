'use client';
import Link from 'next/link';
import type { StationState } from '@/core/assess';
import { marginText, VERDICT_WORDS } from '@/core/checks';
import { STATIONS, type StationId } from '@/core/stations';
import { Hint } from '@/ui/hint';
import { MARK_COLOUR, type MarkShape, VerdictMark } from '@/ui/verdict-mark';
import { findingsIn } from './derive-ledger';
import { shapeOf } from './shape';
import { stationHref } from './stations';

const GROUND_Y = 78;
const ROPE_Y = 24;

/** Depth of the rope below the tower tops: taut when comfortable, on the ground when something fails. */
function sag(state: StationState | undefined): number {
  const worst = state?.thinnest;
  if (!worst) return 7;
  if (worst.verdict === 'fails') return GROUND_Y - ROPE_Y;
  const margin = worst.margin ?? 0.3;
  return 5 + 34 * Math.max(0, 1 - margin / 0.3);
}

interface Props {
  readonly buildId: string;
  readonly current: StationId | null;
  readonly stations: Readonly<Partial<Record<StationId, StationState>>>;
  /** What is still to be done at a station, in two words. */
  readonly counts: Readonly<Partial<Record<StationId, string>>>;
}

/** The stations as towers of a ropeway; the rope's sag before a tower is that station's thinnest margin. */
export function Line({ buildId, current, stations, counts }: Props) {
  return (
    <nav aria-label="Stations" className="no-print overflow-x-auto border-b border-rule">
      <ol className="relative grid min-w-[980px] auto-cols-[minmax(0,1fr)] grid-flow-col max-[900px]:min-w-0 max-[900px]:auto-cols-[max-content] max-[900px]:justify-start">
        {STATIONS.map((station) => (
          <Tower
            key={station.id}
            station={station}
            href={stationHref(station.id, buildId)}
            here={station.id === current}
            state={stations[station.id]}
            count={counts[station.id]}
          />
        ))}
      </ol>
    </nav>
  );
}

function Tower({
  station,
  href,
  here,
  state,
  count,
}: {
  station: { readonly name: string; readonly question: string };
  href: string;
  here: boolean;
  state: StationState | undefined;
  count: string | undefined;
}) {
  const worst = state?.thinnest ?? null;
  const undecided = state?.checks.find((check) => check.verdict === 'needs-data' || check.verdict === 'waits');
  const findings = findingsIn(state?.checks ?? []);
  /** Work that is open is said before a margin that holds. */
  const work = count !== undefined && worst?.verdict !== 'fails' && worst?.verdict !== 'thin' ? count : null;
  /** Yes or no alone, and all of it yes. */
  const sound =
    !worst &&
    (state?.checks.length ?? 0) > 0 &&
    !undecided &&
    state!.checks.every(({ verdict }) => verdict === 'holds');
  const shape: MarkShape = work !== null ? 'hollow' : worst ? shapeOf(worst.verdict) : sound ? 'holds' : 'hollow';
  const depth = sag(state);
  const ropeColour = !worst
    ? sound
      ? 'text-ink'
      : 'text-soft'
    : worst.verdict === 'holds'
      ? 'text-ink'
      : MARK_COLOUR[shape];
  const label =
    work !== null
      ? `${station.name}, ${work}, ${findings} finding${findings === 1 ? '' : 's'}`
      : worst
        ? `${station.name}, thinnest margin ${marginText(worst)}, ${findings} finding${findings === 1 ? '' : 's'}`
        : `${station.name}, ${undecided ? VERDICT_WORDS[undecided.verdict] : sound ? 'all holds' : 'nothing to judge yet'}`;
  const body = (
    <>
      <svg
        viewBox={`0 0 100 ${GROUND_Y + 2}`}
        preserveAspectRatio="none"
        aria-hidden="true"
        className={`pointer-events-none absolute top-0 -left-1/2 h-[80px] w-full max-[900px]:hidden ${ropeColour}`}
      >
        <path
          d={`M0 ${ROPE_Y}Q50 ${ROPE_Y + 2 * depth} 100 ${ROPE_Y}`}
          fill="none"
          stroke="currentColor"
          strokeWidth="1.8"
          vectorEffect="non-scaling-stroke"
        />
      </svg>
      <svg
        viewBox="0 0 60 80"
        width="60"
        height="80"
        aria-hidden="true"
        className="relative mx-auto max-[900px]:hidden"
      >
        <path
          d={`M23 ${GROUND_Y} 27.5 ${ROPE_Y}M37 ${GROUND_Y} 32.5 ${ROPE_Y}M20 ${ROPE_Y}H40M26 42H34M25 56H35M24 68H36`}
          fill="none"
          stroke="currentColor"
          strokeWidth="1.5"
        />
        {here && (
          <g>
            <path d="M30 24V34" stroke="currentColor" strokeWidth="2" />
            <rect
              x="17"
              y="33"
              width="26"
              height="17"
              rx="5"
              fill="var(--ink)"
              stroke="var(--paper)"
              strokeWidth="1.5"
            />
            <path d="M21 38H28V43H21ZM32 38H39V43H32Z" fill="var(--paper)" />
          </g>
        )}
      </svg>
      <span
        className={`block font-tight text-body leading-tight ${here ? 'font-semibold' : 'font-medium'} max-[900px]:whitespace-nowrap`}
      >
        {station.name}
      </span>
      <span
        className={`flex min-h-[20px] items-center justify-center gap-1 text-note ${(worst || sound) && work === null ? MARK_COLOUR[shape] : 'text-soft'}`}
      >
        <VerdictMark shape={shape} size={11} />
        <span className="whitespace-nowrap">
          {work ?? (worst ? marginText(worst) : undecided ? 'open' : sound ? 'holds' : '')}
        </span>
        {findings > 0 && work === null && (
          <span className="ml-0.5 rounded-full border border-current px-1.5 text-note leading-[16px]">{findings}</span>
        )}
      </span>
    </>
  );
  const classes = 'relative block h-full pb-2 pt-0 text-center max-[900px]:px-3 max-[900px]:py-2';
  return (
    <li className={`relative ${here ? 'max-[900px]:border-b-[3px] max-[900px]:border-ink' : ''}`}>
      <span
        aria-hidden="true"
        className="pointer-events-none absolute inset-x-0 top-[78px] border-t border-rule max-[900px]:hidden"
      />
      <Hint text={station.question}>
        {/* What the page of a station needs is fetched when it is gone to: fourteen fetched ahead would take the time of the one that is looked at. */}
        <Link
          href={href}
          prefetch={false}
          aria-current={here ? 'page' : undefined}
          aria-label={label}
          className={classes}
        >
          {body}
        </Link>
      </Hint>
    </li>
  );
}
