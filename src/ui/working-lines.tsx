import { formatMargin, formatQuantity, inUnits, type Quantity, type UnitSystem } from '@/core/quantities';

/** A sum as it is shown: formula, the same with figures, result and note. */
export interface ShownWorking {
  readonly lines: readonly {
    readonly formula: string;
    readonly figures: string;
    readonly result?: Quantity;
    readonly note?: string;
  }[];
  readonly sources: readonly string[];
  readonly assumed: readonly string[];
}

/** Formula, the figures in it, the result and the source: what a person can redo by hand. */
export function WorkingLines({ working, system }: { working: ShownWorking; system: UnitSystem }) {
  const { lines, sources, assumed } = working;
  const text = (told: string) => inUnits(told, system);
  return (
    <div className="space-y-2 text-small leading-snug">
      {lines.map((line) => (
        <div key={line.formula}>
          <p className="font-semibold">
            <Formula text={text(line.formula)} />
          </p>
          <p>
            <Formula text={text(line.figures)} />
            {line.result && <Result result={line.result} system={system} />}
          </p>
          {line.note && <p className="text-soft">{text(line.note)}</p>}
        </div>
      ))}
      {lines.length === 0 && <p>A yes or no: there is no sum behind it.</p>}
      {assumed.map((one) => (
        <p key={one} className="text-thin">
          Assumed: {text(one)}
        </p>
      ))}
      {sources.length > 0 && (
        <p className="text-soft">
          Source: <Formula text={text(sources.join('; '))} />
        </p>
      )}
    </div>
  );
}

/** "I_cont" as I with a small cont below the line. */
function Formula({ text }: { text: string }) {
  let at = 0;
  return text.split(/([A-Za-zΔθ]+_[A-Za-z0-9]+)/).map((piece) => {
    at += piece.length;
    const [symbol, below] = piece.split('_');
    return below ? (
      <span key={at}>
        {symbol}
        <sub>{below}</sub>
      </span>
    ) : (
      piece
    );
  });
}

/** A share reads as a margin, everything else as what the sum gives. */
function Result({ result, system }: { result: Quantity; system: UnitSystem }) {
  const share = result.dimension === 'ratio';
  return (
    <>
      {share ? ': ' : ' = '}
      <b className="whitespace-nowrap font-semibold">
        {share ? formatMargin(result.value) : formatQuantity(result, system, 4).text}
      </b>
    </>
  );
}
