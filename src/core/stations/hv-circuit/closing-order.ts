import type { Finding, Rule } from '../../checks';
import { closedIn, coilCircuit, prechargeBranches, stateOf, stillIn } from '../../vehicle';
import { type Context, deviceRef } from '../context';

/** What a precharge resistor bridges has to stay open while the link charges: its coil has a driver of its own. */
export const closingOrder: Rule<Context> = {
  id: 'precharge.order',
  station: 'hv-circuit',
  sources: [
    'With the key on and only what precharge commands fed, the coil circuit is solved: what pulls in then closes onto the empty link',
  ],
  judge: ({ vehicle }) => {
    const circuit = coilCircuit(vehicle);
    if (!circuit || circuit.wired.length === 0) return [];
    const commanded = closedIn(vehicle, stateOf('precharge'));
    const pulledIn = new Set(stillIn(circuit, { commanded }));
    const bridged = new Set(prechargeBranches(vehicle).flatMap(({ bridgedIds }) => bridgedIds));
    return circuit.wired
      .filter(({ id }) => bridged.has(id) && !commanded.has(id))
      .map(
        (device): Finding => ({
          subject: deviceRef(device),
          holds: !pulledIn.has(device.id),
          figures: {
            detail: pulledIn.has(device.id)
              ? 'its coil is fed with the others: give it a driver of its own'
              : 'its own driver holds it back',
          },
        }),
      );
  },
};
