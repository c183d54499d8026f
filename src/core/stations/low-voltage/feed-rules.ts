import { type Finding, marginAtLeast, quantityText as q, type Ref } from '../../checks';
import { CHEMISTRY_WORDS } from '../../parts';
import * as propose from '../../proposals';
import { lowVoltage, runningIn, solveLow } from '../../vehicle';
import { amps, volts } from '../context';
import { defineRule, type Rule } from '../define';
import { CONVERTER_RULES } from './converter-rules';
import { RESERVE_RULES } from './reserve-rules';
import { BATTERY, batteryRef, coldestC, hasLoads } from './shared';

/** Battery, converter and what they carry together. */

const battery = defineRule({
  id: 'lv.battery',
  endangers: 'parts',
  says: { fails: 'No auxiliary battery', holds: '{subject}', line: '{detail}', open: '{subject}' },
  sources: [
    'Without a buffer the converter’s end drops contactors, brake and steering assist and lamps at once (practice)',
  ],
  judge: ({ vehicle }) => {
    if (!hasLoads(vehicle)) return [];
    const low = lowVoltage(vehicle);
    if (!low.battery)
      return [
        {
          subject: BATTERY,
          holds: false,
          figures: { detail: 'when the converter stops, contactors, assist and lamps stop with it' },
        },
      ];
    return low.battery.data
      ? [
          {
            subject: batteryRef(vehicle),
            holds: true,
            figures: { detail: `${CHEMISTRY_WORDS[low.battery.data.chemistry]}, ${low.battery.data.capacityAh} Ah` },
          },
        ]
      : [{ subject: batteryRef(vehicle), missing: [{ ref: batteryRef(vehicle), what: 'its kind and capacity' }] }];
  },
  remedies: 'Keep an auxiliary battery, or a converter that is made to work without one.',
});

const peak = defineRule({
  id: 'lv.peak',
  endangers: 'parts',
  says: {
    fails: '{subject} drops out in a peak',
    holds: '{subject} in a peak',
    line: '{demand}, needs {limit}; battery gives {battery}',
  },
  variants: {
    collapses: {
      fails: 'The 12-volt side gives way in a peak',
      holds: 'The 12-volt side in a peak',
      line: 'with everything at its hardest no voltage carries what is asked',
    },
  },
  sources: [
    'Every load at its hardest at once, through the whole 12-volt circuit: what the converter can’t give the battery gives',
  ],
  judge: ({ vehicle }) => {
    const low = lowVoltage(vehicle);
    if (!low.battery?.data) return [];
    const scenario = 'night-rain-cold';
    const running = runningIn(low, scenario, true);
    const one = solveLow(vehicle, {
      running,
      converters: true,
      socBattery: 0.8,
      batteryC: coldestC(vehicle),
      awake: true,
    });
    if (!one.solved) {
      const subject = batteryRef(vehicle);
      // Nothing fits together with everything at its hardest: that is an answer where it is the feeds that fall short.
      return one.why === 'asked'
        ? [{ subject, holds: false, variant: 'collapses' }]
        : [{ subject, missing: [{ ref: subject, what: 'a 12-volt circuit that can be solved' }] }];
    }
    return low.loads.flatMap((entry): Finding<'battery', 'collapses'>[] => {
      const { load, id, name } = entry;
      if (!load.essential || running.get(id) === 'off') return [];
      const v = one.loadV(id);
      if (load.minimumV === undefined) {
        const subject: Ref = { kind: 'device', id, name };
        return [{ subject, missing: [{ ref: subject, what: 'the voltage that it works down to' }] }];
      }
      return [
        {
          subject: { kind: 'device', id, name },
          demand: volts(v),
          limit: volts(load.minimumV),
          margin: marginAtLeast(v, load.minimumV),
          figures: { battery: amps(Math.max(0, one.batteryA)) },
          assumed: [`Battery at 80 % and ${q(coldestC(vehicle), 'temperature')}.`],
          lines: () => [
            {
              formula: 'V at its terminals, everything at its hardest at once',
              figures: `battery gives ${q(Math.max(0, one.batteryA), 'current')} at ${q(one.batteryV, 'voltage')}, converter ${q(
                [...one.converterA.values()].reduce((sum, a) => sum + a, 0),
                'current',
              )}${one.limited.length > 0 ? ', at its limit' : ''}`,
              result: volts(v),
            },
          ],
        },
      ];
    });
  },
  remedies: [propose.loadWires, propose.otherBattery, propose.largerConverter],
  otherwise: 'Thicker wires, a larger battery, or a larger converter.',
});

export const FEED_RULES: readonly Rule[] = [battery, ...CONVERTER_RULES, peak, ...RESERVE_RULES];
