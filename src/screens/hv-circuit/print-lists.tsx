import type { Assessment } from '@/core/assess';
import { formatQuantity, type UnitSystem } from '@/core/quantities';
import { partOf, sizeText, type Vehicle } from '@/core/vehicle';
import { PaperTable } from '@/ui/paper-table';

export interface PrintedTable {
  readonly head: readonly string[];
  readonly rows: readonly { readonly id: string; readonly cells: readonly string[] }[];
}

const NOT_TOLD = 'not entered';
const told = (value: number | null | undefined, dimension: 'length' | 'current' | 'voltage', system: UnitSystem) =>
  value == null ? NOT_TOLD : formatQuantity({ value, dimension }, system, 3).text;

const endOf = (vehicle: Vehicle, { deviceId, terminal }: { deviceId: string; terminal: string }): string =>
  `${vehicle.deviceOf.get(deviceId)?.device.name ?? deviceId}, ${terminal}`;

/** Every conductor of the traction circuit as it is made up and landed. */
export function conductorList({ vehicle, results, build: { units } }: Assessment): PrintedTable {
  return {
    head: ['Conductor', 'From', 'To', 'Size', 'Length', 'Carries for long'],
    rows: results.cables.rows.map(({ id, resolved, resolved: { conductor, lengthM }, currentA }) => ({
      id,
      cells: [
        conductor.name,
        endOf(vehicle, conductor.a),
        endOf(vehicle, conductor.b),
        sizeText(resolved, units) ?? NOT_TOLD,
        told(lengthM, 'length', units),
        currentA === null ? 'not known' : told(currentA, 'current', units),
      ],
    })),
  };
}

/** Every fuse of the traction circuit: what has to be put back when one is changed. */
export function fuseList({ vehicle, build: { units } }: Assessment): PrintedTable {
  return {
    head: ['Fuse', 'Rated', 'DC voltage', 'Breaks up to', 'Between'],
    rows: vehicle.devices
      .filter(({ device }) => device.kind === 'fuse')
      .map((device) => {
        const part = partOf(device, 'fuse');
        const wired = vehicle.conductors
          .filter(({ conductor: { a, b } }) => a.deviceId === device.id || b.deviceId === device.id)
          .map(({ conductor }) => conductor.name);
        return {
          id: device.id,
          cells: [
            device.device.name,
            told(part?.ratedCurrentA, 'current', units),
            part && part.ratedVoltageDcV === null ? 'none stated' : told(part?.ratedVoltageDcV, 'voltage', units),
            told(part?.breakingCapacityA, 'current', units),
            wired.join(' and '),
          ],
        };
      }),
  };
}

/** A sheet more, on paper only: names, ends, sizes, lengths and fuses. */
export function PrintLists({ assessment }: { assessment: Assessment }) {
  const lists = [conductorList(assessment), fuseList(assessment)].filter(({ rows }) => rows.length > 0);
  return (
    <div className="print-only break-before-page text-note">
      {lists.map(({ head, rows }) => (
        <PaperTable key={head[0]} heads={head} rows={rows} />
      ))}
      <p>
        As computed from the build file. Check each size, length and fuse against the car before anything is switched
        on.
      </p>
    </div>
  );
}
