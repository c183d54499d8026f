import type { Edit } from '../build';
import { catalogueOf, type FusePart, type Part } from '../parts';
import { continuousCurrent } from '../physics/fuse';
import { currentIn } from '../vehicle';
import type { Setting } from './proposer';

/** What can be put into a wire by pressing it. */
export const INSERTABLE = ['fuse', 'contactor', 'disconnect', 'sensor'] as const;
export type Insertable = (typeof INSERTABLE)[number];

const NAMES: Readonly<Record<Insertable, string>> = {
  fuse: 'Fuse',
  contactor: 'Contactor',
  disconnect: 'Disconnect',
  sensor: 'Shunt',
};

const least = <P>(parts: readonly P[], fits: (part: P) => boolean, size: (part: P) => number): P =>
  [...parts].sort((p, q) => Number(fits(q)) - Number(fits(p)) || size(p) - size(q))[0]!;

/** The largest current of a case through something, A. */
function largestA(setting: Setting, id: string, duration: 'sustained' | 'any'): number {
  const amps = setting.vehicle.cases
    .filter(({ state }) => duration === 'any' || state.duration === duration)
    .map((solved) => currentIn(solved, id) ?? 0);
  return Math.max(0, ...amps);
}

export const smallestFuse = (fullV: number, currentA: number): FusePart => {
  const traction = catalogueOf('fuse').filter((part) => part.family === 'traction');
  return least(
    traction,
    (part) => (part.ratedVoltageDcV ?? 0) >= fullV && continuousCurrent(part, 60) >= 1.1 * currentA,
    (part) => part.ratedCurrentA * 1e4 + (part.ratedVoltageDcV ?? 0),
  );
};

function partFor(setting: Setting, conductorId: string, kind: Insertable): Part {
  const fullV = setting.fullV ?? 0;
  const currentA = largestA(setting, conductorId, 'sustained');
  switch (kind) {
    case 'fuse':
      return smallestFuse(fullV, currentA);
    case 'contactor':
      return least(
        catalogueOf('contactor'),
        (part) =>
          part.ratedVoltageV >= fullV &&
          Math.max(...part.carry.map((point) => point.currentA)) >= 1.2 * currentA &&
          part.breakCurrentA >= largestA(setting, conductorId, 'any'),
        (part) => part.makeCurrentA * 1e4 + part.ratedVoltageV,
      );
    case 'disconnect':
      return least(
        catalogueOf('disconnect'),
        (part) => part.ratedVoltageV >= fullV && part.ratedCurrentA >= currentA,
        (part) => part.ratedVoltageV,
      );
    case 'sensor':
      return catalogueOf('sensor')[0]!;
  }
}

/** The edit that puts a device with a first part into a wire; the model then judges it. Ids come from the edge. */
export function insertionEdit(setting: Setting, conductorId: string, kind: Insertable, seed: string): Edit {
  const part = partFor(setting, conductorId, kind);
  const made = { id: `${seed}-${kind}`, name: NAMES[kind], partId: part.id, place: null };
  return {
    edit: 'insertDevice',
    input: {
      conductorId,
      device: kind === 'contactor' ? { ...made, kind, role: 'branch' } : { ...made, kind },
      part,
      newConductorId: `${seed}-after`,
    },
  };
}
