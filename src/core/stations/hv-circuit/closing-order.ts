import type { Finding } from '../../checks';
import { closedIn, coilCircuit, prechargeBranches, stateOf, stillIn } from '../../vehicle';
import { deviceRef } from '../context';
import { defineRule } from '../define';

/** What a precharge resistor bridges has to stay open while the link charges: its coil has a driver of its own. */
export const closingOrder = defineRule({
  id: 'precharge.order',
  endangers: 'parts',
  says: {
    fails: '{subject} closes before the link is charged',
    holds: '{subject} waits for the link',
    line: '{detail}',
    open: '{subject} and the order of closing',
  },
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
        (device): Finding<'detail'> => ({
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
  remedies: 'Wire its coil so that it closes after the link is charged.',
});
