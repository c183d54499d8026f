import { harnessOf } from '../../vehicle';
import { defineStation } from '../define';
import { BUS_RULES } from './bus-rules';
import { ENDS_RULES } from './ends-rules';
import { PLUG_RULES } from './plug-rules';
import { harnessResults } from './results';
import { hasHarness } from './shared';
import { WIRE_RULES } from './wire-rules';

/** Which wire goes where, and which are still open? */
export const harness = defineStation({
  id: 'harness',
  name: 'Harness',
  question: 'Which wire goes where, and which are still open?',
  key: 'h',
  begin: 'lay out the circuit and the 12-volt side: their wires come by themselves',
  rules: [...ENDS_RULES, ...WIRE_RULES, ...PLUG_RULES, ...BUS_RULES],
  leaves: (context) => [
    ...(hasHarness(context)
      ? []
      : ['Signal wires: none is entered, so nothing tells whether sensors, pedals, cells and CAN bus are wired.']),
    ...(harnessOf(context.vehicle).begun ? [] : ['The wiring of the car itself: no end of a wire is ticked.']),
    'Water that gets into plugs: they are opened and looked at.',
  ],
  results: harnessResults,
});

export type { HarnessResults } from './results';
