import type { Finding } from '../../checks';
import { quantityText as q } from '../../checks';
import { consumersOf } from '../../simulate';
import { terminalVoltage } from '../../vehicle';
import { deviceRef } from '../context';
import { defineRule, type Rule } from '../define';

const solved = defineRule({
  id: 'circuit.solved',
  endangers: 'people',
  says: { fails: 'The circuit can’t be solved', holds: 'The circuit is whole', line: '{detail}', open: 'Circuit' },
  sources: ['Nodal analysis: every island has one solution'],
  judge: ({ vehicle }) => {
    const circuit = { kind: 'build', id: 'circuit', name: 'Traction circuit' } as const;
    if (vehicle.devices.length === 0 || vehicle.cases.length > 0)
      return vehicle.cases.length > 0
        ? [{ subject: circuit, holds: true, figures: { detail: `${vehicle.cases.length} cases solved` } }]
        : [];
    return [
      {
        subject: circuit,
        ...(vehicle.unsolved?.startsWith('There are no cells')
          ? { missing: [{ ref: circuit, what: 'cells' }] }
          : { holds: false }),
        figures: { detail: vehicle.unsolved ?? '' },
      },
    ];
  },
  remedies: 'Mend what the sentence names: close the gap in the circuit, or tell the missing part.',
});

const open = defineRule({
  id: 'circuit.open',
  endangers: 'people',
  says: { fails: '{subject} gets no voltage', holds: '{subject} is fed', line: '{detail}' },
  sources: ['Nodal analysis: with the main contactors closed both terminals join the pack'],
  judge: ({ vehicle }) => {
    const cruise = vehicle.caseOf('cruise/nominal/sustained');
    if (!cruise?.point.solvable) return [];
    return consumersOf(vehicle).map((device): Finding<'detail'> => {
      const v = terminalVoltage(
        cruise,
        { deviceId: device.id, terminal: 'plus' },
        { deviceId: device.id, terminal: 'minus' },
      );
      const fed = v !== null && Math.abs(v) > 1;
      const reversed = fed && v < 0;
      return {
        subject: deviceRef(device),
        holds: fed && !reversed,
        figures: {
          detail: reversed
            ? 'plus and minus are swapped'
            : fed
              ? `${q(v, 'voltage', 3)} in cruise`
              : 'no closed way to both poles of the pack',
        },
      };
    });
  },
  remedies: 'Wire it to both poles, behind the contactors that close for it.',
});

export const CIRCUIT_RULES: readonly Rule[] = [solved, open];
