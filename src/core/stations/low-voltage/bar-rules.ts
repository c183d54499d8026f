import type { DeviceKind } from '../../build';
import { type Finding, quantityText as q } from '../../checks';
import { told } from '../../quantities';
import { BAR_M, casesApartM, FACES_M, lowVoltage } from '../../vehicle';
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
  says: { fails: '{subject} has to be a wire', holds: '{subject} needs no wire', line: '{detail}' },
  sources: [
    `What is bolted together in a fuse box has no length: a run to a load, or of more than ${told(BAR_M, 'length')} (${told(FACES_M, 'length')} where faces are bolted), is a wire with a section (engineering judgement)`,
  ],
  judge: ({ vehicle }) => {
    const { lv } = lowVoltage(vehicle);
    return lv.conductors.flatMap((one): Finding<'detail'>[] => {
      const { kind, a, b } = one.conductor;
      if (kind === 'cable') return [];
      const far = [a, b].map(({ deviceId }) => vehicle.deviceOf.get(deviceId) ?? lv.deviceOf.get(deviceId));
      // A pump or a converter may be earthed by the stud of its case.
      const earthed = kind === 'bolted' && far.some((end) => end?.device.kind === 'earth');
      const wired = earthed ? undefined : far.find((end) => !IN_BOX.has(end?.device.kind));
      const limitM = kind === 'busbar' ? BAR_M : FACES_M;
      const known = [one.lengthM, casesApartM(vehicle.build, one.conductor)].filter((gapM) => gapM !== null);
      const apartM = known.length > 0 ? Math.max(...known) : null;
      const detail = wired
        ? `it leads to ${wired.device.name}`
        : apartM === null
          ? 'how far its ends are apart is not entered'
          : `${q(apartM, 'length')} between its ends, ${q(limitM, 'length')} at most`;
      return [
        { subject: conductorRef(one), holds: !wired && (apartM === null || apartM <= limitM), figures: { detail } },
      ];
    });
  },
  remedies: 'Make it a wire of a size, or land it on the fuse of its circuit.',
});
