import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from 'vitest';
import { STATIONS } from '../../stations';
import { HARMLESS } from './harmless';
import { judged } from './judged';
import { SAMPLES } from './mistake';
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

/** Rules that judge nothing in a sample as it comes, and why no harmless change of one can show them. */
const SILENT_IN_SAMPLES: Readonly<Record<string, string>> = {
  'survey.supply': 'rests on the trip, which is not driven here',
  'pack.string-fuse': 'the samples have one string',
  'pack.string-contactor': 'the samples have one string',
  'pack.string-match': 'the samples have one string',
  'pack.string-alone': 'the samples have one string',
  'pack.modules': 'no salvaged modules in the samples',
  'pack.trailer': 'no pack on a trailer in the samples',
  'pack.trailer-plug': 'no pack on a trailer in the samples',
  'drive.climb': 'asked only where a hill is told',
  'drive.range': 'rests on the trip',
  'drive.claim': 'rests on the trip',
  'drive.cruise-covers': 'rests on the trip',
  'drive.gives': 'rests on the trip',
  'bms.holds-back': 'rests on the trip',
  'drive.gets-home': 'rests on the trip',
  'drive.motor-heat': 'rests on the trip',
  'drive.pack-heat': 'rests on the trip',
  'drive.dead-man': 'no set speed in the samples',
  'drive.claims-agree': 'nothing was promised in the samples',
  'drive.claimed-energy': 'nothing was promised in the samples',
  'fuse.present': 'says something only where a fuse is missing',
  'fuse.trip': 'rests on the trip',
  'discharge.resistor': 'no discharge resistor in the samples',
  'cable.trip': 'rests on the trip',
  'plan.ingress': 'nothing of the samples whose case is told lies where water comes',
  'plan.overlap': 'says something only where two things meet',
  'lv.cold-charge': 'asked of iron phosphate batteries only',
  'lv.load-fuse': 'says something only where a fuse is missing',
  'lv.earth-joint': 'no joint was measured in the samples',
  'aircon.oil': 'no compressor in the samples',
  'aircon.cools': 'no compressor in the samples',
  'aircon.fan': 'no compressor in the samples',
  'aircon.licensed': 'no compressor in the samples',
  'brakes.heat': 'asked only where a hill is told',
  'gauges.recharge': 'rests on the trip',
  'commission.reading': 'says something only where a reading is out',
  'commission.hot-reading': 'says something only where a reading is out',
  'commission.part-reading': 'says something only where a reading is out',
  'interlocks.opens-loaded':
    'judges only contactors that can’t break what is driven with: contactor.break fails for them',
};

test('every rule holds in some harmless change, or there is a reason why it can’t', () => {
  const held = new Set(
    HARMLESS.flatMap(({ on, change, searched }) =>
      judged(change(SAMPLES[on]), searched).checks.flatMap(({ id, verdict }) =>
        verdict === 'holds' || verdict === 'thin' ? [id] : [],
      ),
    ),
  );
  const silent = RULES.filter((id) => !held.has(id));
  expect(silent.sort()).toEqual(Object.keys(SILENT_IN_SAMPLES).sort());
});
