import { deviceDefinition, hasTrait, type StateId } from '../../build';
import { type Finding, marginAtMost, quantityText as q } from '../../checks';
import { devicePowerW, partOf, type ResolvedDevice, STATES } from '../../vehicle';
import { deviceRef, watts } from '../context';
import { defineRule } from '../define';
import { coolingAt, noteOf } from '../thin-air';

/** In which state a device on the bus does what it is there for. */
function workingState({ device }: ResolvedDevice): StateId {
  if (hasTrait(device.kind, 'charges')) return 'charging';
  return device.kind === 'heater' ? 'heating' : 'cruise';
}

const WHAT: Partial<Readonly<Record<StateId, string>>> = {
  charging: 'what it gives while charging',
  heating: 'what it draws while heating',
  cruise: 'what it draws in cruise',
};

/** A heater that is entered with so much less than it is rated for is held there by something; what others give their load decides (engineering judgement). */
const UNDER_ITS_RATING = 1.5;

/** What each device on the bus draws: told for the state it is there for, and nowhere above its rating. */
export const devicePower = defineRule({
  id: 'device.power',
  endangers: 'fire',
  says: {
    fails: '{subject} is asked for more than it can',
    holds: '{subject}, its power',
    line: '{demand} in {state}, rated {limit}',
    open: '{subject}, its power',
  },
  variants: {
    negative: {
      fails: '{subject} is said to draw less than nothing',
      holds: '{subject}, its power',
      line: '{state}: {power}',
    },
  },
  // A device that gives all that it is rated for is no thin one.
  comfort: 0,
  sources: [
    'Rated power: the device’s part',
    'Powers of the states, as told; uphill and in hard acceleration as in cruise',
  ],
  judge: ({ vehicle }) =>
    vehicle.devices.flatMap((device): Finding<'state' | 'power', 'negative'>[] => {
      if (deviceDefinition(device.device.kind).part !== 'bus-device') return [];
      const part = partOf(device, 'bus-device');
      if (!part) return [];
      const subject = deviceRef(device);
      const { powersW } = device.device;
      const below = STATES.find(({ id }) => (powersW?.[id] ?? 0) < 0);
      if (below)
        return [
          {
            subject,
            holds: false,
            variant: 'negative',
            figures: { state: below.name, power: watts(powersW![below.id]!) },
          },
        ];
      const needed = new Set<StateId>([
        workingState(device),
        ...(hasTrait(device.device.kind, 'feeds-12-v') ? ['cruise' as const] : []),
      ]);
      const missing = [...needed].filter((state) => !((powersW?.[state] ?? 0) > 0));
      if (missing.length > 0)
        return [{ subject, missing: missing.map((state) => ({ ref: subject, what: WHAT[state] ?? state })) }];
      // A state in which its rating is not stated can't be held against it.
      const air = coolingAt(vehicle, part.cooling);
      const held = STATES.flatMap((state) => {
        const powerW = devicePowerW(vehicle, device, state.id);
        const ratedW = powerW < 0 ? part.chargePowerW : part.ratedPowerW;
        if (powerW === 0 || ratedW === undefined) return [];
        // A heater's wire is there to be hot.
        const limitW = device.device.kind === 'heater' ? ratedW : ratedW * air.share;
        return [{ state, powerW: Math.abs(powerW), limitW, margin: marginAtMost(Math.abs(powerW), limitW) }];
      });
      const worst = held.reduce<(typeof held)[number] | null>(
        (p, r) => (p === null || r.margin < p.margin ? r : p),
        null,
      );
      if (!worst) return [{ subject, missing: [{ ref: subject, what: 'the power that it is rated for' }] }];
      const asInCruise =
        (powersW?.cruise ?? 0) > 0 &&
        (['hill', 'hard-acceleration'] as const).some((state) => powersW?.[state] === undefined);
      return [
        {
          subject,
          demand: watts(worst.powerW),
          limit: watts(worst.limitW),
          margin: worst.margin,
          figures: { state: worst.state.name },
          lines: () => [
            {
              formula: 'P ≤ P_rated',
              figures: `${q(worst.powerW, 'power')} ≤ ${q(worst.limitW, 'power')}`,
              result: { value: worst.margin, dimension: 'ratio' as const },
              ...(device.device.kind === 'heater' ? {} : noteOf(air)),
            },
          ],
          assumed: [
            ...(device.device.kind === 'heater' ? [] : air.assumed),
            ...(hasTrait(device.device.kind, 'charges') && part.chargePowerW === undefined
              ? [`What ${device.device.name} gives at most is not stated: its charging is held against nothing.`]
              : []),
            ...(device.device.kind === 'heater' && worst.powerW * UNDER_ITS_RATING < worst.limitW
              ? [
                  `${device.device.name} is rated for ${q(worst.limitW, 'power')} and entered with ${q(worst.powerW, 'power')} at most: its setting holds it there.`,
                ]
              : []),
            ...(asInCruise
              ? [`${device.device.name} draws uphill and in hard acceleration what it draws in cruise.`]
              : []),
          ],
        },
      ];
    }),
  remedies: 'Correct the power that is typed, or fit a device that is rated for it.',
});
