import { type Finding, marginAtMost, quantityText as q } from '../../checks';
import { partOf, type Vehicle } from '../../vehicle';
import { deviceRef, fromRules, volts } from '../context';
import { defineRule } from '../define';

const MOST_LEFT = 0.75;

/** What is left between neighbouring boxes when a disconnect is out: hands can meet the largest series part. */
export const disconnectLeft = defineRule({
  id: 'disconnect.left',
  endangers: 'people',
  says: {
    fails: '{subject} leaves most of the pack in one piece',
    holds: '{subject} takes the pack apart',
    line: '{demand} stays live in one part, {limit} at most',
  },
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
  remedies: 'Move the disconnect towards the middle of the pack, or fit a second one.',
});

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
