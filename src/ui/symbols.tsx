/** Circuit symbols after IEC 60617 shapes, drawn for this project; each fits a horizontal run from (-18, 0) to (18, 0). */
const LINE = { fill: 'none', stroke: 'currentColor', strokeWidth: 2 } as const;

export function FuseSymbol() {
  return (
    <g>
      <path d="M-18 0H18" {...LINE} />
      <rect x="-14" y="-7" width="28" height="14" {...LINE} fill="var(--panel)" />
      <path d="M-14 0H14" {...LINE} strokeWidth={1.6} />
    </g>
  );
}

export function ContactSymbol({ closed }: { closed: boolean }) {
  return (
    <g>
      <path d={`M-18 0H-12M12 0H18M-12 0 ${closed ? '12 0' : '9 -11'}`} {...LINE} strokeWidth={2.4} />
      <circle cx="-12" cy="0" r="3" fill="currentColor" />
      <circle cx="12" cy="0" r="3" fill="currentColor" />
    </g>
  );
}

/** Coil of a contactor above its contact, with the mechanical link. */
export function CoilSymbol() {
  return (
    <g>
      <path d="M0 -6V-18" stroke="currentColor" strokeWidth="1.2" strokeDasharray="3 2" />
      <rect x="-9" y="-31" width="18" height="13" {...LINE} strokeWidth={1.5} />
      <path d="M-9 -18 9 -31" stroke="currentColor" strokeWidth="1.5" />
    </g>
  );
}

export function ResistorSymbol() {
  return (
    <g>
      <path d="M-18 0H18" {...LINE} />
      <rect x="-17" y="-6" width="34" height="12" {...LINE} fill="var(--panel)" />
    </g>
  );
}

export function DisconnectSymbol({ closed = true }: { closed?: boolean }) {
  return (
    <g>
      <path d={`M-18 0H-12M12 0H18M-12 0 ${closed ? '12 0' : '9 -11'}`} {...LINE} strokeWidth={2.4} />
      <path d="M12 -5V5" {...LINE} />
      <circle cx="-12" cy="0" r="3" fill="currentColor" />
      <path d="M0 -3V-14M-6 -14H6" stroke="currentColor" strokeWidth="1.6" />
    </g>
  );
}

export function SensorSymbol() {
  return (
    <g>
      <path d="M-18 0H18" {...LINE} />
      <circle r="10" {...LINE} fill="var(--panel)" />
      <text y="4.5" textAnchor="middle" fontSize="13" fontWeight="600" fill="currentColor">
        A
      </text>
    </g>
  );
}

/** Battery on a vertical run, plus at the top. */
export function BatterySymbol() {
  return (
    <g>
      {[-15, -1, 13].map((y) => (
        <g key={y}>
          <path d={`M-15 ${y}H15`} {...LINE} />
          <path d={`M-8 ${y + 6}H8`} {...LINE} strokeWidth={3.4} />
        </g>
      ))}
    </g>
  );
}

export function CapacitorSymbol() {
  return (
    <g>
      <path d="M0 -16V-4M0 4V16" {...LINE} />
      <path d="M-13 -4H13M-13 4H13" {...LINE} strokeWidth={2.6} />
    </g>
  );
}
