import { hasTrait } from '../../build';
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
  sources: ['Nodal analysis: with the contactors closed that drive, or that charge, both terminals join the pack'],
  judge: ({ vehicle }) => {
    const [cruise, charging] = (['cruise', 'charging'] as const).map((id) => vehicle.caseOf(`${id}/nominal/sustained`));
    return consumersOf(vehicle).flatMap((device): Finding<'detail'>[] => {
      // A charger is joined while it charges; what feeds 12 V besides, while driving too.
      const charges = hasTrait(device.device.kind, 'charges');
      const wanted = [
        ...(charges && !hasTrait(device.device.kind, 'feeds-12-v') ? [] : [cruise]),
        ...(charges ? [charging] : []),
      ].flatMap((solved) => (solved?.point.solvable ? [solved] : []));
      // Without an operating point the pack is asked first.
      if (wanted.length < (charges && hasTrait(device.device.kind, 'feeds-12-v') ? 2 : 1)) return [];
      const read = wanted.map((solved) => ({
        solved,
        v: terminalVoltage(
          solved,
          { deviceId: device.id, terminal: 'plus' },
          { deviceId: device.id, terminal: 'minus' },
        ),
      }));
      const reversed = read.some(({ v }) => v !== null && v < -1);
      const unfed = read.find(({ v }) => v === null || Math.abs(v) <= 1);
      const [first] = read;
      return [
        {
          subject: deviceRef(device),
          holds: !unfed && !reversed,
          figures: {
            detail: reversed
              ? 'plus and minus are swapped'
              : unfed
                ? `no closed way to both poles of the pack${unfed.solved === charging ? ' while it charges' : ''}`
                : `${q(first!.v!, 'voltage', 3)} in ${first!.solved === charging ? 'charging' : 'cruise'}`,
          },
        },
      ];
    });
  },
  remedies: 'Wire it to both poles, behind the contactors that close for it.',
});

export const CIRCUIT_RULES: readonly Rule[] = [solved, open];
