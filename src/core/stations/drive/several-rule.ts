import type { Finding, Ref } from '../../checks';
import { type DriveUnit, driveTrainOf, type Vehicle } from '../../vehicle';
import { defineRule } from '../define';

const refOf = (vehicle: Vehicle, id: string): Ref => ({
  kind: 'device',
  id,
  name: vehicle.deviceOf.get(id)?.device.name ?? id,
});

/** What motors on one inverter can't do together, in words; null: they can, or it has an inverter of its own. */
function against(unit: DriveUnit, units: readonly DriveUnit[]): string | null {
  const others = units.filter((one) => one !== unit && one.inverterId === unit.inverterId);
  if (others.length === 0 || unit.inverterId === null) return null;
  const all = [unit, ...others];
  if (all.some(({ part }) => part?.motorKind === 'permanent-magnet'))
    return 'shares an inverter: permanent magnets need the place of each rotor, so an inverter for each motor';
  if (new Set(all.map(({ part }) => part?.motorKind)).size > 1)
    return 'shares an inverter with a motor of another kind';
  if (unit.part?.motorKind === 'induction' && new Set(all.map(({ gearing }) => gearing)).size > 1)
    return 'shares an inverter, and so the frequency, with a motor that turns at another speed';
  return null;
}

/** Motors and inverters beside the first: each with its inverter and its share of the work, or it has to be seen that it has none. */
export const several = defineRule({
  id: 'drive.several',
  endangers: 'people',
  says: {
    fails: '{subject} can’t work with the others',
    holds: '{subject} has its part of the work',
    line: '{detail}',
    open: '{subject} is not reckoned with',
  },
  sources: [
    'Fixed shares of torque: the first motor that can’t give its own bounds all of them; each inverter takes its share of the battery’s power',
    'Several motors on one inverter get one frequency and one voltage (textbook)',
  ],
  judge: ({ vehicle }): Finding<'detail'>[] => {
    const { units, open } = driveTrainOf(vehicle.build);
    const [first] = units;
    if (!first) return [];
    const wrongs = units.flatMap((unit): Finding<'detail'>[] => {
      const wrong = against(unit, units);
      return wrong ? [{ subject: refOf(vehicle, unit.motor.id), holds: false, figures: { detail: wrong } }] : [];
    });
    if (open.length > 0) {
      const failing = new Set(wrongs.map(({ subject }) => subject.id));
      const gaps = new Map<string, string[]>();
      for (const { deviceId, what } of open)
        if (!failing.has(deviceId)) gaps.set(deviceId, [...(gaps.get(deviceId) ?? []), what]);
      const asked = [...gaps].map(([id, whats]): Finding<'detail'> => {
        const subject = refOf(vehicle, id);
        return {
          subject,
          missing: [
            ...whats.map((what) => ({ ref: subject, what })),
            { ref: subject, what: `till then range, hill, currents and heat are those of ${first.motor.name} alone` },
          ],
        };
      });
      return [...wrongs, ...asked];
    }
    if (units.length === 1)
      return [{ subject: refOf(vehicle, first.motor.id), holds: true, figures: { detail: 'one motor' } }];
    return units.map((unit): Finding<'detail'> => {
      const wrong = against(unit, units);
      const share = `${Math.round((unit.share ?? 0) * 100)} % of the torque`;
      const through = `through ${refOf(vehicle, unit.inverterId!).name}`;
      const turns = unit.gearing === 1 ? '' : `, ${unit.gearing} turns for one at the gearbox`;
      return {
        subject: refOf(vehicle, unit.motor.id),
        holds: wrong === null,
        figures: { detail: wrong ?? `${share} ${through}${turns}` },
      };
    });
  },
  remedies: 'Draw the motor cables between each motor and the inverter that feeds it, and tell its share in Drive.',
});
