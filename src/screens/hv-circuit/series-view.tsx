import { formatQuantity, type UnitSystem } from '@/core/quantities';
import { partOf, type SolvedCase, type Vehicle } from '@/core/vehicle';
import { CoilSymbol, ContactSymbol, DisconnectSymbol, FuseSymbol, ResistorSymbol, SensorSymbol } from '@/ui/symbols';
import type { Placed } from './derive-layout';
import type { Overlay } from './overlay';

const short = (name: string, most: number) => (name.length > most ? `${name.slice(0, most - 1)}…` : name);

/** Drawn closed: by what was opened by hand, or by the operating state. */
export const closedIn = ({ device }: Placed, solved: SolvedCase | undefined, overlay: Overlay | null): boolean => {
  if (overlay) return !overlay.open.has(device.id) && device.role !== 'precharge';
  return device.kind !== 'contactor' || (solved?.state.closed.includes(device.role ?? 'branch') ?? false);
};

export function SeriesSymbol({ placed, closed }: { placed: Placed; closed: boolean }) {
  switch (placed.device.kind) {
    case 'fuse':
      return (
        <>
          <FuseSymbol />
          {!closed && <path d="M-7 -7 7 7M7 -7 -7 7" stroke="var(--fails)" strokeWidth="2.4" />}
        </>
      );
    case 'contactor':
      return (
        <>
          <ContactSymbol closed={closed} />
          {placed.device.role !== 'precharge' && <CoilSymbol />}
        </>
      );
    case 'disconnect':
      return <DisconnectSymbol closed={closed} />;
    case 'sensor':
      return <SensorSymbol />;
    default:
      return <ResistorSymbol />;
  }
}

/** How far right of a turned symbol its name begins: clear of a coil, or of the handle of a disconnect. */
const aside = ({ device }: Placed): number =>
  device.kind === 'contactor' && device.role !== 'precharge' ? 37 : device.kind === 'disconnect' ? 21 : 16;

export function SeriesLabel({ placed, vehicle, system }: { placed: Placed; vehicle: Vehicle; system: UnitSystem }) {
  const { device, x, y, turned } = placed;
  const resolved = vehicle.deviceOf.get(device.id);
  const fuse = partOf(resolved, 'fuse');
  const resistor = partOf(resolved, 'resistor');
  const figure = fuse
    ? formatQuantity({ value: fuse.ratedCurrentA, dimension: 'current' }, system).text
    : resistor
      ? formatQuantity({ value: resistor.resistanceOhm, dimension: 'resistance' }, system).text
      : '';
  const text = turned ? `${short(device.name, 26)}${figure ? ` ${figure}` : ''}` : '';
  if (turned) {
    const branch = device.kind === 'fuse' && x > 250;
    return (
      <text
        x={x + aside(placed)}
        y={y + 5}
        fontSize="13.5"
        fontWeight="500"
        fontFamily="var(--font-tight)"
        fill="currentColor"
      >
        {branch ? figure : text}
      </text>
    );
  }
  const precharging = device.kind === 'precharge-resistor' || device.role === 'precharge';
  return (
    <text
      x={x}
      y={precharging ? y + 24 : y - (device.kind === 'contactor' ? 38 : 24)}
      textAnchor="middle"
      fontSize="13.5"
      fontWeight="600"
      fontFamily="var(--font-tight)"
      fill="currentColor"
    >
      {precharging ? figure || 'precharge' : `${short(device.name, 16)}${figure ? ` ${figure}` : ''}`}
    </text>
  );
}
