import { type Finding, marginAtLeast, quantityText as q } from '../../checks';
import { lowVoltage, type Vehicle } from '../../vehicle';
import { defineRule, type Rule } from '../define';
import { askedRule, asks, BRAKES_REF, has, loadsFor, partOfSystem } from './shared';

const BOOSTER = partOfSystem(BRAKES_REF, 'booster', 'Electric brake booster');
const FLUID = partOfSystem(BRAKES_REF, 'fluid', 'Fluid reservoir of the booster');

const reserve = defineRule({
  id: 'brakes.booster-reserve',
  endangers: 'people',
  says: {
    fails: 'Brake assist dies with the converter',
    holds: 'Brake assist has a battery behind it',
    line: '{detail}',
  },
  sources: ['An electric booster without a battery is gone with the first fault of the converter (practice)'],
  judge: ({ vehicle }): Finding<'detail'>[] => {
    if (!has.booster(vehicle)) return [];
    const { battery } = lowVoltage(vehicle);
    return [
      {
        subject: BOOSTER,
        holds: battery !== null,
        figures: { detail: battery ? `${battery.device.name} stands behind it` : 'no auxiliary battery' },
      },
    ];
  },
  remedies: 'Keep an auxiliary battery, or vacuum with its reservoir: it brakes on for some stops by itself.',
});

/** Whether wire and fuses alone lead from the battery’s plus to a load: nothing on the way that a key or a relay opens. */
function alwaysFed(vehicle: Vehicle, loadId: string): boolean {
  const { lv, battery } = lowVoltage(vehicle);
  if (!battery) return false;
  const joined = new Map<string, string[]>();
  const join = (a: string, b: string) => {
    joined.set(a, [...(joined.get(a) ?? []), b]);
    joined.set(b, [...(joined.get(b) ?? []), a]);
  };
  for (const { nodeA, nodeB } of lv.conductors) join(nodeA, nodeB);
  for (const { id, device } of lv.devices) if (device.kind === 'lv-fuse') join(`${id}.a`, `${id}.b`);
  const seen = new Set([`${battery.device.id}.plus`]);
  for (const node of seen) for (const next of joined.get(node) ?? []) seen.add(next);
  return seen.has(`${loadId}.plus`);
}

const feed = defineRule({
  id: 'brakes.booster-feed',
  endangers: 'people',
  says: {
    fails: '{subject} is dead with the key off',
    holds: '{subject} is always fed',
    line: '{detail}',
  },
  sources: [
    'The wiring itself, from the battery to the load: an electric booster has a permanent feed with a fuse of its own; the key only wakes it (practice)',
  ],
  judge: ({ vehicle }): Finding<'detail'>[] => {
    if (!lowVoltage(vehicle).battery) return [];
    return loadsFor(vehicle, 'brake-booster').map(({ id, name }) => {
      const fed = alwaysFed(vehicle, id);
      return {
        subject: { kind: 'device' as const, id, name },
        holds: fed,
        figures: {
          detail: fed
            ? 'wire and fuses alone lead to it from the battery'
            : 'a relay or switch stands between it and the battery',
        },
      };
    });
  },
  remedies:
    'Its feed straight from the battery through its own fuse, before any relay or switch; the key on its wake wire.',
});

const volume = defineRule({
  id: 'brakes.booster-volume',
  endangers: 'people',
  says: {
    fails: 'The pedal reaches the floor before the brakes are full',
    holds: 'The master cylinder fills the brakes',
    line: '{demand} of a stroke, {limit} asked for',
    open: 'Master cylinder and brakes',
  },
  sources: [
    'Bore · stroke of the master cylinder against the fluid that calipers and drums take, measured; a tenth more in hand',
  ],
  judge: ({ vehicle }): Finding[] => {
    if (!has.booster(vehicle)) return [];
    const { masterM, strokeM, fluidL } = vehicle.build.brakes ?? {};
    if (masterM === undefined || strokeM === undefined || fluidL === undefined)
      return [
        asks(
          BOOSTER,
          ...(masterM === undefined ? ['the bore of its master cylinder'] : []),
          ...(strokeM === undefined ? ['the stroke of its master cylinder'] : []),
          ...(fluidL === undefined ? ['the fluid that calipers and drums take'] : []),
        ),
      ];
    const givesL = (Math.PI / 4) * masterM ** 2 * strokeM * 1000;
    return [
      {
        subject: BOOSTER,
        demand: { value: givesL, dimension: 'volume' },
        limit: { value: fluidL, dimension: 'volume' },
        margin: marginAtLeast(givesL, fluidL),
        lines: () => [
          {
            formula: 'V = π/4 · d² · s',
            figures: `${q(masterM, 'length')}, ${q(strokeM, 'length')}`,
            result: { value: givesL, dimension: 'volume' },
          },
        ],
      },
    ];
  },
  remedies: 'A unit with the bore of the old master cylinder, or more stroke. A licensed person fits and signs it.',
});

const fluid = askedRule('brakes', FLUID, has.booster, {
  id: 'brakes.booster-fluid',
  flag: 'fluidAbove',
  endangers: 'people',
  fails: 'Brake fluid does not run down into the booster',
  holds: 'Brake fluid runs down into the booster',
  asked: 'whether its fluid reservoir stands above the master cylinder, with the old level warning',
  source: 'A moved reservoir feeds by its height alone; below the cylinder, air gets in where fluid should (practice)',
  cure: 'The reservoir above the cylinder on short hose for brake fluid, its level warning joined to the old lamp.',
});

export const BOOSTER_RULES: readonly Rule[] = [reserve, feed, volume, fluid];
