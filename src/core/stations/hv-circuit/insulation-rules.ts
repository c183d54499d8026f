import { hasTrait } from '../../build';
import { marginAtLeast, marginAtMost, quantityText as q } from '../../checks';
import { capacitorEnergyJ } from '../../physics/discharge';
import { ASSUMED_LEAK_OHM, BODY, leakageOhm, potentials } from '../../simulate';
import { deviceRef, fromRules, PACK_REF } from '../context';
import { defineRule, type Rule } from '../define';

const resistance = defineRule({
  id: 'insulation.resistance',
  endangers: 'people',
  says: {
    fails: 'Too much insulation leakage to the body',
    holds: 'Insulation to the body',
    line: '{demand} all together, at least {limit}',
  },
  sources: ['Leakages lie side by side; the working voltage is the full one'],
  sourcesIn: fromRules('insulationOhmPerV'),
  judge: ({ vehicle, rules, fullV }) => {
    if (fullV === null || fullV <= rules.classBDcV.value) return [];
    const devices = vehicle.devices.filter(({ device }) => hasTrait(device.kind, 'leaks'));
    const assumed = devices.filter(({ device }) => device.insulationOhm === undefined);
    const total = leakageOhm(vehicle);
    if (total === null) return [];
    const limit = rules.insulationOhmPerV.value * fullV;
    // Sound devices are assumed only to see whether what is known already fails; they never make it hold.
    if (assumed.length > 0 && total >= limit)
      return [{ subject: PACK_REF, missing: assumed.map((device) => ({ ref: deviceRef(device), what: 'leakage' })) }];
    return [
      {
        subject: PACK_REF,
        demand: { value: total, dimension: 'resistance' },
        limit: { value: limit, dimension: 'resistance' },
        margin: marginAtLeast(total, limit),
        lines: () => [
          {
            formula: '1/R_i = Σ 1/R_leak',
            figures: devices
              .map(({ device }) => `${device.name} ${q(device.insulationOhm ?? ASSUMED_LEAK_OHM, 'resistance')}`)
              .join(', '),
            result: { value: total, dimension: 'resistance' },
          },
          {
            formula: 'R_i ≥ least Ω/V · V_full',
            figures: `${rules.insulationOhmPerV.value} · ${q(fullV, 'voltage')}`,
            result: { value: limit, dimension: 'resistance' },
            note: `That is ${(total / fullV).toPrecision(3)} Ω/V. One fault is silent, the second is a short circuit through the body: measure it.`,
          },
        ],
        assumed:
          assumed.length > 0
            ? [`10 MΩ each for ${assumed.map(({ device }) => device.name).join(', ')}: not measured.`]
            : [],
      },
    ];
  },
  remedies: 'Find the part that leaks most and replace it; dry and clean the connectors, then measure again.',
});

const yCapacitance = defineRule({
  id: 'insulation.y-capacitance',
  endangers: 'people',
  says: {
    fails: 'The filters hold enough charge to hurt',
    holds: 'Charge in the filters to the body',
    line: '{demand} of {limit}',
  },
  sources: ['½ · C_Y · V²'],
  sourcesIn: fromRules('harmlessJ'),
  judge: ({ vehicle, rules, fullV }) => {
    if (fullV === null || fullV <= rules.classBDcV.value) return [];
    const known = vehicle.devices.filter(({ device }) => (device.yCapacitanceF ?? 0) > 0);
    const untold = vehicle.devices.filter(
      ({ device }) => hasTrait(device.kind, 'leaks') && device.kind !== 'box' && device.yCapacitanceF === undefined,
    );
    if (known.length === 0 && untold.length === 0) return [];
    const capacitanceF = known.reduce((sum, { device }) => sum + device.yCapacitanceF!, 0);
    const energy = capacitorEnergyJ(capacitanceF, fullV);
    // What is known may be too much already; what is not told never counts as none.
    if (untold.length > 0 && energy <= rules.harmlessJ.value)
      return [
        {
          subject: PACK_REF,
          missing: untold.map((device) => ({ ref: deviceRef(device), what: 'its Y capacitors' })),
        },
      ];
    return [
      {
        subject: PACK_REF,
        demand: { value: energy, dimension: 'energy' },
        limit: { value: rules.harmlessJ.value, dimension: 'energy' },
        margin: marginAtMost(energy, rules.harmlessJ.value),
        lines: () => [
          {
            formula: 'E = ½ · C_Y · V²',
            figures: `½ · ${q(capacitanceF, 'capacitance')} · (${q(fullV, 'voltage')})²`,
            result: { value: energy, dimension: 'energy' },
            note: `Filters of ${known.map(({ device }) => device.name).join(', ')}: more filters, more danger.`,
          },
        ],
      },
    ];
  },
  remedies: 'Parts with smaller filters, or fewer of them; ask the maker before filters are changed.',
});

const bodyJoined = defineRule({
  id: 'insulation.body-joined',
  endangers: 'people',
  says: {
    fails: 'A pole is joined to the body',
    holds: 'Both poles are free of the body',
    line: '{detail}',
    open: 'Body and poles',
  },
  sources: [
    'Above class A no pole is joined to the body: one more fault and it is a short, or a shock (UN R100, ISO 6469-3)',
  ],
  sourcesIn: fromRules('classBDcV'),
  judge: ({ vehicle, fullV, rules }) => {
    if (fullV === null || fullV <= rules.classBDcV.value) return [];
    const at = potentials(vehicle, { open: new Set(), relaysClosed: true });
    if (!at.withCells.has(at.islandOf(BODY)))
      return [{ subject: PACK_REF, holds: true, figures: { detail: 'no conductor joins a pole to it' } }];
    const onBody = vehicle.conductors.filter(({ conductor }) =>
      [conductor.a, conductor.b].some(({ deviceId }) => vehicle.deviceOf.get(deviceId)?.device.kind === 'chassis'),
    );
    return [
      {
        subject: PACK_REF,
        holds: false,
        figures: { detail: `${onBody.map(({ conductor }) => conductor.name).join(', ')} does: take it off` },
      },
    ];
  },
  remedies: 'Take the joint off: no pole of the traction circuit touches the body or the 12-volt minus.',
});

export const INSULATION_RULES: readonly Rule[] = [bodyJoined, resistance, yCapacitance];
