import type { Finding, Rule } from '../../checks';
import { quantityText as q } from '../../checks';
import { consumersOf } from '../../simulate';
import { terminalVoltage } from '../../vehicle';
import { type Context, deviceRef } from '../context';

const solved: Rule<Context> = {
  id: 'circuit.solved',
  station: 'hv-circuit',
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
};

const open: Rule<Context> = {
  id: 'circuit.open',
  station: 'hv-circuit',
  sources: ['Nodal analysis: with the main contactors closed both terminals join the pack'],
  judge: ({ vehicle }) => {
    const cruise = vehicle.caseOf('cruise/nominal/sustained');
    if (!cruise?.point.solvable) return [];
    return consumersOf(vehicle).map((device): Finding => {
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
};

export const CIRCUIT_RULES: readonly Rule<Context>[] = [solved, open];
