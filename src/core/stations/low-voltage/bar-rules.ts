import type { DeviceKind } from '../../build';
import { type Finding, quantityText as q } from '../../checks';
import { told } from '../../quantities';
import { BAR_M, casesApartM, lowVoltage } from '../../vehicle';
import { conductorRef } from '../context';
import { defineRule } from '../define';

/** What stands in a fuse box or is bolted to it; whatever else is wired. */
const IN_BOX: ReadonlySet<DeviceKind | undefined> = new Set([
  'lv-fuse',
  'lv-junction',
  'lv-switch',
  'relay',
  'auxiliary-battery',
  'converter',
  'charger-converter',
] as const);

/** A bar has no section here, so that nothing of a wire is judged of it: it has to be one. */
export const bar = defineRule({
  id: 'lv.bar',
  endangers: 'fire',
  says: { fails: '{subject} is no bar of the fuse box', holds: '{subject} is a bar', line: '{detail}' },
  sources: [
    `What is bolted together in a fuse box has no length: a run to a load, or of more than ${told(BAR_M, 'length')}, is a wire with a section (engineering judgement)`,
  ],
  judge: ({ vehicle }) => {
    const { lv } = lowVoltage(vehicle);
    return lv.conductors.flatMap((one): Finding<'detail'>[] => {
      const { kind, a, b } = one.conductor;
      if (kind === 'cable') return [];
      const far = [a, b].map(({ deviceId }) => vehicle.deviceOf.get(deviceId) ?? lv.deviceOf.get(deviceId));
      const wired = far.find((end) => !IN_BOX.has(end?.device.kind));
      const apartM = Math.max(one.lengthM ?? 0, casesApartM(vehicle.build, one.conductor) ?? 0);
      const detail = wired
        ? `it leads to ${wired.device.name}`
        : `${q(apartM, 'length')} between its ends, ${q(BAR_M, 'length')} at most`;
      return [{ subject: conductorRef(one), holds: !wired && apartM <= BAR_M, figures: { detail } }];
    });
  },
  remedies: 'Make it a wire of a size, or land it on the fuse of its circuit.',
});
