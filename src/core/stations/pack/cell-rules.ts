import { type Finding, marginAtMost, quantityText as q } from '../../checks';
import type { CellPart } from '../../parts';
import { told } from '../../quantities';
import { cellBears } from '../../simulate';
import { packStrings, partOf, type ResolvedDevice, type SolvedState, solvedStates, type Vehicle } from '../../vehicle';
import { amps, type Context, corner, deviceRef, packMustDeliver, powerFrom } from '../context';
import { defineRule, type Rule } from '../define';

type Way = 'charge' | 'discharge';
const DURATIONS = { sustained: 0, minutes: 1, seconds: 2 } as const;

/** What one cell bears for a while at a temperature, A, and how that is known. */
function bears(
  cell: CellPart,
  way: Way,
  solved: SolvedState,
  lowered = false,
): { readonly currentA: number; readonly assumed: string[] } {
  // What the electronics lowers in the cold is held to what the cells bear warm.
  const { currentA, told, rate, share } = cellBears(
    cell,
    way,
    DURATIONS[solved.state.duration],
    lowered ? null : solved.corner.cellTemperatureC,
  );
  return {
    currentA,
    assumed: [
      ...(told === undefined
        ? [
            `${rate} C ${way === 'charge' ? 'into' : 'out of'} the cells for ${solved.state.duration === 'sustained' ? 'hours' : solved.state.duration} (generic; their sheet wins).`,
          ]
        : []),
      ...(share < 1
        ? [`At ${q(solved.corner.cellTemperatureC, 'temperature')} ${Math.round(share * 100)} % of that (generic).`]
        : []),
    ],
  };
}

interface Hardest {
  readonly solved: SolvedState;
  readonly currentA: number;
  readonly limit: ReturnType<typeof bears>;
}

/** The state and corner in which the cells of a box are pressed hardest in a direction; null: never. */
function hardest(vehicle: Vehicle, box: ResolvedDevice, cell: CellPart, way: Way, lowered = false): Hardest | null {
  let worst: Hardest | null = null;
  const parallel = box.device.cellsInParallel ?? 1;
  for (const solved of solvedStates(vehicle)) {
    // Into a full pack nothing is charged: what tapers off is the charger's, and the electronics'.
    if (way === 'charge' && solved.corner.id === 'warm-new-full') continue;
    const through = solved.point.elementCurrentsA.get(box.id) ?? 0;
    const currentA = (way === 'discharge' ? -through : through) / parallel;
    if (!(currentA > 0.01)) continue;
    const limit = bears(cell, way, solved, lowered);
    if (!worst || currentA * worst.limit.currentA > worst.currentA * limit.currentA)
      worst = { solved, currentA, limit };
  }
  return worst;
}

const boxesWithCells = (vehicle: Vehicle): (readonly [ResolvedDevice, CellPart])[] =>
  vehicle.devices.flatMap((box) => {
    const cell = partOf(box, 'cell');
    return box.device.kind === 'box' && cell ? [[box, cell] as const] : [];
  });

const lines =
  ({ currentA, limit, solved }: Hardest) =>
  () => [
    {
      formula: 'I_cell = I_box / cells side by side ≤ I_most · share at this temperature',
      figures: `${q(currentA, 'current')} ≤ ${q(limit.currentA, 'current')}`,
      result: { value: marginAtMost(currentA, limit.currentA), dimension: 'ratio' as const },
      note: corner(solved),
    },
  ];

const discharge = defineRule({
  id: 'pack.discharge-current',
  endangers: 'fire',
  says: {
    fails: 'The cells of {subject} give more than they bear',
    holds: 'Current out of the cells of {subject}',
    line: '{demand} of {limit} a cell',
  },
  sources: ['Current that the cells bear by duration and temperature: their part, else generic rates'],
  judge: ({ vehicle }) => {
    const waitsFor = packMustDeliver(vehicle);
    return boxesWithCells(vehicle).flatMap(([box, cell]): Finding[] => {
      const subject = deviceRef(box);
      if (waitsFor) return [{ subject, waitsFor }];
      const worst = hardest(vehicle, box, cell, 'discharge');
      if (!worst) return [];
      return [
        {
          subject,
          case: worst.solved.id,
          demand: amps(worst.currentA),
          limit: amps(worst.limit.currentA),
          margin: marginAtMost(worst.currentA, worst.limit.currentA),
          lines: lines(worst),
          assumed: [...worst.limit.assumed, powerFrom(vehicle)],
        },
      ];
    });
  },
  remedies:
    'Cells that bear more, more of them side by side, or less power: the inverter’s battery current can be set lower.',
});

/** Electronics that sees every cell and can stop charge and regeneration. */
const stopsCharge = ({ vehicle }: Context): boolean =>
  vehicle.build.schools.bms === 'central' || vehicle.build.schools.bms === 'distributed';

const charge = defineRule({
  id: 'pack.charge-current',
  endangers: 'fire',
  says: {
    fails: 'The cells of {subject} are charged harder than they bear',
    holds: 'Current into the cells of {subject}',
    line: '{demand} of {limit} a cell',
  },
  variants: {
    cold: {
      fails: 'The cells of {subject} are charged while too cold',
      holds: '{subject} is not charged while too cold',
      line: '{state} at {temperature}',
    },
  },
  sources: [
    'Current that the cells bear by duration and temperature: their part, else generic rates',
    `Lithium cells plate metal when they are charged below ${told(0, 'temperature')} (LTO excepted)`,
  ],
  judge: (context) =>
    boxesWithCells(context.vehicle).flatMap(([box, cell]): Finding<'state' | 'temperature', 'cold'>[] => {
      const subject = deviceRef(box);
      const lowered = stopsCharge(context);
      const worst = hardest(context.vehicle, box, cell, 'charge', lowered);
      if (!worst) return [];
      const { solved, currentA, limit } = worst;
      if (limit.currentA === 0)
        return [
          {
            subject,
            case: solved.id,
            variant: 'cold',
            holds: false,
            figures: {
              state: solved.state.name,
              temperature: q(solved.corner.cellTemperatureC, 'temperature'),
            },
          },
        ];
      // How hard the motor brakes is not told: what is assumed of it fails nothing.
      if (
        solved.state.id === 'regeneration' &&
        context.vehicle.build.duty.regenerationPowerW === undefined &&
        currentA > limit.currentA
      )
        return [{ subject, missing: [{ ref: subject, what: 'the power of regeneration, in Drive' }] }];
      return [
        {
          subject,
          case: solved.id,
          demand: amps(currentA),
          limit: amps(limit.currentA),
          margin: marginAtMost(currentA, limit.currentA),
          lines: lines(worst),
          assumed: [
            ...limit.assumed,
            ...(lowered
              ? ['The battery electronics lowers and stops charge and regeneration while cells are cold.']
              : []),
          ],
        },
      ];
    }),
  remedies:
    'Electronics that stops charge and regeneration in the cold, pads that warm the cells, or less charging power.',
});

/** Cells in a row share one current: the smallest is full and empty first (practice: within a twentieth). */
const CAPACITY_SHARE = 0.05;

const alike = defineRule({
  id: 'pack.alike',
  endangers: 'fire',
  says: {
    fails: 'Boxes in a row are not alike',
    holds: 'Boxes in a row are alike',
    line: '{detail}',
  },
  sources: ['In a row the weakest sets the pack; one chemistry has one charge voltage (practice)'],
  judge: ({ vehicle }) =>
    packStrings(vehicle).flatMap(({ boxIds }): Finding<'detail'>[] => {
      const boxes = boxesWithCells(vehicle).filter(([{ id }]) => boxIds.includes(id));
      if (boxes.length < 2) return [];
      const subject = deviceRef(boxes[0]![0]);
      const kinds = new Set(boxes.map(([, { chemistry }]) => chemistry));
      if (kinds.size > 1)
        return [{ subject, holds: false, figures: { detail: `${[...kinds].join(' and ')} in one row` } }];
      const ah = boxes.map(([box, cell]) => cell.capacityAh * (box.device.cellsInParallel ?? 1));
      const [least, most] = [Math.min(...ah), Math.max(...ah)];
      const told = (value: number) => `${Number(value.toPrecision(3))} Ah`;
      return [
        {
          subject,
          holds: least >= (1 - CAPACITY_SHARE) * most,
          figures: { detail: least === most ? told(most) : `${told(least)} and ${told(most)}` },
        },
      ];
    }),
  remedies: 'One kind of cell and as many side by side in every box of a row.',
});

const direction = defineRule({
  id: 'pack.direction',
  endangers: 'fire',
  says: {
    fails: '{subject} is the wrong way round',
    holds: '{subject} stands the right way round',
    line: '{detail}',
  },
  sources: ['Signs of the currents of boxes in one row: one that is charged while the others give is reversed'],
  judge: ({ vehicle }) =>
    packStrings(vehicle).flatMap(({ boxIds }): Finding<'detail'>[] => {
      if (boxIds.length < 2) return [];
      const giving = solvedStates(vehicle).find(({ point }) =>
        boxIds.some((id) => Math.abs(point.elementCurrentsA.get(id) ?? 0) > 0.01),
      );
      if (!giving) return [];
      const through = (id: string) => giving.point.elementCurrentsA.get(id) ?? 0;
      const volts = (id: string) => {
        const cell = partOf(vehicle.deviceOf.get(id), 'cell');
        return (cell?.nominalV ?? 0) * (vehicle.deviceOf.get(id)?.device.cellsInSeries ?? 0);
      };
      // The way of the most volts is the string's; what stands against it is reversed.
      const forward = boxIds.reduce((sum, id) => sum + Math.sign(through(id)) * volts(id), 0);
      return boxIds.map((id) => {
        const right = Math.sign(through(id)) === Math.sign(forward);
        return {
          subject: deviceRef(vehicle.deviceOf.get(id)!),
          holds: right,
          figures: {
            detail: right ? 'in line with its row' : `it takes ${q(2 * volts(id), 'voltage', 3)} off its row`,
          },
        };
      });
    }),
  remedies: 'Swap its two cables, with everything else open; its plus goes to the next box’s minus.',
});

export const CELL_RULES: readonly Rule[] = [discharge, charge, alike, direction];
