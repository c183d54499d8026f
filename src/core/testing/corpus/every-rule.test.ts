import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from 'vitest';
import { STATIONS } from '../../stations';
import { MISTAKES } from './table';

const RULES = STATIONS.flatMap(({ rules }) => rules.map(({ id }) => id));

/** Rules whose mistake takes more than one change of a sample: the test that makes it, from `src`. */
const MADE_ELSEWHERE: Readonly<Record<string, readonly string[]>> = {
  'core/stations/rules-by-hand.test.ts': [
    'survey.old-part',
    'pack.ride-height',
    'pack.modules',
    'drive.cruise-covers',
    'drive.gives',
    'drive.side-load',
    'precharge.repeats',
    'lv.battery',
    'lv.solves',
    'lv.drop',
    'lv.fuse-load',
  ],
  'core/stations/place.test.ts': [
    'survey.as-found',
    'survey.supply',
    'drive.dead-man',
    'drive.runaway',
    'drive.claims-agree',
    'drive.claimed-energy',
  ],
  'core/stations/survey-and-drive.test.ts': [
    'survey.told',
    'drive.climb',
    'drive.cruise',
    'drive.range',
    'drive.claim',
  ],
  'core/stations/bms/curve-rules.test.ts': ['bms.holds-back'],
  'core/stations/drive/trip-rules.test.ts': [
    'drive.gets-home',
    'drive.motor-heat',
    'drive.pack-heat',
    'drive.brake-lamp',
  ],
  'core/stations/strings.test.ts': [
    'pack.string-contactor',
    'pack.string-fuse',
    'pack.string-match',
    'pack.string-alone',
  ],
  'core/stations/rules.test.ts': ['circuit.open', 'precharge.fault', 'cable.drop'],
  'core/remedies/starter.test.ts': ['circuit.solved'],
  'core/stations/faults-and-states.test.ts': [
    'fuse.selectivity',
    'fuse.contactor-withstand',
    'fuse.cyclic',
    'fuse.branch',
    'disconnect.left',
  ],
  'core/stations/contactor-and-coil-rules.test.ts': [
    'contactor.peak',
    'contactor.life',
    'contactor.welded-test',
    'contactor.coil',
    'contactor.release',
    'discharge.active',
  ],
  'core/stations/cables.test.ts': [
    'fuse.trip',
    'cable.peak',
    'cable.trip',
    'cable.bend',
    'cable.route',
    'cable.shield',
  ],
  'core/vehicle/geometry.test.ts': ['plan.overlap'],
  'core/stations/low-voltage/looms-and-earths.test.ts': [
    'plan.ingress',
    'lv.wire-temperature',
    'lv.loom',
    'lv.earth-joint',
    'lv.earth-shift',
  ],
  'core/stations/low-voltage.test.ts': ['lv.converter-drop', 'lv.peak', 'lv.parked', 'lv.cold-charge'],
  'core/stations/survey/schools.test.ts': ['lv.old-loom'],
  'core/stations/low-voltage/peak-rules.test.ts': ['lv.fuse-peak'],
};

test('every rule has its planted mistake, here or in the test that is named', () => {
  const planted = new Set(MISTAKES.map(({ speaks }) => speaks.split(':')[0]));
  const named = new Map(Object.entries(MADE_ELSEWHERE).flatMap(([file, ids]) => ids.map((id) => [id, file] as const)));
  expect(RULES.filter((id) => !planted.has(id) && !named.has(id))).toEqual([]);
  // Nothing is named that is planted, or that the test does not speak of.
  const idle = [...named].filter(
    ([id, file]) => planted.has(id) || !readFileSync(join(process.cwd(), 'src', file), 'utf8').includes(id),
  );
  expect(idle).toEqual([]);
});
