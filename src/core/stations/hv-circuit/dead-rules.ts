import { type Finding, marginAtLeast, marginAtMost, quantityText as q, type Ref, type Rule } from '../../checks';
import { capacitorEnergyJ, parallelOhm, timeToVoltage } from '../../physics/discharge';
import { BODY, everyContactor, potentials } from '../../simulate';
import { partOf, type ResolvedDevice, terminalNode, type Vehicle } from '../../vehicle';
import { type Context, deviceRef, fromRules, PACK_REF, volts } from '../context';

/** Capacitors that stay side by side with every contactor open, and what bleeds them. */
export interface LinkDischarge {
  readonly capacitanceF: number;
  readonly resistanceOhm: number | null;
  readonly devices: readonly ResolvedDevice[];
  /** Devices whose capacitor has no bleed resistor that is known. */
  readonly unknown: readonly ResolvedDevice[];
  /** From full charge to the edge of class A, s; null: never. */
  readonly timeS: number | null;
  readonly energyJ: number;
  /** What the bleeds take while the bus is live, W. */
  readonly lossW: number;
}

/** Every piece of bus that holds charge after all contactors have opened, the slowest first: a capacitor behind its own contactor is one. */
export function linkDischarges(vehicle: Vehicle, fullV: number, safeV: number): readonly LinkDischarge[] {
  const at = potentials(vehicle, { open: everyContactor(vehicle), throughBleeds: false });
  const between = (device: ResolvedDevice, a: string, b: string) =>
    [at.islandOf(terminalNode(device, a)), at.islandOf(terminalNode(device, b))].sort().join(' ');
  const found = new Map<
    string,
    { capacitanceF: number; ohms: number[]; devices: ResolvedDevice[]; unknown: ResolvedDevice[] }
  >();
  for (const device of vehicle.devices) {
    const part = partOf(device, 'inverter') ?? partOf(device, 'bus-device');
    if (!part || part.linkCapacitanceF <= 0) continue;
    const key = between(device, 'plus', 'minus');
    const piece = found.get(key) ?? { capacitanceF: 0, ohms: [], devices: [], unknown: [] };
    found.set(key, piece);
    piece.capacitanceF += part.linkCapacitanceF;
    piece.devices.push(device);
    if (part.bleedResistanceOhm !== undefined) piece.ohms.push(part.bleedResistanceOhm);
    else piece.unknown.push(device);
  }
  for (const device of vehicle.devices) {
    const resistor = device.device.kind === 'discharge-resistor' ? partOf(device, 'resistor') : null;
    if (resistor) found.get(between(device, 'a', 'b'))?.ohms.push(resistor.resistanceOhm);
  }
  return [...found.values()]
    .map(({ capacitanceF, ohms, devices, unknown }): LinkDischarge => {
      const resistanceOhm = parallelOhm(...ohms);
      return {
        capacitanceF,
        resistanceOhm,
        devices,
        unknown,
        timeS: timeToVoltage({ startVoltageV: fullV, capacitanceF, resistanceOhm }, safeV),
        energyJ: capacitorEnergyJ(capacitanceF, fullV),
        lossW: resistanceOhm === null ? 0 : fullV ** 2 / resistanceOhm,
      };
    })
    .sort((p, r) => (r.timeS ?? Number.POSITIVE_INFINITY) - (p.timeS ?? Number.POSITIVE_INFINITY));
}

/** The slowest of them. Null without a link. */
export const linkDischarge = (vehicle: Vehicle, fullV: number, safeV: number): LinkDischarge | null =>
  linkDischarges(vehicle, fullV, safeV)[0] ?? null;

const passive: Rule<Context> = {
  id: 'discharge.passive',
  station: 'hv-circuit',
  sources: ['t = R · C · ln(V/V_safe)'],
  sourcesIn: fromRules('classBDcV', 'passiveDischargeS'),
  judge: ({ vehicle, rules, fullV }) => {
    if (fullV === null || fullV <= rules.classBDcV.value) return [];
    const links = linkDischarges(vehicle, fullV, rules.classBDcV.value);
    const main = links.find(({ devices }) => devices.some(({ device }) => device.kind === 'inverter')) ?? links[0];
    return links.flatMap((link): Finding[] => {
      if (link.energyJ < rules.harmlessJ.value) return [];
      const subject: Ref = link === main ? { kind: 'build', id: 'link', name: 'DC link' } : deviceRef(link.devices[0]!);
      if (link.timeS === null)
        return link.unknown.length > 0
          ? [
              {
                subject,
                missing: link.unknown.map((device) => ({ ref: deviceRef(device), what: 'its bleed resistor' })),
              },
            ]
          : [{ subject, holds: false, variant: 'never' }];
      const { timeS, resistanceOhm, capacitanceF } = link;
      return [
        {
          subject,
          demand: { value: timeS, dimension: 'time' },
          limit: { value: rules.passiveDischargeS.value, dimension: 'time' },
          figures: { safe: volts(rules.classBDcV.value) },
          margin: marginAtMost(timeS, rules.passiveDischargeS.value),
          lines: () => [
            {
              formula: 't = R · C · ln(V_full / V_safe)',
              figures: `${q(resistanceOhm!, 'resistance')} · ${q(capacitanceF, 'capacitance')} · ln(${q(fullV, 'voltage')} / ${q(rules.classBDcV.value, 'voltage')})`,
              result: { value: timeS, dimension: 'time' },
              note: 'All links and bleeds that stay joined. Wait longer than this, then prove dead.',
            },
            {
              formula: 'loss = V² / R while the bus is live',
              figures: `(${q(fullV, 'voltage')})² / ${q(resistanceOhm!, 'resistance')}`,
              result: { value: link.lossW, dimension: 'power' },
            },
          ],
          assumed: [
            'Tolerances of C and R stretch it by up to a third; a device that is unplugged keeps its own charge.',
            ...(link.unknown.length > 0
              ? [`No bleed of its own is known in ${link.unknown.map(({ device }) => device.name).join(', ')}.`]
              : []),
          ],
        },
      ];
    });
  },
};

const active: Rule<Context> = {
  id: 'discharge.active',
  station: 'hv-circuit',
  sources: ['t = R · C · ln(V/V_safe), R the active one and the bleeds side by side'],
  sourcesIn: fromRules('classBDcV', 'activeDischargeS'),
  judge: ({ vehicle, rules, fullV }) => {
    if (fullV === null || fullV <= rules.classBDcV.value) return [];
    const links = linkDischarges(vehicle, fullV, rules.classBDcV.value);
    return vehicle.devices.flatMap((device): Finding[] => {
      const activeOhm = partOf(device, 'inverter')?.activeDischargeOhm;
      const link = links.find(({ devices }) => devices.includes(device));
      if (activeOhm === undefined || !link) return [];
      const resistanceOhm = parallelOhm(activeOhm, ...(link.resistanceOhm === null ? [] : [link.resistanceOhm]))!;
      const timeS = timeToVoltage(
        { startVoltageV: fullV, capacitanceF: link.capacitanceF, resistanceOhm },
        rules.classBDcV.value,
      );
      if (timeS === null) return [];
      return [
        {
          subject: deviceRef(device),
          demand: { value: timeS, dimension: 'time' },
          limit: { value: rules.activeDischargeS.value, dimension: 'time' },
          figures: { safe: volts(rules.classBDcV.value) },
          margin: marginAtMost(timeS, rules.activeDischargeS.value),
          lines: () => [
            {
              formula: 't = R · C · ln(V_full / V_safe)',
              figures: `${q(resistanceOhm, 'resistance')} · ${q(link.capacitanceF, 'capacitance')} · ln(${q(fullV, 'voltage')} / ${q(rules.classBDcV.value, 'voltage')})`,
              result: { value: timeS, dimension: 'time' },
            },
            {
              formula: 'P = V² / R when it starts, and for as long as a contactor stays closed by a fault',
              figures: `(${q(fullV, 'voltage')})² / ${q(activeOhm, 'resistance')}`,
              result: { value: fullV ** 2 / activeOhm, dimension: 'power' },
              note: 'It must survive that, or give up in time: its maker says.',
            },
          ],
          assumed: ['A permanent-magnet motor that turns keeps the link alive: stand still first.'],
        },
      ];
    });
  },
};

/** Leakage taken for a device whose own is not known, Ω (generic: a sound device has tens of megohms). */
const ASSUMED_LEAK_OHM = 10e6;

export const LEAKS_TO_BODY: ReadonlySet<string> = new Set([
  'box',
  'inverter',
  'motor',
  'charger',
  'converter',
  'charger-converter',
  'heater',
  'compressor',
]);

/** Everything that leaks to the body, side by side, Ω; null without high-voltage devices. */
export function leakageOhm(vehicle: Vehicle): number | null {
  const devices = vehicle.devices.filter(({ device }) => LEAKS_TO_BODY.has(device.kind));
  return parallelOhm(...devices.map(({ device }) => device.insulationOhm ?? ASSUMED_LEAK_OHM));
}

const resistance: Rule<Context> = {
  id: 'insulation.resistance',
  station: 'hv-circuit',
  sources: ['Leakages lie side by side; the working voltage is the full one'],
  sourcesIn: fromRules('insulationOhmPerV'),
  judge: ({ vehicle, rules, fullV }) => {
    if (fullV === null || fullV <= rules.classBDcV.value) return [];
    const devices = vehicle.devices.filter(({ device }) => LEAKS_TO_BODY.has(device.kind));
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
};

const yCapacitance: Rule<Context> = {
  id: 'insulation.y-capacitance',
  station: 'hv-circuit',
  sources: ['½ · C_Y · V²'],
  sourcesIn: fromRules('harmlessJ'),
  judge: ({ vehicle, rules, fullV }) => {
    if (fullV === null || fullV <= rules.classBDcV.value) return [];
    const known = vehicle.devices.filter(({ device }) => (device.yCapacitanceF ?? 0) > 0);
    const untold = vehicle.devices.filter(
      ({ device }) => LEAKS_TO_BODY.has(device.kind) && device.kind !== 'box' && device.yCapacitanceF === undefined,
    );
    if (known.length === 0 && untold.length === 0) return [];
    const capacitanceF = known.reduce((sum, { device }) => sum + device.yCapacitanceF!, 0);
    const energy = capacitorEnergyJ(capacitanceF, fullV);
    // What is known may be too much already; what is not told never counts as none.
    if (untold.length > 0 && energy <= rules.harmlessJ.value)
      return [
        {
          subject: PACK_REF,
          missing: untold.map((device) => ({ ref: deviceRef(device), what: 'its filter to the body' })),
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
};

const MOST_LEFT = 0.75;

/** What is left between neighbouring boxes when a disconnect is out: hands can meet the largest series part. */
const serviceVoltage: Rule<Context> = {
  id: 'disconnect.left',
  station: 'hv-circuit',
  comfort: 0,
  sources: ['With the disconnect out each part of the string keeps its own voltage'],
  sourcesIn: fromRules('classBDcV'),
  judge: ({ vehicle, fullV, rules }) => {
    if (fullV === null || fullV <= rules.classBDcV.value) return [];
    return vehicle.devices
      .filter(({ device }) => device.kind === 'disconnect')
      .flatMap((device): Finding[] => {
        const left = largestPart(vehicle, device.id);
        const whole = largestPart(vehicle, null);
        // At the end of the string it takes nothing apart: the other rules look after it.
        if (left === null || whole === null || left >= whole) return [];
        // Better than not being there at all: it has to halve what hands can meet, or make it harmless.
        const limit = Math.max(rules.classBDcV.value, MOST_LEFT * whole);
        return [
          {
            subject: deviceRef(device),
            demand: volts(left),
            limit: volts(limit),
            margin: marginAtMost(left, limit),
            lines: () => [
              {
                formula: 'largest series part that is still whole, full charge',
                figures: `${q(left, 'voltage')} of ${q(whole, 'voltage')}`,
                result: volts(left),
                note: `Place it so that each part stays under ${q(rules.classBDcV.value, 'voltage')} where possible, else in equal halves (limit 75 %, engineering judgement). Both parts stay live: covers on every terminal.`,
              },
            ],
          },
        ];
      });
  },
};

/** Highest full-charge voltage of boxes that stay in series when `without` is out, V; null without cells. */
export function largestPart(vehicle: Vehicle, without: string | null): number | null {
  const parent = new Map<string, string>();
  const find = (node: string): string => {
    const up = parent.get(node);
    if (up === undefined || up === node) return node;
    const root = find(up);
    parent.set(node, root);
    return root;
  };
  const join = (a: string, b: string) => parent.set(find(a), find(b));
  for (const { id, device } of vehicle.devices)
    if (id !== without && ['fuse', 'disconnect', 'sensor', 'box'].includes(device.kind)) {
      const [a, b] = device.kind === 'box' ? [`${id}.plus`, `${id}.minus`] : [`${id}.a`, `${id}.b`];
      join(a, b);
    }
  for (const { nodeA, nodeB } of vehicle.conductors) join(nodeA, nodeB);
  const byPart = new Map<string, number>();
  for (const box of vehicle.devices) {
    const cell = partOf(box, 'cell');
    if (box.device.kind !== 'box' || !cell) continue;
    const root = find(`${box.id}.plus`);
    byPart.set(root, (byPart.get(root) ?? 0) + cell.fullV * (box.device.cellsInSeries ?? 0));
  }
  return byPart.size === 0 ? null : Math.max(...byPart.values());
}

const bodyJoined: Rule<Context> = {
  id: 'insulation.body-joined',
  station: 'hv-circuit',
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
};

export const DEAD_RULES: readonly Rule<Context>[] = [
  passive,
  active,
  bodyJoined,
  resistance,
  yCapacitance,
  serviceVoltage,
];
