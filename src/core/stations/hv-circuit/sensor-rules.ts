import { deviceDefinition, type Id } from '../../build';
import { type Finding, marginAtMost } from '../../checks';
import { edgesOf, Loops, packStrings, partOf, type Vehicle } from '../../vehicle';
import { amps, deviceRef, needsPart, packMustDeliver, sustainedCases, worstCurrent } from '../context';
import { defineRule, type Rule } from '../define';

const rating = defineRule({
  id: 'sensor.rating',
  endangers: 'fire',
  says: { fails: '{subject} is too small for its current', holds: '{subject} rating', line: '{demand} of {limit}' },
  sources: ['Rated current: the shunt’s or sensor’s part; worst sustained current'],
  judge: ({ vehicle }) => {
    const waitsFor = packMustDeliver(vehicle, 'sustained');
    return vehicle.devices.flatMap((device): Finding[] => {
      if (device.device.kind !== 'sensor') return [];
      const part = partOf(device, 'sensor');
      const subject = deviceRef(device);
      if (!part) return [needsPart(device)];
      if (waitsFor) return [{ subject, waitsFor }];
      const worst = worstCurrent(sustainedCases(vehicle), device.id);
      if (!worst) return [];
      return [
        {
          subject,
          case: worst.solved.id,
          demand: amps(worst.currentA),
          limit: amps(part.ratedCurrentA),
          margin: marginAtMost(worst.currentA, part.ratedCurrentA),
        },
      ];
    });
  },
  remedies: 'A shunt or sensor for more current, of the same signal.',
});

interface Past {
  /** What the cells feed, or are charged by, past every sensor. */
  readonly loadIds: readonly Id[];
  /** Boxes of strings that have no sensor, beside strings that have one. */
  readonly unmeasured: readonly Id[];
}

/**
 * What current no sensor sees: with the sensors taken out, whatever still shares a loop with cells. Precharging is over in a second and does
 * not count. Null: the cells feed nothing yet.
 */
function pastSensors(vehicle: Vehicle): Past | null {
  const edges = edgesOf(vehicle);
  const loops = new Loops(edges);
  const kindOf = (id: Id) => vehicle.deviceOf.get(id)?.device.kind;
  const where = (is: (id: Id) => boolean) => edges.flatMap(({ id }, k) => (is(id) ? [k] : []));
  const brief = where(
    (id) => kindOf(id) === 'precharge-resistor' || vehicle.deviceOf.get(id)?.device.role === 'precharge',
  );
  const sensors = where((id) => kindOf(id) === 'sensor');
  const loads = where((id) => {
    const kind = kindOf(id);
    return kind !== undefined && deviceDefinition(kind).stands === 'load';
  });
  const strings = packStrings(vehicle).map(({ boxIds }) => boxIds);
  const found = strings.flatMap((boxIds) => {
    const others = where((id) => kindOf(id) === 'box' && !boxIds.includes(id));
    const fedBy = (without: readonly number[]) => {
      const fed = loops.fed([...brief, ...others, ...without]);
      return loads.filter((k) => fed[k]);
    };
    const [all, past] = [fedBy([]), fedBy(sensors)];
    return all.length > 0 ? [{ boxIds, past, blind: past.length === all.length }] : [];
  });
  if (found.length === 0) return null;
  // A string of its own without a sensor is told; a sensor that sees nothing of the only one is wired wrong.
  const told = found.some(({ blind }) => !blind) ? found.filter(({ blind }) => blind) : [];
  const past = new Set(found.filter((one) => !told.includes(one)).flatMap((one) => one.past));
  return {
    loadIds: [...past].map((k) => edges[k]!.id),
    unmeasured: told.flatMap(({ boxIds }) => boxIds),
  };
}

const allCurrent = defineRule({
  id: 'sensor.all-current',
  endangers: 'parts',
  says: {
    fails: '{subject} does not see all current',
    holds: '{subject} sees all current',
    line: '{detail}',
  },
  sources: [
    'A current sensor stands where all current of the cells passes (practice): state of charge and the electronics’ current limits are counted by it',
  ],
  judge: ({ vehicle }) => {
    const sensor = vehicle.devices.find(({ device }) => device.kind === 'sensor');
    if (!sensor) return [];
    const seen = pastSensors(vehicle);
    if (!seen) return [];
    const { loadIds, unmeasured } = seen;
    const named = (ids: readonly Id[]) => ids.map((id) => vehicle.deviceOf.get(id)?.device.name ?? id).join(', ');
    return [
      {
        subject: deviceRef(sensor),
        holds: loadIds.length === 0,
        figures: {
          detail: loadIds.length === 0 ? 'every load and charger behind it' : `past it: ${named(loadIds)}`,
        },
        ...(unmeasured.length > 0 ? { assumed: [`${named(unmeasured)}: no sensor counts its current.`] } : {}),
      },
    ];
  },
  remedies: 'Land every load and charger on the side of the sensor that is away from the cells.',
});

export const SENSOR_RULES: readonly Rule[] = [rating, allCurrent];
