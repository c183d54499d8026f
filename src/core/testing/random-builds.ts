import { applyEdit, type Build, type Edit, emptyBuild } from '../build';
import { firn9, larkspur, teasel } from '../build/samples';
import { catalogueOf } from '../parts';
import { starterLayout } from '../remedies';
import { chance } from './mutate';

const SAMPLES = [firn9(), larkspur(), teasel()];
const CABLES = catalogueOf('cable').filter(({ id }) => id.startsWith('cable-plain') || id.startsWith('cable-shielded'));

/** A first layout of random cells, inverter and run. */
export function randomStarter(seed: number): Build {
  const random = chance(seed);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  // Those that can take the power that a new build asks for: 50 kW of 36 V is no layout.
  const inverters = catalogueOf('inverter').filter(
    ({ window, maxBatteryCurrentA }) => window.workingMaxV * maxBatteryCurrentA > 30000,
  );
  const [cell, inverter] = [pick(catalogueOf('cell')), pick(inverters)];
  const start = applyEdit(emptyBuild('b', 'New'), {
    edit: 'setFigure',
    input: { figure: 'cruisePower', value: 4000 + 20000 * random() },
  }).build;
  const input = starterLayout(
    start,
    {
      cell,
      inverter,
      cellsInSeries: Math.floor((0.94 * inverter.window.workingMaxV) / cell.fullV),
      cellsInParallel: 1 + Math.floor(3 * random()),
      runLengthM: 0.5 + 4 * random(),
    },
    'seed',
  );
  return applyEdit(start, { edit: 'layOut', input }).build;
}

/** A sample of which somebody has changed some cables, lengths and fuses for the better or the worse. */
export function randomBuild(seed: number): Build {
  const random = chance(seed);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  let build = pick(SAMPLES);
  const hv = build.circuits.hv;
  const wires = Object.values(hv.conductors).filter(({ kind }) => kind === 'cable');
  const fuses = Object.values(hv.devices).filter(({ kind }) => kind === 'fuse');
  const volts = Math.max(
    ...fuses.map(({ partId }) => (build.parts[partId!] as { ratedVoltageDcV: number }).ratedVoltageDcV),
  );
  const others = catalogueOf('fuse').filter((part) => part.family === 'traction' && part.ratedVoltageDcV === volts);
  const changes = 2 + Math.floor(4 * random());
  for (let k = 0; k < changes; k++) {
    const kind = random();
    const edit: Edit =
      kind < 0.45
        ? { edit: 'fitCable', input: { conductorIds: [pick(wires).id], part: pick(CABLES) } }
        : kind < 0.7
          ? { edit: 'setConductor', input: { conductorId: pick(wires).id, lengthM: 0.1 + 4 * random() } }
          : { edit: 'fitPart', input: { deviceId: pick(fuses).id, part: pick(others) } };
    build = applyEdit(build, edit).build;
  }
  return build;
}
