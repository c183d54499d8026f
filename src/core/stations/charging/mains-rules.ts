import { type Finding, marginAtMost, quantityText as q, type Ref } from '../../checks';
import { mainsDrop } from '../../physics/mains-cable';
import { acCableA, chargeChain, chargersOf, drawnFrom } from '../../simulate';
import type { ResolvedDevice, Vehicle } from '../../vehicle';
import { amps } from '../context';
import { defineRule, type Rule } from '../define';
import { CHARGE_REF, NO_REACTIVE } from './shared';

const AC_REF: Ref = { kind: 'build', id: 'charge-ac', name: 'AC cable in the car' };
const BREAKER_REF: Ref = { kind: 'build', id: 'charge-breaker', name: 'Breaker in the car' };
const EARTH_REF: Ref = { kind: 'build', id: 'charge-earth', name: 'Earth of the inlet' };
const RUN_REF: Ref = { kind: 'build', id: 'charge-run', name: 'Wire to the outlet' };

/** The first charger that is carried along: only then mains comes into the car. */
const onBoard = (vehicle: Vehicle): ResolvedDevice | undefined =>
  chargersOf(vehicle).find(({ device }) => device.plug?.outside !== true);

/** Current of each phase for hours, A; the words of what is missing. */
function drawnA(vehicle: Vehicle): number | readonly string[] {
  const { supply } = vehicle.build;
  const drawn = drawnFrom(chargeChain(vehicle));
  const missing = [
    ...(drawn ? [] : ['the charger’s power']),
    ...(supply?.voltageV === undefined ? ['the voltage at the socket'] : []),
  ];
  return drawn && supply?.voltageV !== undefined ? drawn.acW / (supply.voltageV * (supply.phases ?? 1)) : missing;
}
const isCurrent = (drawn: number | readonly string[]): drawn is number => typeof drawn === 'number';
const asks = (subject: Ref, ...what: readonly string[]): Finding => ({
  subject,
  missing: what.map((one) => ({ ref: subject, what: one })),
});

const cable = defineRule({
  id: 'charging.ac-cable',
  endangers: 'fire',
  says: {
    fails: 'AC cable in the car is too thin for its breaker',
    holds: 'AC cable in the car',
    line: '{demand} of {limit}',
    open: 'AC cable in the car',
  },
  sources: [
    'Breaker ≤ what the cable carries for hours where it is warmest, two or three loaded cores (IEC 60364-4-43, table B.52.10, from memory: verify)',
  ],
  judge: ({ vehicle }) => {
    const charger = onBoard(vehicle);
    if (!charger) return [];
    const { acMm2, acClassC, acBreakerA } = vehicle.build.charging ?? {};
    const drawn = drawnA(vehicle);
    const missing = [
      ...(acMm2 === undefined ? ['its cross-section'] : []),
      ...(acClassC === undefined ? ['the temperature that its insulation bears'] : []),
      ...(acBreakerA === undefined ? ['the breaker or fuse in the car that protects it'] : []),
      ...(isCurrent(drawn) ? [] : drawn),
    ];
    if (
      missing.length > 0 ||
      acMm2 === undefined ||
      acClassC === undefined ||
      acBreakerA === undefined ||
      !isCurrent(drawn)
    )
      return [asks(AC_REF, ...missing)];
    const cores = vehicle.build.supply?.phases === 3 ? 3 : 2;
    const limit = acCableA(vehicle) ?? 0;
    // It has to bear whatever its breaker lets through for hours.
    const demand = Math.max(drawn, acBreakerA);
    return [
      {
        subject: AC_REF,
        demand: amps(demand),
        limit: amps(limit),
        margin: limit > 0 ? marginAtMost(demand, limit) : -1,
        assumed: [NO_REACTIVE],
        lines: () => [
          {
            formula: 'I_z = I_table · √((θ − θ_air) / 40 K)',
            figures: `${q(acMm2, 'area')}, ${cores} loaded, ${q(acClassC, 'temperature')} in air of ${q(charger.ambientC, 'temperature')}`,
            result: amps(limit),
          },
          {
            formula: 'I_n ≤ I_z',
            figures: `${q(acBreakerA, 'current')} breaker, ${q(drawn, 'current')} drawn`,
            result: amps(demand),
          },
        ],
      },
    ];
  },
  remedies: 'A thicker cable or one that bears more heat, or a smaller breaker that still carries the charge.',
});

const breaker = defineRule({
  id: 'charging.ac-breaker',
  endangers: 'comfort',
  says: {
    fails: 'Breaker in the car opens during the charge',
    holds: 'Breaker in the car carries the charge',
    line: '{demand} of {limit}',
  },
  comfort: 0.05,
  sources: ['Breaker carries its rating for hours; North America four fifths of it (NEC 210.20, 625.41: verify)'],
  judge: ({ vehicle }) => {
    if (!onBoard(vehicle)) return [];
    const { acBreakerA } = vehicle.build.charging ?? {};
    const drawn = drawnA(vehicle);
    // What is missing is asked with the cable.
    if (acBreakerA === undefined || !isCurrent(drawn)) return [];
    const limit = acBreakerA * (vehicle.build.ruleSet === 'north-america' ? 0.8 : 1);
    return [
      {
        subject: BREAKER_REF,
        demand: amps(drawn),
        limit: amps(limit),
        margin: marginAtMost(drawn, limit),
        assumed: [NO_REACTIVE],
      },
    ];
  },
  remedies: 'A larger breaker that the cable still bears, or hold the charger down.',
});

const earthSize = defineRule({
  id: 'charging.ac-earth-size',
  endangers: 'people',
  says: {
    fails: 'Protective earth is thinner than the line conductors',
    holds: 'Protective earth is as thick as the line conductors',
    line: '{demand}, at least {limit}',
    open: 'Protective earth of the AC cable',
  },
  sources: [
    'Protective conductor at least as large as the line conductors up to 16 mm² (IEC 60364-5-54, table 54.2; ISO 17409)',
  ],
  judge: ({ vehicle }) => {
    if (!onBoard(vehicle)) return [];
    const { acMm2, acEarthMm2 } = vehicle.build.charging ?? {};
    if (acEarthMm2 === undefined || acMm2 === undefined)
      return [
        asks(
          EARTH_REF,
          ...(acMm2 === undefined ? ['cross-section of the line conductors'] : []),
          ...(acEarthMm2 === undefined ? ['its cross-section'] : []),
        ),
      ];
    return [
      {
        subject: EARTH_REF,
        demand: { value: acEarthMm2, dimension: 'area' },
        limit: { value: acMm2, dimension: 'area' },
        holds: acEarthMm2 >= acMm2,
      },
    ];
  },
  remedies: 'A cable whose green-yellow (green) core is as thick as the others, from inlet to body without a joint.',
});

/** ISO 6469-3 and UN R100, from memory: verify. */
const EARTH_MOST_OHM = 0.1;

const earth = defineRule({
  id: 'charging.earth',
  endangers: 'people',
  says: {
    fails: 'Earth of the inlet does not reach the body',
    holds: 'Earth of the inlet reaches the body',
    line: '{demand}, at most {limit}',
    open: 'Earth of the inlet, measured',
  },
  sources: [
    'Inlet’s earth pin to the body under 0.1 Ω, measured with 0.2 A or more (UN R100, 5.1.2; ISO 6469-3: verify)',
  ],
  judge: ({ vehicle }) => {
    if (!onBoard(vehicle)) return [];
    const { earthOhm } = vehicle.build.charging ?? {};
    if (earthOhm === undefined)
      return [asks(EARTH_REF, 'its resistance from the inlet’s pin to the body, with 0.2 A or more')];
    return [
      {
        subject: EARTH_REF,
        demand: { value: earthOhm, dimension: 'resistance' },
        limit: { value: EARTH_MOST_OHM, dimension: 'resistance' },
        margin: marginAtMost(earthOhm, EARTH_MOST_OHM),
      },
    ];
  },
  remedies:
    'Bare metal under the lug, a toothed washer, grease over it; then measure again, cable and body, wiggling the plug.',
});

const SEES_DIRECT: ReadonlySet<string> = new Set(['a-6ma', 'b']);
const RESIDUAL_WORDS = {
  none: 'none at all',
  ac: 'type AC: direct current blinds it',
  a: 'type A: 6 mA of direct current blind it',
  'a-6ma': 'type A and a sensor for 6 mA of direct current',
  b: 'type B',
  ccid: 'charge-circuit interrupter, 20 mA',
} as const;

const residual = defineRule({
  id: 'charging.residual',
  endangers: 'people',
  says: {
    fails: 'Nothing sees the residual current that a charger makes',
    holds: 'Residual current is seen',
    line: '{detail}',
    open: 'Residual-current device of the supply',
  },
  sources: [
    'A charger’s fault current can be direct: type B, or type A with a 6 mA sensor (IEC 60364-7-722, IEC 62955); North America an interrupter of 20 mA in wall unit or cord (UL 2231): verify',
  ],
  judge: ({ vehicle }): Finding<'detail'>[] => {
    if (chargersOf(vehicle).length === 0) return [];
    const { build } = vehicle;
    const is = build.charging?.residual;
    if (is === undefined)
      return [{ subject: CHARGE_REF, missing: [{ ref: CHARGE_REF, what: 'the type of residual-current device' }] }];
    const america = build.ruleSet === 'north-america';
    return [
      {
        subject: CHARGE_REF,
        holds: america ? is === 'ccid' : SEES_DIRECT.has(is),
        figures: {
          detail: `${RESIDUAL_WORDS[is]}${america && SEES_DIRECT.has(is) ? ', where the rules ask for an interrupter in wall unit or cord' : ''}${!america && is === 'ccid' ? ', where the rules ask for type B, or A with 6 mA' : ''}`,
        },
      },
    ];
  },
  remedies:
    'A wall unit or cord with direct-current detection, or a residual-current device of type B; a licensed electrician fits it.',
});

const held = defineRule({
  id: 'charging.ac-held',
  endangers: 'people',
  says: {
    fails: 'AC cable can chafe or be pulled',
    holds: 'AC cable is held and protected',
    line: '{detail}',
    open: 'How the AC cable is held',
  },
  sources: ['Strain relief at both ends, grommets through metal, a drip loop, orange outside (ISO 17409, practice)'],
  judge: ({ vehicle }): Finding<'detail'>[] => {
    if (!onBoard(vehicle)) return [];
    const is = vehicle.build.charging?.acHeld;
    if (is === undefined)
      return [
        {
          subject: AC_REF,
          missing: [{ ref: AC_REF, what: 'a look at it: strain relief, grommets, drip loop, orange outside' }],
        },
      ];
    return [{ subject: AC_REF, holds: is, figures: { detail: is ? 'looked at' : 'told that it is not' } }];
  },
  remedies: 'Clamp it at inlet and charger, a grommet wherever it goes through metal, a loop that lets water drip off.',
});

/** IEC 60364-5-52, annex G: from the board to what it feeds. */
const DROP_MOST = 0.05;

const drop = defineRule({
  id: 'charging.drop',
  endangers: 'comfort',
  says: {
    fails: 'The long wire to the outlet loses too much',
    holds: 'Wire to the outlet',
    line: '{demand} lost, at most {limit}',
    open: 'Wire to the outlet',
  },
  sources: [
    'Voltage lost on the way, copper at 70 °C, at most 5 % (IEC 60364-5-52, annex G; NEC 210.19 informational)',
  ],
  judge: ({ vehicle }) => {
    if (chargersOf(vehicle).length === 0) return [];
    const { voltageV, phases = 1, runM, runMm2 } = vehicle.build.supply ?? {};
    const drawn = drawnA(vehicle);
    const missing = [
      ...(runM === undefined ? ['its length from the board'] : []),
      ...(runMm2 === undefined ? ['its cross-section'] : []),
      ...(isCurrent(drawn) ? [] : drawn),
    ];
    if (runM === undefined || runMm2 === undefined || voltageV === undefined || !isCurrent(drawn))
      return [asks(RUN_REF, ...missing)];
    const lost = mainsDrop({ lengthM: runM, areaMm2: runMm2, currentA: drawn, voltageV, phases });
    return [
      {
        subject: RUN_REF,
        demand: { value: lost, dimension: 'ratio' },
        limit: { value: DROP_MOST, dimension: 'ratio' },
        margin: marginAtMost(lost, DROP_MOST),
        assumed: [NO_REACTIVE],
        lines: () => [
          {
            formula: phases === 1 ? 'ΔU/U = 2 · ρ · l · I / (A · U)' : 'ΔU/U = ρ · l · I / (A · U)',
            figures: `${q(runM, 'length')} of ${q(runMm2, 'area')} at ${q(drawn, 'current')}`,
            result: { value: lost, dimension: 'ratio' },
          },
        ],
      },
    ];
  },
  remedies: 'A thicker wire to the outlet, an outlet nearer to the board, or a lower current for longer.',
});

export const MAINS_RULES: readonly Rule[] = [cable, breaker, earthSize, earth, residual, held, drop];
