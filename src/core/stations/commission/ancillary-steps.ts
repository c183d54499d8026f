import { quantityText as q } from '../../checks';
import { brakeVacuum, rackFlow } from '../../simulate';
import { partOf } from '../../vehicle';
import type { Context } from '../context';
import { atMost, look, measure, type Step, stepId, unknown, within } from './step';

export function ancillarySteps({ vehicle }: Context): readonly Step[] {
  const { brakes = {}, schools, cooling = {} } = vehicle.build;
  const sheet = 'ancillaries' as const;
  const steps: Step[] = [];
  const vacuum = brakeVacuum(vehicle);
  if (vacuum) {
    const to = vacuum.toCutOutS !== null ? vacuum.fullPa : vacuum.toLeastS !== null ? vacuum.leastPa : null;
    const seconds = vacuum.toCutOutS ?? vacuum.toLeastS;
    if (to !== null && seconds !== null)
      steps.push(
        measure({
          id: stepId('pull-down'),
          sheet,
          name: 'Vacuum from nothing to where the pump ends',
          where: `gauge at the booster, to ${q(to, 'pressure')}`,
          switches: 'reservoir emptied by the pedal; key on, stop watch',
          dimension: 'time',
          ...within(seconds, 0.3),
          from: 'pump, volume and altitude, ± 30 %',
          ifLow: 'Less volume than entered, or the pump is stronger.',
          ifHigh: 'A leak, a weak pump, more hose; high up the pump gives less.',
        }),
      );
    steps.push(
      measure({
        id: stepId('vacuum-leak'),
        sheet,
        name: 'Vacuum lost in five minutes, pump off',
        where: 'gauge at the booster',
        switches: 'pump’s fuse out, pedal not touched',
        dimension: 'pressure',
        ...atMost(Math.max(brakes.leakPa ?? 0, 3000), brakes.leakPa ?? null),
        from: `as entered, never over ${q(3000, 'pressure')} (practice)`,
        ifHigh: 'Hose, clamp, check valve reversed, diaphragm: spray soap water and listen.',
        adopts: { subjectId: 'build', field: 'vacuumLeak', value: (read) => (read >= 0 ? read : null) },
      }),
      measure({
        id: stepId('dead-stops'),
        sheet,
        name: 'Assisted stops with the pump off',
        where: 'pedal, standing still',
        switches: 'pump’s fuse out, from full vacuum',
        dimension: 'count',
        expected: vacuum.fromFull.begun,
        low: Math.max(1, vacuum.fromFull.begun - 1),
        high: null,
        from: 'booster and reservoir: one less is still right',
        ifLow: 'Reservoir not joined, check valve reversed, a leak.',
      }),
    );
  } else if (schools.brakes === 'vacuum-pump')
    steps.push(
      unknown({
        id: stepId('pull-down'),
        sheet,
        name: 'Vacuum from nothing',
        where: 'gauge at the booster',
        dimension: 'time',
        lacks: 'the booster’s and the pump’s figures, in Ancillaries',
      }),
    );
  steps.push(
    look({
      id: stepId('brakes-cold'),
      sheet,
      name: 'Brakes hold without any help',
      where: 'pedal pressed hard, key out, no vacuum left',
      ifNot: 'Brakes are looked at by a licensed person before the road.',
    }),
    look({
      id: stepId('steering'),
      sheet,
      name: 'Steering from lock to lock, standing, as light as it should be',
      where: 'on the ground, tyres at their pressure',
      ifNot: 'Pump not enabled, rack dry, relief valve stuck: not on the road.',
    }),
  );
  const rack = rackFlow(vehicle);
  if (rack)
    steps.push(
      look({
        id: stepId('steering-off'),
        sheet,
        name: 'It can be steered with the help off',
        where: 'fuse of the pump out, rolling at walking pace',
        ifNot: 'It must still steer when the help fails.',
      }),
    );
  for (const heater of vehicle.devices) {
    if (heater.device.kind !== 'heater') continue;
    const part = partOf(heater, 'bus-device');
    const at = {
      id: stepId('heater', heater.id),
      sheet,
      name: `${heater.device.name}: power`,
      where: 'traction current times voltage, heater on less heater off',
      switches: 'ready, heating at full',
      dimension: 'power' as const,
      subjectId: heater.id,
      endangers: 'fire' as const,
    };
    steps.push(
      part
        ? measure({
            ...at,
            ...within(part.ratedPowerW, 0.25),
            from: 'its part, ± 25 %',
            ifLow: 'Cut-out open, an element dead, or low pack voltage.',
            ifHigh: 'Another element than was entered: fuse and cable were sized for less.',
            adopts: { subjectId: heater.id, field: 'ratedPowerW', value: (read) => (read > 0 ? read : null) },
          })
        : unknown({ ...at, lacks: 'its part' }),
      look({
        id: stepId('heater-cut-out', heater.id),
        sheet,
        name: `${heater.device.name}: cut-out opens it`,
        where: 'air or coolant held back, watched',
        ifNot: 'A heater that nothing stops burns the car.',
        caution: 'Extinguisher at hand.',
        endangers: 'fire',
        subjectId: heater.id,
      }),
    );
  }
  if (schools.cooling === 'liquid' || schools.cooling === 'chill-plate' || schools.heating === 'coolant-heater') {
    steps.push(
      look({
        id: stepId('bleed'),
        sheet,
        name: 'Coolant filled and bled, no air comes any more',
        where: 'header and bleeds, pump running',
        ifNot: 'Air in the loop cooks the inverter: bleed again at another angle.',
        endangers: 'parts',
      }),
    );
    if (cooling.flowLPerMin !== undefined)
      steps.push(
        measure({
          id: stepId('flow'),
          sheet,
          name: 'Coolant flow',
          where: 'bucket and watch at the return, or a flow meter',
          switches: 'pump as it runs',
          dimension: 'flow',
          ...within(cooling.flowLPerMin, 0.25),
          from: 'as entered in Ancillaries, ± 25 %',
          ifLow: 'Air, a kink, the pump the wrong way round.',
          ifHigh: 'A short cut past a part.',
          endangers: 'parts',
          adopts: { subjectId: 'build', field: 'coolantFlow', value: (read) => (read > 0 ? read : null) },
        }),
      );
  }
  return steps;
}
