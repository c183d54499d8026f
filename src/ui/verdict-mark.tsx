/** A verdict as a shape: never colour alone. */
export type MarkShape = 'holds' | 'thin' | 'fails' | 'hollow';

export const MARK_COLOUR: Readonly<Record<MarkShape, string>> = {
  holds: 'text-holds',
  thin: 'text-thin',
  fails: 'text-fails',
  hollow: 'text-soft',
};

export function VerdictMark({ shape, size = 14 }: { shape: MarkShape; size?: number }) {
  return (
    <svg viewBox="0 0 14 14" width={size} height={size} aria-hidden="true" className={`shrink-0 ${MARK_COLOUR[shape]}`}>
      {shape === 'holds' && <rect x="1" y="5.2" width="12" height="3.6" fill="currentColor" />}
      {shape === 'thin' && (
        <path d="M7 2 13 12H1Z" fill="none" stroke="currentColor" strokeWidth="1.6" strokeLinejoin="round" />
      )}
      {shape === 'fails' && <path d="M2.5 2.5 11.5 11.5M11.5 2.5 2.5 11.5" stroke="currentColor" strokeWidth="2.4" />}
      {shape === 'hollow' && (
        <circle cx="7" cy="7" r="5" fill="none" stroke="currentColor" strokeWidth="1.4" strokeDasharray="2.4 2" />
      )}
    </svg>
  );
}
