import type { Finding } from '../../checks';
import { lowVoltage, partOf, waysPast } from '../../vehicle';
import { deviceRef } from '../context';
import { defineRule } from '../define';

/** What keeps a clock or an alarm alive past a main switch hangs on a fuse of no more than this, A (engineering judgement). */
const MEMORY_A = 15;

/** A fuse is no fuse and a switch no switch where another way leads around it. */
export const bypassed = defineRule({
  id: 'lv.bypassed',
  endangers: 'fire',
  says: {
    fails: '{subject} is bypassed',
    holds: 'Nothing bypasses {subject}',
    line: '{detail}',
  },
  sources: [
    'A fuse protects what it alone feeds: of two in parallel the wire bears both, and pulling one leaves it live (practice)',
    'A contact with a second way around it switches nothing: lamps burn on while parked',
  ],
  judge: ({ vehicle }) => {
    const { lv } = lowVoltage(vehicle);
    return waysPast(lv, vehicle.devices).map(({ at, past }): Finding<'detail'> => {
      const { device } = at;
      const small = past?.some((id) => {
        const fuse = lv.deviceOf.get(id);
        return fuse !== undefined && (partOf(fuse, 'fuse')?.ratedCurrentA ?? Number.POSITIVE_INFINITY) <= MEMORY_A;
      });
      // Past a main switch a small fuse of its own keeps a clock or an alarm alive, on purpose; the battery’s own fuse is none.
      const onPurpose = device.kind === 'lv-switch' && device.opensParked === true && small === true;
      const names = past?.map((id) => (lv.conductorOf.get(id)?.conductor ?? lv.deviceOf.get(id)?.device)?.name ?? id);
      return {
        subject: deviceRef(at),
        holds: past === null || onPurpose,
        figures: { detail: names ? `by ${names.join(', ')}` : 'no other way' },
      };
    });
  },
  remedies: 'Take out the wire that joins both sides, or land it where its own circuit begins.',
});
