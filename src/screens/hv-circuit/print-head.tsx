import { type Check, checkKey, marginText, say } from '@/core/checks';
import { inUnits, type UnitSystem } from '@/core/quantities';
import type { Reservations } from '@/core/stations';

const MOST = 6;

/** Stands over the drawing on paper only: what it is, of which build, what does not hold, and what paper can't promise. */
export function PrintHead({
  name,
  about,
  thinnest,
  system,
}: {
  name: string;
  about: string;
  thinnest: readonly Check[];
  system: UnitSystem;
}) {
  return (
    <div className="print-only mb-4">
      <h2 className="font-tight text-head font-semibold">{name}</h2>
      <p>{about}</p>
      {thinnest.length > 0 && (
        <p className="mt-1 text-note">
          {thinnest
            .slice(0, MOST)
            .map((check) => `${say(check, system).title} (${marginText(check)})`)
            .map((text, index) => (
              <span key={checkKey(thinnest[index]!)}>
                {index > 0 ? '; ' : ''}
                {text}
              </span>
            ))}
          {thinnest.length > MOST && `; and ${thinnest.length - MOST} more`}.
        </p>
      )}
      <p className="mt-1 text-note">
        Computed, not proved. Cells never switch off: wait, prove the meter, prove dead, prove the meter again. Local
        code and a licensed person decide.
      </p>
    </div>
  );
}

const MOST_ASSUMED = 8;

/** Stands under the drawing on paper only: what the sheet does not say. */
export function PrintFoot({ notJudged, assumed, system }: Reservations & { system: UnitSystem }) {
  const words = (list: readonly string[]) => list.map((one) => inUnits(one, system)).join(' ');
  return (
    <div className="print-only mt-2 text-note leading-tight">
      <p>
        <b>Not judged here.</b> {words(notJudged)}
      </p>
      {assumed.length > 0 && (
        <p className="mt-1">
          <b>Assumed</b>, thinnest margin first. {words(assumed.slice(0, MOST_ASSUMED).map((one) => one.words))}
          {assumed.length > MOST_ASSUMED && ` And ${assumed.length - MOST_ASSUMED} more, in the ledger.`}
        </p>
      )}
    </div>
  );
}
